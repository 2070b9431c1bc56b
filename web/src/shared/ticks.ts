import { useState } from 'react';

/** What was ticked off a list, kept in this browser under a name of its own. */
export function useTicks(name: string): readonly [readonly string[], (key: string) => void] {
  const key = `vertumna-${name}`;
  const [ticked, setTicked] = useState<readonly string[]>(() => {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
      return Array.isArray(kept) ? kept.filter((k): k is string => typeof k === 'string') : [];
    } catch {
      return [];
    }
  });
  const tick = (what: string) => {
    const next = ticked.includes(what) ? ticked.filter((t) => t !== what) : [...ticked, what];
    setTicked(next);
    try {
      localStorage.setItem(key, JSON.stringify(next));
    } catch {
      // the browser keeps no more: the ticks stand until the page is left
    }
  };
  return [ticked, tick];
}
