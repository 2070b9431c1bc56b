import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, need, type Schemas } from '../shared/api';
import { addDays, toNumber, type Day } from '../shared/day';
import { wrote } from '../shared/stale';

export type Days = Schemas['DaysBody'];
export type Chosen = Schemas['ChosenBody'];
export type Dropped = Schemas['DroppedBody'];
export type DayCost = Schemas['DayCostBody'];

export const daysAsked = (slug: string, day: Day) =>
  ask.queryOptions(
    'get',
    '/api/orchards/{slug}/days',
    { params: { path: { slug }, query: { day } } },
    { placeholderData: keepPreviousData, enabled: day !== '' },
  );

export const useDays = (slug: string, day: Day) => useQuery(daysAsked(slug, day));

/** Sets a job on a day; no day gives the choice back to the planner. */
export function useSetDay(slug: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { task_id: string; day?: Day }) =>
      need(api.PUT('/api/orchards/{slug}/days', { params: { path: { slug } }, body })),
    onSuccess: (got) => wrote(client, [[daysAsked(slug, got.day).queryKey, got]]),
  });
}

/** What each day would cost a job; asked for while it is being moved. */
export function useDayCosts(slug: string, day: Day, task: string) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/days/costs',
    { params: { path: { slug }, query: { day, task_id: task } } },
    { enabled: task !== '' && day !== '' },
  );
}

export type OtherWindow = Schemas['OtherWindowBody'];

/** The windows as another school would have them; asked for while one is held against the plan. */
export function useOtherSchool(slug: string, day: Day, preset: string) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/plan/other',
    { params: { path: { slug }, query: { day, preset } } },
    { placeholderData: keepPreviousData, enabled: preset !== '' && day !== '' },
  );
}

export const weekDays = 7;
export const shownDays = 21;

/** The Monday of a day's week. */
export function monday(day: Day): Day {
  return addDays(day, -((toNumber(day) + 3) % weekDays)); // day 0 was a Thursday
}

/** 1 h 15, 45 min: to five minutes, as the program says them. */
export function minutes(exact: number): string {
  const m = exact > 0 ? Math.max(5, Math.round(exact / 5) * 5) : 0;
  const h = Math.floor(m / 60);
  const rest = m % 60;
  if (h === 0) return `${String(rest)} min`;
  return rest === 0 ? `${String(h)} h` : `${String(h)} h ${String(rest)}`;
}
