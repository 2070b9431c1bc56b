import { useCallback } from 'react';
import { useSearchParams, type NavigateOptions } from 'react-router';

/** What an address is to say: a word for each key, nothing for one that goes. */
export type Said = Record<string, string | undefined>;

/**
 * The choices a screen keeps in its address, and the way to change them.
 *
 * The router draws an address when it finds the time, so what it has drawn may be a choice behind the person's hand:
 * changes start from the address itself, and two choices made in one breath both stay. `change` may be worked out from
 * what the address says by then. Nothing else may write what stands behind the question mark, but for the shown day.
 */
export function useAddress(): [
  URLSearchParams,
  (change: Said | ((now: URLSearchParams) => Said), how?: NavigateOptions) => void,
] {
  const [params, setParams] = useSearchParams();
  const put = useCallback(
    (change: Said | ((now: URLSearchParams) => Said), how: NavigateOptions = { replace: true }) => {
      const now = new URLSearchParams(window.location.search);
      for (const [k, v] of Object.entries(typeof change === 'function' ? change(now) : change))
        if (v === undefined) now.delete(k);
        else now.set(k, v);
      setParams(now, how);
    },
    [setParams],
  );
  return [params, put];
}
