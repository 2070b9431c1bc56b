import { useState } from 'react';
import { keep, kept } from './browser';

/** What was ticked off a list, kept in this browser under a name of its own. */
export function useTicks(name: string): readonly [readonly string[], (key: string) => void] {
  const key = `vertumna-${name}`;
  const [ticked, setTicked] = useState<readonly string[]>(() => {
    try {
      const was: unknown = JSON.parse(kept(key) ?? '[]');
      return Array.isArray(was) ? was.filter((k): k is string => typeof k === 'string') : [];
    } catch {
      return [];
    }
  });
  const tick = (what: string) => {
    const next = ticked.includes(what) ? ticked.filter((t) => t !== what) : [...ticked, what];
    setTicked(next);
    keep(key, JSON.stringify(next)); // else the ticks stand until the page is left
  };
  return [ticked, tick];
}
