import { useSyncExternalStore } from 'react';

const narrow = '(max-width: 700px)';
const media = () => (typeof window.matchMedia === 'function' ? window.matchMedia(narrow) : undefined);

function subscribe(changed: () => void): () => void {
  const m = media();
  m?.addEventListener('change', changed);
  return () => m?.removeEventListener('change', changed);
}

/** Whether the page is as narrow as a phone; followed as it is turned. */
export const usePhone = (): boolean => useSyncExternalStore(subscribe, () => media()?.matches ?? false);
