import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { ask, type Schemas } from '../shared/api';
import type { Day } from '../shared/day';

export type SheetOf = Schemas['SheetBody'];
export type Stop = Schemas['StopBody'];
export type SheetJob = Schemas['SheetJobBody'];

/** The walk of a day in the minutes one has; 0: all there is. */
export const sheetAsked = (slug: string, day: Day, minutes: number) =>
  ask.queryOptions(
    'get',
    '/api/orchards/{slug}/sheet',
    { params: { path: { slug }, query: { day, minutes } } },
    { placeholderData: keepPreviousData },
  );

export const useSheet = (slug: string, day: Day, minutes: number) => useQuery(sheetAsked(slug, day, minutes));
