import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, need, type Schemas } from '../shared/api';
import type { Day } from '../shared/day';
import { wrote } from '../shared/stale';

export type Training = Schemas['TrainingBody'];
export type FormStep = Schemas['FormStepBody'];
export type Bend = Schemas['BendBody'];
export type BendAsked = Schemas['BendAsked'];
export type MainLimbs = Schemas['MainLimbsBody'];
export type Candidate = Schemas['CandidateBody'];
export type CandidateMark = Schemas['ShootWord'];
export type Rig = Schemas['RigBody'];
export type RigDone = Schemas['RigDone'];
export type Wall = Schemas['WallBody'];
export type Planting = Schemas['PlantingBody'];
export type Notch = Schemas['NotchBody'];
export type Trial = Schemas['TrialBody'];
export type BudSeen = Schemas['BudWord'];
export type Words = Schemas['TrainingWords'];
export type Grafted = Schemas['GraftedBody'];

/** A tree of an orchard on a day. */
export interface Which {
  slug: string;
  id: string;
  day: Day;
}

const params = ({ slug, id, day }: Which) => ({ path: { slug, id }, query: { day } });

const trainingAsked = (w: Which) =>
  ask.queryOptions(
    'get',
    '/api/orchards/{slug}/trees/{id}/training',
    { params: params(w) },
    { placeholderData: keepPreviousData },
  );

export const useTraining = (w: Which) => useQuery(trainingAsked(w));

/** A limb bent as it is asked for; while it is dragged the last answer stays. */
export function useBend(w: Which, asked: BendAsked | undefined) {
  return ask.useQuery(
    'post',
    '/api/orchards/{slug}/trees/{id}/training/bend',
    { params: params(w), body: asked ?? { limb: '' } },
    {
      placeholderData: (previous) => (previous?.limb === asked?.limb ? previous : undefined),
      enabled: asked !== undefined,
    },
  );
}

/** What a person says of shoots and buds, kept with the tree; the training by it comes back. */
export function useSay(w: Which) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Words) =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/training/words', { params: params(w), body })),
    onSuccess: (training) => wrote(client, [[trainingAsked(w).queryKey, training]]),
  });
}

export function useLogRig(w: Which) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: RigDone) =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/training/devices', { params: params(w), body })),
    onSuccess: () => void wrote(client),
  });
}

export function useDevices(slug: string, day: Day) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/devices',
    { params: { path: { slug }, query: { day } } },
    { placeholderData: keepPreviousData },
  );
}
