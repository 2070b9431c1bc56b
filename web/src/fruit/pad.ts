import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { NoAnswer, Refused } from '../shared/api';
import { forget as forgetHere, keep as keepHere, kept, keptNames } from '../shared/browser';
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

const idOf = (w: Waiting) => ('tap' in w ? w.tap.id : w.close.id);

/** What the browser would not keep, full or forbidden: it waits with the page, and the person is told. */
const unkept = new Map<string, Waiting>();

function keep(name: string, w: Waiting) {
  if (!keepHere(name, JSON.stringify(w))) unkept.set(name, w);
}

function forget(name: string) {
  unkept.delete(name);
  forgetHere(name);
}

/**
 * What waits lies under a key of its own, so that two tabs on one tree never write over each other: the name has the moment it was
 * tapped, by which it is sent in order. It is kept before the finger is lifted: the browser's database would answer later.
 */
function stored(key: string): Map<string, Waiting> {
  const together = kept(key); // as it was kept before: all under one name
  if (together !== null) {
    const all: Waiting[] = JSON.parse(together);
    for (const w of all) keep(nameFor(key, w), w);
    forget(key);
  }
  const names = [...keptNames(), ...unkept.keys()].filter((name) => name.startsWith(`${key}/`)).sort();
  const out = new Map<string, Waiting>();
  for (const name of names) {
    const here = unkept.get(name);
    if (here) {
      out.set(name, here);
      continue;
    }
    try {
      const w: Waiting = JSON.parse(kept(name) ?? '');
      out.set(name, w);
    } catch {
      forget(name); // half written when the power went: never acknowledged
    }
  }
  return out;
}

/** What waits of the pads of this phone, by tree. */
export function padsWaiting(): { slug: string; id: string; n: number }[] {
  const by = new Map<string, { slug: string; id: string; n: number }>();
  const names = [...keptNames(), ...unkept.keys()];
  for (const name of names) {
    const [pad, slug, id, , one] = name.split('/');
    if (pad !== 'vertumna-pad' || !slug || !id || !one) continue;
    const had = by.get(`${slug}/${id}`);
    by.set(`${slug}/${id}`, { slug, id, n: (had?.n ?? 0) + 1 });
  }
  return [...by.values()];
}

let last = 0;

/** A name that sorts after all given before it in this tab. */
function nameFor(key: string, w: Waiting) {
  last = Math.max(last + 1, Date.now() * 100);
  return `${key}/${String(last)}-${idOf(w)}`;
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
const tapsAtOnce = 200;

/**
 * The counting pad of a tree. A tap counts at once on this phone and is kept here until the program has it: nothing is lost
 * when the network drops, and one sent twice counts once.
 */
export function usePad(slug: string, id: string, season: number, limbs: readonly FruitLimb[]) {
  const client = useQueryClient();
  const key = keyOf(slug, id, season);
  const [waiting, setWaiting] = useState<Waiting[]>(() => [...stored(key).values()]);
  const [refused, setRefused] = useState(0);
  const [mine, setMine] = useState<Mine[]>([]);
  const [trouble, setTrouble] = useState<unknown>(null);
  const [offline, setOffline] = useState(false);
  const sending = useRef(false);
  const queue = useRef(waiting);
  const known = useMemo(() => limbs.flatMap((l) => l.tally), [limbs]);
  // the last answer to a tap holds until the whole tree is asked for again
  const [answer, setAnswer] = useState({ known, tallies: known });
  const tallies = answer.known === known ? answer.tallies : known;

  const look = useCallback(() => {
    queue.current = [...stored(key).values()];
    setWaiting(queue.current);
  }, [key]);
  const drop = useCallback(
    (gone: (w: Waiting) => boolean) => {
      for (const [name, w] of stored(key)) if (gone(w)) forget(name);
      look();
    },
    [key, look],
  );

  const flush = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      while (queue.current.length > 0) {
        const first = queue.current[0];
        if (first && 'close' in first) {
          await sendPass(slug, id, first.close);
          drop((w) => idOf(w) === first.close.id);
          await wrote(client);
          continue;
        }
        const taps: Tap[] = [];
        for (const w of queue.current) {
          if (!('tap' in w) || taps.length === tapsAtOnce) break;
          taps.push(w.tap);
        }
        const said = await sendTaps(slug, id, season, taps);
        const sent = new Set(taps.map((t) => t.id));
        drop((w) => sent.has(idOf(w)));
        setAnswer({ known, tallies: said.tallies });
        if (said.late.length > 0) await wrote(client);
      }
      setOffline(false);
      setTrouble(null);
    } catch (e) {
      if (e instanceof NoAnswer) setOffline(true);
      else {
        setTrouble(e);
        if (e instanceof Refused) await oneByOne();
      }
    } finally {
      sending.current = false;
    }

    /** Something that waits is refused: each is sent by itself, and what is refused again is set aside, so that it holds up nothing. */
    async function oneByOne() {
      for (const w of [...queue.current]) {
        try {
          if ('close' in w) await sendPass(slug, id, w.close);
          else setAnswer({ known, tallies: (await sendTaps(slug, id, season, [w.tap])).tallies });
        } catch (e) {
          if (!(e instanceof Refused)) return; // no answer: it waits
          setRefused((n) => n + 1);
        }
        drop((x) => idOf(x) === idOf(w));
      }
      await wrote(client);
    }
  }, [client, drop, id, known, season, slug]);

  useEffect(() => {
    const again = () => void flush();
    queueMicrotask(again);
    window.addEventListener('online', again);
    window.addEventListener('storage', look); // another tab tapped, or sent
    const t = setInterval(() => {
      if (queue.current.length > 0) again();
    }, retryMS);
    return () => {
      window.removeEventListener('online', again);
      window.removeEventListener('storage', look);
      clearInterval(t);
    };
  }, [flush, look]);

  const push = useCallback(
    (w: Waiting) => {
      keep(nameFor(key, w), w);
      look();
      void flush();
    },
    [flush, key, look],
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
        drop((w) => idOf(w) === last.id);
        return;
      }
      setAnswer({ known, tallies: without(tallies, last) });
      push({ tap: { ...last, id: crypto.randomUUID(), left: 0, taken: 0, undoes: last.id } });
    },
    [drop, known, mine, push, tallies],
  );

  const close = useCallback((body: ClosePass) => push({ close: body }), [push]);

  const taps = useMemo(() => waiting.flatMap((w) => ('tap' in w && !w.tap.undoes ? [w.tap] : [])), [waiting]);
  const totals = useCallback((limb: string, pass: number) => totalsOf(tallies, taps, limb, pass), [tallies, taps]);
  const canUndo = useCallback((limb: string) => mine.some((m) => m.limb === limb), [mine]);
  const closing = useCallback((limb: string) => waiting.some((w) => 'close' in w && w.close.limb === limb), [waiting]);
  return {
    tap,
    undo,
    close,
    totals,
    canUndo,
    closing,
    unsent: waiting.length,
    unkept: unkept.size > 0,
    refused,
    offline,
    trouble,
  };
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
