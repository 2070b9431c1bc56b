import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import type { Asking } from '../bench/slip/queries';
import { outbox } from '../outbox/use';
import { api, need, type Schemas } from '../shared/api';
import { wrote } from '../shared/stale';

export type PageOf = Schemas['HelperPageBody'];
export type LinkOf = Schemas['HelperLinkBody'];
export type AnswerOf = Schemas['HelperAnswer'];

export const pageKey = (token: string) => ['help', token];

export function useHelperPage(token: string) {
  return useQuery({
    queryKey: pageKey(token),
    queryFn: () => need(api.GET('/api/help/{token}', { params: { path: { token } } })),
    refetchOnWindowFocus: false,
  });
}

/** An answer, kept on this phone first. */
export function answer(token: string, says: string, body: Omit<AnswerOf, 'id' | 'at' | 'entry'>) {
  const id = crypto.randomUUID();
  return outbox.add({
    id,
    says,
    slug: '',
    tree: token,
    path: `/api/help/${encodeURIComponent(token)}/answers`,
    body: { id, ...body },
    answers: pageKey(token),
  });
}

const params = (a: Asking) => ({
  path: { slug: a.slug, id: a.id },
  query: { day: a.day, ...(a.season ? { season: a.season } : {}) },
});

export function useHelperLinks(a: Asking, open: boolean) {
  return useQuery({
    queryKey: ['helpers', a.slug, a.id],
    queryFn: () =>
      need(api.GET('/api/orchards/{slug}/trees/{id}/helpers', { params: { path: { slug: a.slug, id: a.id } } })),
    enabled: open,
  });
}

export function useAskHelper(a: Asking) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { days: number; note?: string }) =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/helpers', { params: params(a), body })),
    onSuccess: () => wrote(client),
  });
}

export function useWithdraw(a: Asking) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (link: string) =>
      need(
        api.DELETE('/api/orchards/{slug}/trees/{id}/helpers/{link}', {
          params: { path: { slug: a.slug, id: a.id, link } },
        }),
      ),
    onSuccess: () => wrote(client),
  });
}

export function useTakeIn(a: Asking) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ link, steps }: { link: string; steps: number[] }) =>
      need(
        api.POST('/api/orchards/{slug}/trees/{id}/helpers/{link}/take-in', {
          params: { path: { slug: a.slug, id: a.id, link } },
          body: { steps },
        }),
      ),
    onSuccess: () => wrote(client),
  });
}

/** Links of the whole orchard; a helper is refused and asks no more. */
export function useAllHelperLinks(slug: string) {
  return useQuery({
    queryKey: ['helpers', slug],
    queryFn: () => need(api.GET('/api/orchards/{slug}/helpers', { params: { path: { slug } } })),
    retry: false,
  });
}
