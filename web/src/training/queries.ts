import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, need, type Schemas } from '../shared/api';
import type { Day } from '../shared/day';
import { wrote } from '../shared/stale';

export type Training = Schemas['TrainingBody'];
export type FormStep = Schemas['FormStepBody'];
export type Bend = Schemas['BendBody'];
export type BendAsked = Schemas['BendAsked'];
export type MainLimbs = Schemas['MainLimbsBody'];
export type Candidate = Schemas['CandidateBody'];
export type CandidateMark = Schemas['CandidateMark'];
export type Rig = Schemas['RigBody'];
export type RigDone = Schemas['RigDone'];
export type Wall = Schemas['WallBody'];
export type Planting = Schemas['PlantingBody'];
export type Notch = Schemas['NotchBody'];
export type Trial = Schemas['TrialBody'];
export type BudSeen = Schemas['BudSeen'];
export type Grafted = Schemas['GraftedBody'];

/** A tree of an orchard on a day. */
export interface Which {
  slug: string;
  id: string;
  day: Day;
}

const params = ({ slug, id, day }: Which) => ({ path: { slug, id }, query: { day } });

export function useTraining(w: Which) {
  return useQuery({
    queryKey: ['training', w.slug, w.id, w.day],
    queryFn: () => need(api.GET('/api/orchards/{slug}/trees/{id}/training', { params: params(w) })),
    placeholderData: keepPreviousData,
  });
}

/** A limb bent as it is asked for; while it is dragged the last answer stays. */
export function useBend(w: Which, asked: BendAsked | undefined) {
  return useQuery({
    queryKey: ['bend', w.slug, w.id, w.day, asked],
    queryFn: () =>
      need(
        api.POST('/api/orchards/{slug}/trees/{id}/training/bend', { params: params(w), body: asked ?? { limb: '' } }),
      ),
    placeholderData: (previous) => (previous?.limb === asked?.limb ? previous : undefined),
    enabled: asked !== undefined,
  });
}

/** The choice of main limbs with a person's own marks; without any it is the training's own. */
export function useChoice(w: Which, marks: CandidateMark[]) {
  return useQuery({
    queryKey: ['main-limbs', w.slug, w.id, w.day, marks],
    queryFn: () =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/training/choice', { params: params(w), body: { marks } })),
    placeholderData: keepPreviousData,
    enabled: marks.length > 0,
  });
}

/** The buds to wake with what a person saw of them; without a word it is the training's own. */
export function useNotches(w: Which, buds: BudSeen[]) {
  return useQuery({
    queryKey: ['notches', w.slug, w.id, w.day, buds],
    queryFn: () =>
      need(api.POST('/api/orchards/{slug}/trees/{id}/training/notches', { params: params(w), body: { buds } })),
    placeholderData: keepPreviousData,
    enabled: buds.length > 0,
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
  return useQuery({
    queryKey: ['devices', slug, day],
    queryFn: () => need(api.GET('/api/orchards/{slug}/devices', { params: { path: { slug }, query: { day } } })),
    placeholderData: keepPreviousData,
  });
}
