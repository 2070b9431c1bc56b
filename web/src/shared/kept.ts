import { useCallback, useState } from 'react';

/** A value kept in this browser under a name of its own; where the browser keeps nothing it stands until the page is left. */
export function useKept<T>(name: string, first: T): readonly [T, (v: T) => void] {
  const key = `vertumna-${name}`;
  const [value, setValue] = useState<T>(() => {
    try {
      const kept = localStorage.getItem(key);
      return kept === null ? first : (JSON.parse(kept) as T);
    } catch {
      return first;
    }
  });
  const set = useCallback(
    (v: T) => {
      setValue(v);
      try {
        localStorage.setItem(key, JSON.stringify(v));
      } catch {
        // the browser keeps no more
      }
    },
    [key],
  );
  return [value, set];
}
