import { useSyncExternalStore } from 'react';
import { keptSince } from '../shared/api';
import { language } from '../shared/day';

const listen = (f: () => void) => {
  keptSince.heard.add(f);
  return () => void keptSince.heard.delete(f);
};

/** Since when the screens show what this phone kept, for want of a network; empty: they are fresh. */
export const useKeptSince = () => useSyncExternalStore(listen, () => keptSince.value);

/** A moment in this browser's words, 'Wednesday 10 March, 07:42'. */
export function moment(of: string | number): string {
  const t = new Date(of);
  if (Number.isNaN(t.getTime())) return 'earlier';
  return t.toLocaleString(language, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: '2-digit',
    minute: '2-digit',
  });
}

/** The same in short, '10 Mar, 07:42'. */
export function brief(of: string | number): string {
  const t = new Date(of);
  if (Number.isNaN(t.getTime())) return 'earlier';
  return t.toLocaleString(language, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
}
