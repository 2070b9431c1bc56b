import { useCallback, useState } from 'react';
import { keep, kept } from './browser';

/** A value kept in this browser under a name of its own; where the browser keeps nothing it stands until the page is left. */
export function useKept<T>(name: string, first: T): readonly [T, (v: T) => void] {
  const key = `vertumna-${name}`;
  const [value, setValue] = useState<T>(() => {
    try {
      const text = kept(key);
      if (text === null) return first;
      const was: T = JSON.parse(text);
      return was;
    } catch {
      return first;
    }
  });
  const set = useCallback(
    (v: T) => {
      setValue(v);
      keep(key, JSON.stringify(v));
    },
    [key],
  );
  return [value, set];
}
