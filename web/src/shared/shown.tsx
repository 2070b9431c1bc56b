import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useLocation, useSearchParams } from 'react-router';
import { isDay, type Day } from './day';

/** The day every screen shows. While the handle is dragged it runs ahead of the day the program is asked for. */
interface Shown {
  today: Day;
  day: Day;
  settled: Day;
  setDay: (d: Day) => void;
}

const Context = createContext<Shown>({ today: '', day: '', settled: '', setDay: () => undefined });

export const useShown = () => useContext(Context);

const settleMs = 90;

export function ShownDay({ today, children }: { today: Day; children: ReactNode }) {
  const [params] = useSearchParams();
  const asked = params.get('day');
  const [day, setLocal] = useState<Day>(isDay(asked) ? asked : today);
  const [settled, setSettled] = useState(day);
  const { key } = useLocation();
  useEffect(() => {
    const t = setTimeout(() => setSettled(day), settleMs);
    return () => clearTimeout(t);
  }, [day]);
  // the address carries the day; it is written past the router, so that a day settling never undoes a step just taken
  useEffect(() => {
    const url = new URL(window.location.href);
    if (day === today) url.searchParams.delete('day');
    else url.searchParams.set('day', day);
    if (url.href !== window.location.href) window.history.replaceState(window.history.state, '', url);
  }, [day, today, key]);
  const setDay = useCallback(
    (d: Day) => setLocal(d < '2002-01-01' ? '2002-01-01' : d > '2098-12-31' ? '2098-12-31' : d),
    [],
  );
  const value = useMemo(() => ({ today, day, settled, setDay }), [today, day, settled, setDay]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}
