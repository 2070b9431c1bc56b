import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, need, type Schemas } from '../../shared/api';
import type { Day } from '../../shared/day';
import { wrote } from '../../shared/stale';

export type Slip = Schemas['SlipBody'];
export type Step = Schemas['StepBody'];
export type Place = Schemas['SpotBody'];
export type Waiting = Schemas['CarriedBody'];
export type CutAt = Schemas['CutAt'];
export type Group = Schemas['GroupBody'];
export type Years = Schemas['SlipYearsBody'];
export type Season = 'dormant' | 'summer';

/** A slip: of a tree, on a day, made from a revision of its map, in a season; none: that of the day. */
export interface Asking {
  slug: string;
  id: string;
  day: Day;
  revision: number;
  season: Season | undefined;
}

/** The tree, day and season of a slip, as the api takes them. */
export const params = (a: Asking) => ({
  path: { slug: a.slug, id: a.id },
  query: { day: a.day, ...(a.season ? { season: a.season } : {}) },
});

/** What is asked, and of which revision: of another one it is asked anew. */
const of = (a: Asking) => ({ params: params(a), revision: a.revision });

export const slipAsked = (a: Asking) => ask.queryOptions('get', '/api/orchards/{slug}/trees/{id}/map/slip', of(a));

export function useSlip(a: Asking, enabled: boolean) {
  return useQuery({
    ...slipAsked(a),
    placeholderData: (previous) => (previous && enabled ? previous : undefined),
    enabled,
  });
}

export function useDecide(a: Asking) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { choice: 'taken' | 'left' | 'moved' | 'open'; findings: Step['findings']; cut?: CutAt }) =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/map/slip/choices', { params: params(a), body })),
    onSuccess: (slip) => {
      void wrote(client, [[slipAsked(a).queryKey, slip]]);
    },
  });
}

export const placesAsked = (a: Asking, limb: string, aim: Step['aim']) =>
  ask.queryOptions('get', '/api/orchards/{slug}/trees/{id}/map/slip/places/{limb}', {
    params: {
      path: { slug: a.slug, id: a.id, limb },
      query: { day: a.day, aim, ...(a.season ? { season: a.season } : {}) },
    },
    revision: a.revision,
  });

export const usePlaces = (a: Asking, limb: string, aim: Step['aim']) =>
  useQuery({ ...placesAsked(a, limb, aim), enabled: limb !== '' && aim !== '' });

export function useWhy(a: Asking, limb: string) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/map/slip/why/{limb}',
    { ...of(a), params: { path: { slug: a.slug, id: a.id, limb }, query: params(a).query } },
    { enabled: limb !== '' },
  );
}

export function useCompare(a: Asking, open: boolean) {
  return ask.useQuery('get', '/api/orchards/{slug}/trees/{id}/map/slip/compare', of(a), { enabled: open });
}

export function useYears(a: Asking, open: boolean) {
  return ask.useQuery('get', '/api/orchards/{slug}/trees/{id}/map/slip/years', of(a), { enabled: open });
}

/** The tree with its slip made, so many winters on. */
export function useAfter(a: Asking, ahead: number, open: boolean) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/map',
    { ...of(a), params: { path: { slug: a.slug, id: a.id }, query: { ...params(a).query, ahead, cut: true } } },
    { enabled: open },
  );
}

export interface Made {
  cut: CutAt;
  d_mm?: number;
}

/** Logs the cuts as made; the map, the account and the plan are read anew. */
export function useLogSlip(a: Asking) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { based_on: number; cuts: Made[]; minutes?: number; note?: string; reason?: string }) =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/map/slip/log', { params: params(a), body })),
    onSuccess: () => void wrote(client),
  });
}
