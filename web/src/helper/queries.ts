import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { params, type Asking } from '../bench/slip/queries';
import { outbox } from '../outbox/use';
import { api, ask, need, type Schemas } from '../shared/api';
import { wrote } from '../shared/stale';

export type PageOf = Schemas['HelperPageBody'];
export type LinkOf = Schemas['HelperLinkBody'];
export type AnswerOf = Schemas['HelperAnswer'];

const pageAsked = (token: string) =>
  ask.queryOptions('get', '/api/help/{token}', { params: { path: { token } } }, { refetchOnWindowFocus: false });

export const useHelperPage = (token: string) => useQuery(pageAsked(token));

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
    answers: pageAsked(token).queryKey,
  });
}

export function useHelperLinks(a: Asking, open: boolean) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/helpers',
    { params: { path: { slug: a.slug, id: a.id } } },
    { enabled: open },
  );
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
  return ask.useQuery('get', '/api/orchards/{slug}/helpers', { params: { path: { slug } } }, { retry: false });
}
