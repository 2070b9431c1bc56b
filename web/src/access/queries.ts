import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, need } from '../shared/api';
import { wrote } from '../shared/stale';
import { outbox } from '../outbox/use';

/** Who one is to the program. Without a network nobody asks. */
const accessAsked = ask.queryOptions('get', '/api/access', undefined, { staleTime: 60_000, retry: false });

export const useAccess = () => useQuery(accessAsked);

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (passphrase: string) => need(api.POST('/api/access/sign-in', { body: { passphrase } })),
    onSuccess: async (said) => {
      await wrote(client, [[accessAsked.queryKey, said]]);
      void outbox.flush();
    },
  });
}

/** Signs out; what this device kept of the orchard goes, what waits to be sent stays. */
export function useSignOut() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (everywhere: boolean) => {
      await need(everywhere ? api.POST('/api/access/sign-out-everywhere') : api.POST('/api/access/sign-out'));
      if ('caches' in window) await caches.delete('vertumna-orchard');
    },
    onSuccess: () => {
      client.clear();
      window.location.assign('/');
    },
  });
}

export function useSetPassphrase() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ role, passphrase }: { role: 'owner' | 'helper'; passphrase: string }) =>
      need(api.PUT('/api/access/passphrases/{role}', { params: { path: { role } }, body: { passphrase } })),
    onSuccess: () => wrote(client),
  });
}
