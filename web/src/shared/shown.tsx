import {
  createContext,
  useCallback,
  useContext,
  useDeferredValue,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import { useLocation } from 'react-router';
import { useAddress } from './address';
import { isDay, type Day } from './day';

/** The day every screen shows. While the handle is dragged it runs ahead of the day the program is asked for. */
interface Shown {
  today: Day;
  day: Day;
  settled: Day;
  setDay: (d: Day) => void;
}

/** Where the handle stands: ahead of the screens while it is dragged. */
const Handle = createContext<Day>('');

const Context = createContext<Shown>({ today: '', day: '', settled: '', setDay: () => undefined });

export const useShown = () => useContext(Context);

/** The day of the handle itself. What is dearer to draw than a date uses [useShown], which follows as fast as it can. */
export const useHandle = () => useContext(Handle);

const settleMs = 90;
/** How long a day stands before the address says so: browsers take few such changes in a while, and throw at more. */
const writtenMs = 400;

/** Writes the day into the address, past the router, so that a day settling never undoes a step just taken. */
function writeAddress(day: Day, today: Day) {
  const url = new URL(window.location.href);
  if (day === today) url.searchParams.delete('day');
  else url.searchParams.set('day', day);
  if (url.href === window.location.href) return;
  try {
    window.history.replaceState(window.history.state, '', url);
  } catch {
    // the browser has had enough of them for now: the address is written with the next day that stands
  }
}

export function ShownDay({ today, children }: { today: Day; children: ReactNode }) {
  const [params] = useAddress();
  const asked = params.get('day');
  const [handle, setLocal] = useState<Day>(isDay(asked) ? asked : today);
  const day = useDeferredValue(handle);
  const [settled, setSettled] = useState(handle);
  const { key } = useLocation();
  const now = useRef(handle);
  useEffect(() => {
    now.current = handle;
  }, [handle]);
  useEffect(() => {
    const t = setTimeout(() => setSettled(handle), settleMs);
    return () => clearTimeout(t);
  }, [handle]);
  useEffect(() => {
    const t = setTimeout(() => writeAddress(handle, today), writtenMs);
    return () => clearTimeout(t);
  }, [handle, today]);
  useEffect(() => writeAddress(now.current, today), [key, today]); // a step to another screen takes the day along
  const setDay = useCallback(
    (d: Day) => setLocal(d < '2002-01-01' ? '2002-01-01' : d > '2098-12-31' ? '2098-12-31' : d),
    [],
  );
  const value = useMemo(() => ({ today, day, settled, setDay }), [today, day, settled, setDay]);
  return (
    <Handle.Provider value={handle}>
      <Context.Provider value={value}>{children}</Context.Provider>
    </Handle.Provider>
  );
}
