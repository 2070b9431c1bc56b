import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useUndo } from './queries';
import { useHere } from './orchard';
import { Trouble } from './Trouble';
import css from './shared.module.css';

interface Offer {
  id: string;
  /** Logged with it: undone with it. */
  also?: readonly string[];
  says: string;
}

const Context = createContext<(o: Offer) => void>(() => undefined);

/** Offers to undo what was just logged, for ten seconds. */
export const useOfferUndo = () => useContext(Context);

const seconds = 10;

export function UndoOffer({ children }: { children: ReactNode }) {
  const { orchard } = useHere();
  const undo = useUndo(orchard.slug);
  const [offer, setOffer] = useState<Offer | null>(null);
  const [left, setLeft] = useState(0);
  useEffect(() => {
    if (!offer) return;
    let n = seconds;
    const t = setInterval(() => {
      n -= 1;
      setLeft(n);
      if (n <= 0) setOffer(null);
    }, 1000);
    return () => clearInterval(t);
  }, [offer]);
  const make = useCallback((o: Offer) => {
    setOffer(o);
    setLeft(seconds);
  }, []);
  const value = useMemo(() => make, [make]);
  const takeBack = async (o: Offer) => {
    try {
      for (const id of [o.id, ...(o.also ?? [])]) await undo.mutateAsync(id);
      setOffer(null);
    } catch {
      // what was refused stands beside the button
    }
  };
  const visible = offer !== null && left > 0;
  return (
    <Context.Provider value={value}>
      {children}
      {visible && (
        <div className={css.undo} role="status">
          <span>{offer.says}</span>
          <button type="button" onClick={() => void takeBack(offer)} disabled={undo.isPending}>
            Undo <span className="num">({left})</span>
          </button>
          <Trouble error={undo.error} />
        </div>
      )}
    </Context.Provider>
  );
}
