import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, ask, need, type Entry, type Orchard, type Person, type Tree } from './api';
import type { Day } from './day';
import { wrote } from './stale';
import type { Units } from './units';

export const metaAsked = (units: Units) =>
  ask.queryOptions('get', '/api/meta', { params: { query: { units } } }, { staleTime: 60_000 });

/** What the screens know before any orchard, its texts in the person's units; metric until those are known. */
export const useMeta = (units: Units = 'metric') =>
  useQuery({ ...metaAsked(units), placeholderData: keepPreviousData });

export const orchardsAsked = ask.queryOptions('get', '/api/orchards');

export const useOrchards = () => useQuery(orchardsAsked);

export const orchardAsked = (slug: string) =>
  ask.queryOptions('get', '/api/orchards/{slug}', { params: { path: { slug } } }, { enabled: slug !== '' });

export const useOrchard = (slug: string) => useQuery(orchardAsked(slug));

const day = (slug: string, d: Day) => ({ params: { path: { slug }, query: { day: d } } });

export const planAsked = (slug: string, d: Day) =>
  ask.queryOptions('get', '/api/orchards/{slug}/plan', day(slug, d), {
    placeholderData: keepPreviousData,
    enabled: d !== '',
  });

export const usePlan = (slug: string, d: Day) => useQuery(planAsked(slug, d));

/** The yard in light; asked for only while its layer is shown. */
export function useYardLight(slug: string, d: Day, open: boolean) {
  return ask.useQuery('get', '/api/orchards/{slug}/light', day(slug, d), {
    placeholderData: keepPreviousData,
    enabled: open && d !== '',
  });
}

export const docketAsked = (slug: string, d: Day) =>
  ask.queryOptions('get', '/api/orchards/{slug}/docket', day(slug, d), {
    placeholderData: keepPreviousData,
    enabled: d !== '',
  });

export const useDocket = (slug: string, d: Day) => useQuery(docketAsked(slug, d));

export function useTreePlan(slug: string, id: string, d: Day) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/plan',
    { params: { path: { slug, id }, query: { day: d } } },
    {
      placeholderData: (previous) => (previous?.summary.id === id ? previous : undefined),
      enabled: id !== '' && d !== '',
    },
  );
}

export const useTrees = (slug: string) =>
  ask.useQuery('get', '/api/orchards/{slug}/trees', { params: { path: { slug } } });

export const useTreeVersions = (slug: string, id: string) =>
  ask.useQuery('get', '/api/orchards/{slug}/trees/{id}/versions', { params: { path: { slug, id } } });

export const useEntries = (slug: string, tree?: string) =>
  ask.useQuery('get', '/api/orchards/{slug}/entries', { params: { path: { slug }, query: tree ? { tree } : {} } });

export const usePeople = (slug: string) =>
  ask.useQuery('get', '/api/orchards/{slug}/people', { params: { path: { slug } } });

function useWrite<In, Out>(write: (input: In) => Promise<Out>) {
  const client = useQueryClient();
  return useMutation({ mutationFn: write, onSuccess: () => wrote(client) });
}

export function useSaveOrchard(slug: string) {
  return useWrite((orchard: Orchard) =>
    need(api.PUT('/api/orchards/{slug}', { params: { path: { slug } }, body: { version: orchard.version, orchard } })),
  );
}

export function useSaveTree(slug: string) {
  return useWrite((tree: Tree) =>
    tree.id === ''
      ? need(api.POST('/api/orchards/{slug}/trees', { params: { path: { slug } }, body: tree }))
      : need(
          api.PUT('/api/orchards/{slug}/trees/{id}', {
            params: { path: { slug, id: tree.id } },
            body: { version: tree.version, tree },
          }),
        ),
  );
}

export function useRemoveTree(slug: string) {
  return useWrite((id: string) =>
    need(api.DELETE('/api/orchards/{slug}/trees/{id}', { params: { path: { slug, id } } })),
  );
}

export function useLog(slug: string) {
  return useWrite((body: Entry) =>
    need(api.POST('/api/orchards/{slug}/entries', { params: { path: { slug } }, body })),
  );
}

export function useUndo(slug: string) {
  return useWrite((id: string) =>
    need(api.DELETE('/api/orchards/{slug}/entries/{id}', { params: { path: { slug, id } } })),
  );
}

export function useSavePerson(slug: string) {
  return useWrite((person: Person) =>
    person.id === ''
      ? need(api.POST('/api/orchards/{slug}/people', { params: { path: { slug } }, body: person }))
      : need(
          api.PUT('/api/orchards/{slug}/people/{id}', {
            params: { path: { slug, id: person.id } },
            body: { version: person.version, person },
          }),
        ),
  );
}
