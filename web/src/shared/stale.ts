import type { QueryClient, QueryKey } from '@tanstack/react-query';

/** An answer that a write brought along: it is shown at once, not asked for again. */
export type Answered = readonly [QueryKey, unknown];

/** What a tree's limb map is drawn and reckoned from; answers of the map before are not shown for the one after. */
const ofTheMap = ['slip', 'compare', 'years', 'why', 'after', 'places'];

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
export function mapped(client: QueryClient, slug: string, id: string, bench: Answered): Promise<void> {
  for (const what of ofTheMap) client.removeQueries({ queryKey: [what, slug, id] });
  for (const ahead of [1, 3]) client.removeQueries({ queryKey: [...bench[0], ahead] });
  return wrote(client, [bench]);
}

/** An answer was refused for want of a session: who one is gets asked again, and the gate comes up. */
export const refusedEntry = (client: QueryClient): Promise<void> => client.invalidateQueries({ queryKey: ['access'] });
