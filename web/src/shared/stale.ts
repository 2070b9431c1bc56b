import type { Query, QueryClient, QueryKey } from '@tanstack/react-query';
import type { paths } from './schema.gen';

/** An answer that a write brought along: it is shown at once, not asked for again. */
export type Answered = readonly [QueryKey, unknown];

const map = '/api/orchards/{slug}/trees/{id}/map';

/** What is reckoned from a tree's limb map; answers of the map before are not shown for the one after. */
const ofTheMap: readonly (keyof paths)[] = [
  `${map}/slip`,
  `${map}/slip/compare`,
  `${map}/slip/years`,
  `${map}/slip/why/{limb}`,
  `${map}/slip/places/{limb}`,
];

const within = (of: unknown, key: string): unknown =>
  typeof of === 'object' && of !== null ? Reflect.get(of, key) : undefined;

/** A question as the contract's client keys it: method, path, and what is asked. */
const asked = ({ queryKey: [, path, init] }: Pick<Query, 'queryKey'>) => {
  const params = within(init, 'params');
  return {
    path: String(path),
    id: within(within(params, 'path'), 'id'),
    ahead: Number(within(within(params, 'query'), 'ahead') ?? 0),
  };
};

/** Whether an answer was made from the map of a tree: its slip, or the tree as it comes. */
const madeFrom = (id: string) => (q: Pick<Query, 'queryKey'>) => {
  const a = asked(q);
  return a.id === id && (ofTheMap.some((p) => p === a.path) || (a.path === map && a.ahead > 0));
};

/**
 * What a write makes stale. Plan, docket, light, fruit and slips are made from one another, so any write makes all of them stale but
 * what it answered itself: shown screens ask at once, the others when they are opened.
 */
export function wrote(client: QueryClient, answered: readonly Answered[] = []): Promise<void> {
  const kept = new Set<string>();
  for (const [key, data] of answered) {
    client.setQueryData(key, data);
    kept.add(JSON.stringify(key));
  }
  return client.invalidateQueries({ predicate: (q) => !kept.has(JSON.stringify(q.queryKey)) });
}

/** A write to a tree's map, which answers with its bench: what was made from the map before goes, all else is stale. */
export function mapped(client: QueryClient, id: string, bench: Answered): Promise<void> {
  client.removeQueries({ predicate: madeFrom(id) });
  return wrote(client, [bench]);
}

/** An answer was refused for want of a session: who one is gets asked again, and the gate comes up. */
export const refusedEntry = (client: QueryClient): Promise<void> =>
  client.invalidateQueries({ predicate: (q) => isAccess(q.queryKey) });

/** Whether a question is who one is. */
export const isAccess = ([, path]: QueryKey): boolean => path === ('/api/access' satisfies keyof paths);
