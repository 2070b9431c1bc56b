import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useDeferredValue } from 'react';
import { api, ask, need, type Schemas } from '../shared/api';
import { read, type Units } from '../shared/units';
import { readLatLon, type LatLon } from './coordinates';

export type Town = Schemas['TownBody'];
export type Near = Schemas['NearClimate'];
export type Place = Schemas['PlaceBody'];
export type Sight = Schemas['SightBody'];

/** What was said of a place so far. */
export interface Draft {
  /** As typed: a town, or coordinates. */
  text: string;
  /** Where it lies, once a town was taken or the browser said it; else as the text has it. */
  at: LatLon | undefined;
  /** Above the sea, as typed. */
  elev: string;
  /** The climate taken; empty: the one most like it. */
  climate: string;
  laterDays: number;
  warmerC: number;
}

export const blankDraft: Draft = { text: '', at: undefined, elev: '', climate: '', laterDays: 0, warmerC: 0 };

/** Where a draft lies: what was typed as coordinates counts, else the town taken. */
export const placeOf = (d: Draft): LatLon | undefined => readLatLon(d.text) ?? d.at;

/** The clock of the person's machine, without summer time: minutes ahead of Greenwich. */
export function clockOffset(): number {
  const year = new Date().getFullYear();
  const of = (month: number) => new Date(year, month, 1).getTimezoneOffset();
  return -Math.max(of(0), of(6));
}

/** Towns whose name begins so; asked for while a name is typed. */
export function useTowns(d: Draft) {
  const text = useDeferredValue(d.text.trim());
  return ask.useQuery(
    'get',
    '/api/towns',
    { params: { query: { q: text } } },
    { enabled: text.length > 1 && !placeOf(d) && readLatLon(text) === undefined, staleTime: Infinity },
  );
}

/** The climates most like a place, by latitude, distance and height. */
export function useClimates(at: LatLon | undefined, elevM: number | undefined) {
  return ask.useQuery(
    'get',
    '/api/climates',
    {
      params: {
        query: { lat: at?.lat ?? 0, lon: at?.lon ?? 0, ...(elevM === undefined ? {} : { elev: String(elevM) }) },
      },
    },
    { enabled: at !== undefined, placeholderData: keepPreviousData, retry: false },
  );
}

/** A place shaped from a draft, with what a grower sees of its year; and the climates it can start from. */
export function useDraftedPlace(d: Draft, name: string, units: Units) {
  const at = placeOf(d);
  const elevM = read(d.elev, 'm', units);
  const climates = useClimates(at, elevM);
  const near = climates.data?.find((n) => n.site.slug === d.climate) ?? climates.data?.[0];
  const later = useDeferredValue(d.laterDays);
  const warmer = useDeferredValue(d.warmerC);
  const place = useQuery({
    queryKey: ['place', at, elevM, near?.site.slug, near?.mirrored, later, warmer, name, units],
    queryFn: () =>
      need(
        api.POST('/api/place', {
          body: {
            base: near!.site, // oxlint-disable-line typescript/no-non-null-assertion -- enabled only with one
            name,
            lat: at?.lat ?? 0,
            lon: at?.lon ?? 0,
            utc_offset_min: clockOffset(),
            ...(elevM === undefined ? {} : { elev_m: elevM }),
            later_days: later,
            warmer_c: warmer,
            tell: true,
            units,
          },
        }),
      ),
    enabled: at !== undefined && near !== undefined,
    placeholderData: (previous) => (at ? previous : undefined),
    retry: false,
  });
  /** The answer is of what the draft says now: what is kept on the screen meanwhile is not to be acted on. */
  const settled =
    at === undefined ||
    (place.data !== undefined &&
      !place.isPlaceholderData &&
      !climates.isPlaceholderData &&
      later === d.laterDays &&
      warmer === d.warmerC);
  return { at, elevM, climates, near, place, settled };
}
