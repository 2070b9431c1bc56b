import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, need, saying, type Said, type Schemas } from '../shared/api';
import type { Day } from '../shared/day';
import { useOfferUndo } from '../shared/undo';
import { wrote } from '../shared/stale';

export type Fruit = Schemas['FruitBody'];
export type FruitLimb = Schemas['FruitLimb'];
export type FruitSide = Schemas['FruitSide'];
export type Load = Schemas['LoadBody'];
export type Tally = Schemas['Tally'];
export type Tap = Schemas['Tap'];
export type Crop = Schemas['CropBody'];
export type TreeCrop = Schemas['TreeCrop'];
export type ClosePass = Schemas['Pass'];

export const fruitAsked = (slug: string, id: string, day: Day) =>
  ask.queryOptions('get', '/api/orchards/{slug}/trees/{id}/fruit', { params: { path: { slug, id }, query: { day } } });

export function useFruit(slug: string, id: string, day: Day, enabled = true) {
  return useQuery({
    ...fruitAsked(slug, id, day),
    placeholderData: (previous) => (previous?.tree.id === id ? previous : undefined),
    enabled: enabled && id !== '' && day !== '',
  });
}

export function useCrop(slug: string, day: Day) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/crop',
    { params: { path: { slug }, query: { day } } },
    { placeholderData: keepPreviousData, enabled: day !== '' },
  );
}

export const sendTaps = (slug: string, id: string, season: number, taps: Tap[]) =>
  need(
    api.POST('/api/orchards/{slug}/trees/{id}/fruit/taps', {
      params: { path: { slug, id } },
      body: { season, taps },
    }),
  );

export const sendPass = (slug: string, id: string, body: ClosePass) =>
  need(api.POST('/api/orchards/{slug}/trees/{id}/fruit/passes', { params: { path: { slug, id } }, body }));

/** Logs what was done or seen on a tree's fruit, and offers to undo it; everything shown is asked for again. */
export function useLogFruit(slug: string) {
  const client = useQueryClient();
  const offer = useOfferUndo();
  return useMutation({
    mutationFn: (body: Said & { tree_id: string }) =>
      need(api.POST('/api/orchards/{slug}/entries', { params: { path: { slug } }, body: saying(body) })),
    onSuccess: (r) => {
      offer({ id: r.entry.id, says: 'Logged.' });
      return wrote(client);
    },
  });
}
