import { useEffect, useRef } from 'react';

/**
 * An act that needs an answer which is still on its way. Asked for early, it waits for the answer to what was typed then (`of`), and is made
 * once; what is typed anew calls it off. What a screen keeps showing meanwhile is of something else, and is never acted on.
 */
export function useWhenReady(of: string, ready: boolean, act: () => void): () => void {
  const wanted = useRef<string | null>(null);
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    if (!ready || wanted.current === null) return;
    const same = wanted.current === of;
    wanted.current = null;
    if (same) latest.current();
  }, [of, ready]);
  return () => {
    if (ready) act();
    else wanted.current = of;
  };
}
