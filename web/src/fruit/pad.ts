import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { NoAnswer } from '../shared/api';
import { sendPass, sendTaps, type ClosePass, type FruitLimb, type Tally, type Tap } from './queries';
import { wrote } from '../shared/stale';

/** What waits on this phone to be sent: taps, and limbs that were finished. */
type Waiting = { tap: Tap } | { close: ClosePass };

/** A tap of this phone, with what it counted, for taking it back. */
export interface Mine {
  id: string;
  limb: string;
  lateral: string;
  pass: number;
  left: number;
  taken: number;
}

export interface Totals {
  left: number;
  taken: number;
  by: Map<string, { left: number; taken: number }>;
}

const keyOf = (slug: string, id: string, season: number) => `vertumna-pad/${slug}/${id}/${String(season)}`;

function stored(key: string): Waiting[] {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '[]') as Waiting[];
  } catch {
    return [];
  }
}

/** What the pad shows of a limb: what the program holds, and what still waits here. */
export function totalsOf(tallies: readonly Tally[], waiting: readonly Tap[], limb: string, pass: number): Totals {
  const by = new Map<string, { left: number; taken: number }>();
  const add = (lateral: string, left: number, taken: number) => {
    const b = by.get(lateral) ?? { left: 0, taken: 0 };
    by.set(lateral, { left: b.left + left, taken: b.taken + taken });
  };
  for (const t of tallies)
    if (t.limb === limb && t.pass === pass) for (const l of t.laterals) add(l.id, l.left, l.taken);
  for (const t of waiting) if (t.limb === limb && t.pass === pass) add(t.lateral, t.left, t.taken);
  let left = 0;
  let taken = 0;
  for (const b of by.values()) {
    left += b.left;
    taken += b.taken;
  }
  return { left, taken, by };
}

const retryMS = 4000;

/**
 * The counting pad of a tree. A tap counts at once on this phone and is kept here until the program has it: nothing is lost
 * when the network drops, and one sent twice counts once.
 */
export function usePad(slug: string, id: string, season: number, limbs: readonly FruitLimb[]) {
  const client = useQueryClient();
  const key = keyOf(slug, id, season);
  const [waiting, setWaiting] = useState<Waiting[]>(() => stored(key));
  const [mine, setMine] = useState<Mine[]>([]);
  const [trouble, setTrouble] = useState<unknown>(null);
  const [offline, setOffline] = useState(false);
  const sending = useRef(false);
  const queue = useRef(waiting);
  const known = useMemo(() => limbs.flatMap((l) => l.tally), [limbs]);
  // the last answer to a tap holds until the whole tree is asked for again
  const [answer, setAnswer] = useState({ known, tallies: known });
  const tallies = answer.known === known ? answer.tallies : known;

  const keep = useCallback(
    (next: Waiting[]) => {
      queue.current = next;
      if (next.length > 0) localStorage.setItem(key, JSON.stringify(next));
      else localStorage.removeItem(key);
      setWaiting(next);
    },
    [key],
  );

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      while (queue.current.length > 0) {
        const first = queue.current[0];
        if (first && 'close' in first) {
          await sendPass(slug, id, first.close);
          keep(queue.current.slice(1));
          await wrote(client);
          continue;
        }
        const taps: Tap[] = [];
        for (const w of queue.current) {
          if (!('tap' in w) || taps.length === 200) break;
          taps.push(w.tap);
        }
        const said = await sendTaps(slug, id, season, taps);
        const sent = new Set(taps.map((t) => t.id));
        keep(queue.current.filter((w) => !('tap' in w && sent.has(w.tap.id))));
        setAnswer({ known, tallies: said.tallies });
        if (said.late.length > 0) await wrote(client);
      }
      setOffline(false);
      setTrouble(null);
    } catch (e) {
      if (e instanceof NoAnswer) setOffline(true);
      else {
        // refused: what cannot be kept is not sent for ever; the taps before it are
        setTrouble(e);
        if (queue.current[0] && 'close' in queue.current[0]) keep(queue.current.slice(1));
      }
    } finally {
      sending.current = false;
    }
  }, [client, id, keep, known, season, slug]);

  useEffect(() => {
    void flush();
    const again = () => void flush();
    window.addEventListener('online', again);
    const t = setInterval(() => {
      if (queue.current.length > 0) again();
    }, retryMS);
    return () => {
      window.removeEventListener('online', again);
      clearInterval(t);
    };
  }, [flush]);

  const push = useCallback(
    (w: Waiting) => {
      keep([...queue.current, w]);
      void flush();
    },
    [flush, keep],
  );

  const tap = useCallback(
    (limb: string, pass: number, lateral: string, left: number, taken: number) => {
      const t = { id: crypto.randomUUID(), limb, lateral, pass, left, taken };
      setMine((m) => [...m, t]);
      navigator.vibrate?.(left > 0 ? 30 : [20, 40, 20]);
      push({ tap: t });
    },
    [push],
  );

  const undo = useCallback(
    (limb: string) => {
      const last = [...mine].reverse().find((m) => m.limb === limb);
      if (!last) return;
      setMine((m) => m.filter((x) => x.id !== last.id));
      navigator.vibrate?.(90);
      // one that was not sent yet is simply taken out of what waits
      if (queue.current.some((w) => 'tap' in w && w.tap.id === last.id) && !sending.current) {
        keep(queue.current.filter((w) => !('tap' in w && w.tap.id === last.id)));
        return;
      }
      setAnswer({ known, tallies: without(tallies, last) });
      push({ tap: { ...last, id: crypto.randomUUID(), left: 0, taken: 0, undoes: last.id } });
    },
    [keep, known, mine, push, tallies],
  );

  const close = useCallback((body: ClosePass) => push({ close: body }), [push]);

  const taps = useMemo(() => waiting.flatMap((w) => ('tap' in w && !w.tap.undoes ? [w.tap] : [])), [waiting]);
  const totals = useCallback((limb: string, pass: number) => totalsOf(tallies, taps, limb, pass), [tallies, taps]);
  const canUndo = useCallback((limb: string) => mine.some((m) => m.limb === limb), [mine]);
  const closing = useCallback((limb: string) => waiting.some((w) => 'close' in w && w.close.limb === limb), [waiting]);
  return { tap, undo, close, totals, canUndo, closing, unsent: waiting.length, offline, trouble };
}

export type Pad = ReturnType<typeof usePad>;

/** Tallies with one tap of this phone taken out. */
function without(ts: Tally[], m: Mine): Tally[] {
  return ts.map((t) =>
    t.limb !== m.limb || t.pass !== m.pass
      ? t
      : {
          ...t,
          left: t.left - m.left,
          taken: t.taken - m.taken,
          laterals: t.laterals.map((l) =>
            l.id === m.lateral ? { ...l, left: l.left - m.left, taken: l.taken - m.taken } : l,
          ),
        },
  );
}
