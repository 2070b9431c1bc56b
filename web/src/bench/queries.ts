import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, isClash, need, type Schemas } from '../shared/api';
import type { Day } from '../shared/day';
import { mapped, wrote } from '../shared/stale';

export type Bench = Schemas['BenchBody'];
export type Finding = Schemas['FindingBody'];
export type Edit = Schemas['Edit'];
export type Shoot = Schemas['ShootBody'];
export type ShootNode = Schemas['NodeBody'];
export type Quick = Schemas['QuickBody'];
export type Sketch = Schemas['SketchInput'];
export type { Limb } from '../drawing/wood';

interface Which {
  slug: string;
  id: string;
  day: Day;
}

const params = ({ slug, id, day }: Which) => ({ path: { slug, id }, query: { day } });

export const benchAsked = (w: Which, ahead = 0) =>
  ask.queryOptions(
    'get',
    '/api/orchards/{slug}/trees/{id}/map',
    { params: { path: { slug: w.slug, id: w.id }, query: { day: w.day, ahead } } },
    {
      placeholderData: (previous) => (previous?.tree.id === w.id ? previous : undefined),
      enabled: w.id !== '' && w.day !== '',
    },
  );

export const useBench = (w: Which, ahead = 0) => useQuery(benchAsked(w, ahead));

/** Writes to the map answer with the whole bench, which is shown at once; what hangs on the map is asked for again. */
function useMapWrite<In>(w: Which, write: (input: In) => Promise<Bench>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: (bench) => {
      void mapped(client, w.id, [benchAsked(w).queryKey, bench]);
    },
    // somebody was quicker: their map is shown, and the write is not over before it is
    onError: (error) => (isClash(error) ? wrote(client) : undefined),
  });
}

export function useSketch(w: Which) {
  return useMapWrite(w, (body: { based_on: number; sketch: Sketch }) =>
    need(api.POST('/api/orchards/{slug}/trees/{id}/map/sketch', { params: params(w), body })),
  );
}

export function useEdits(w: Which) {
  return useMapWrite(w, (body: { based_on: number; edits: Edit[] }) =>
    need(api.POST('/api/orchards/{slug}/trees/{id}/map/edits', { params: params(w), body })),
  );
}

export function useCarry(w: Which) {
  return useMapWrite(w, (revision: number) =>
    need(api.POST('/api/orchards/{slug}/trees/{id}/map/carry', { params: params(w), body: { based_on: revision } })),
  );
}

export function useUndoMap(w: Which) {
  return useMapWrite(w, (revision: number) =>
    need(api.POST('/api/orchards/{slug}/trees/{id}/map/undo', { params: params(w), body: { revision } })),
  );
}

export function useImportMap(w: Which) {
  return useMapWrite(w, (body: { based_on: number; format: 'json' | 'csv'; text: string }) =>
    need(api.POST('/api/orchards/{slug}/trees/{id}/map/import', { params: params(w), body })),
  );
}

export function useQuickLine(w: Which, line: string, selected: string, revision: number) {
  return ask.useQuery(
    'post',
    '/api/orchards/{slug}/trees/{id}/map/line',
    { params: params(w), body: selected ? { line, selected } : { line }, revision },
    { placeholderData: keepPreviousData, enabled: line.trim() !== '' },
  );
}

export function useShoot(w: Which, limb: string, revision: number) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/map/limbs/{limb}',
    { params: { path: { slug: w.slug, id: w.id, limb }, query: { day: w.day } }, revision },
    { placeholderData: (previous) => (previous?.limb === limb ? previous : undefined), enabled: limb !== '' },
  );
}

/** What differs between two revisions; from 0: nothing is asked. */
export function useChanges(w: Which, from: number, to: number) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/map/compare',
    { params: { path: { slug: w.slug, id: w.id }, query: { from, to } } },
    { enabled: from > 0 && to > 0 },
  );
}

export type Way = Schemas['WayBody'];

/** The ways to answer a finding with a cut, the best first; without an aim nothing is asked. */
export function useWays(w: Which, revision: number, limb: string, aim: Finding['aim'] | '', atCm: number) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/map/limbs/{limb}/ways',
    {
      params: { path: { slug: w.slug, id: w.id, limb }, query: { day: w.day, aim: aim || 'remove', at_cm: atCm } },
      revision,
    },
    { enabled: aim !== '' && limb !== '' },
  );
}
