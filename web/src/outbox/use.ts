import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useSyncExternalStore } from 'react';
import { wrote } from '../shared/stale';
import { memoryShelf, Outbox, type Waiting } from './box';
import { browserShelf, post } from './post';

const hasDatabase = typeof indexedDB !== 'undefined';

/** The outbox of this browser. */
export const outbox = new Outbox(hasDatabase ? browserShelf() : memoryShelf(), post, memoryShelf);

export const useOutbox = () => useSyncExternalStore(outbox.subscribe, outbox.now);

/** What waits for a tree. */
export function useWaitingFor(slug: string, tree: string): readonly Waiting[] {
  const { waiting } = useOutbox();
  return useMemo(() => waiting.filter((w) => w.slug === slug && w.tree === tree), [waiting, slug, tree]);
}

/** Keeps the outbox going while the program is open, and the screens fresh with what it sent. */
export function useSending() {
  const client = useQueryClient();
  useEffect(() => {
    const off = outbox.onSent((w, data) => void wrote(client, w.answers ? [[w.answers, data]] : []));
    const again = () => {
      if (document.visibilityState === 'visible') void outbox.flush();
    };
    void outbox.open();
    window.addEventListener('online', again);
    document.addEventListener('visibilitychange', again);
    return () => {
      off();
      outbox.close();
      window.removeEventListener('online', again);
      document.removeEventListener('visibilitychange', again);
    };
  }, [client]);
}
