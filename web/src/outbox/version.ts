import { useSyncExternalStore } from 'react';

let take: (() => void) | undefined;
const heard = new Set<() => void>();

/** A newer version of the program lies ready on this phone; taking it loads the page anew. What waits to be sent stays. */
export function newerVersion(f: () => void) {
  take = f;
  for (const h of heard) h();
}

const listen = (f: () => void) => {
  heard.add(f);
  return () => void heard.delete(f);
};

/** Takes the newer version; undefined while there is none. */
export const useNewer = () => useSyncExternalStore(listen, () => take);
