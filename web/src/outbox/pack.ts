import type { QueryClient } from '@tanstack/react-query';
import { benchAsked } from '../bench/queries';
import { placesAsked, slipAsked } from '../bench/slip/queries';
import { fruitAsked } from '../fruit/queries';
import { keep, kept } from '../shared/browser';
import type { Day } from '../shared/day';
import { docketAsked, metaAsked, orchardAsked, orchardsAsked, planAsked } from '../shared/queries';
import { sheetAsked } from '../sheet/queries';

/** What of a day lies on this phone. */
export interface Pack {
  slug: string;
  day: Day;
  at: number;
  trees: number;
  bytes: number;
}

const cacheName = 'vertumna-orchard';
const listed = 'vertumna-packs';
export const minutesAsked = [30, 120, 0] as const;

/** Whether this browser can keep a day at all. */
export const canPack = () => 'serviceWorker' in navigator && navigator.serviceWorker.controller !== null;

/** The days on this phone, the newest first. */
export function packs(): Pack[] {
  try {
    const list: Pack[] | null = JSON.parse(kept(listed) ?? '[]');
    return Array.isArray(list) ? list : [];
  } catch {
    return [];
  }
}

/**
 * Puts a day on this phone: its sheet, and of each tree on it the map, the slip and the count of fruit. All is asked for as the screens
 * ask, so that the answers that are kept are those they will want. Throws when one of them does not come.
 */
export async function pack(
  client: QueryClient,
  slug: string,
  day: Day,
  on: (done: number, of: number) => void,
): Promise<Pack> {
  const fresh = { staleTime: 0 };
  for (const minutes of minutesAsked) await client.fetchQuery({ ...sheetAsked(slug, day, minutes), ...fresh });
  const sheet = await client.fetchQuery(sheetAsked(slug, day, 0));
  await client.fetchQuery({ ...orchardsAsked, ...fresh });
  const { orchard } = await client.fetchQuery({ ...orchardAsked(slug), ...fresh });
  for (const units of new Set(['metric', orchard.units] as const))
    await client.fetchQuery({ ...metaAsked(units), ...fresh });
  await client.fetchQuery({ ...planAsked(slug, day), ...fresh });
  await client.fetchQuery({ ...docketAsked(slug, day), ...fresh });
  let done = 0;
  for (const stop of sheet.stops) {
    on(done, sheet.stops.length);
    const which = { slug, id: stop.tree_id, day };
    const bench = await client.fetchQuery({ ...benchAsked(which), ...fresh });
    if (bench.mapped) {
      const asking = { ...which, revision: bench.revision?.revision ?? 0, season: undefined };
      const slip = await client.fetchQuery({ ...slipAsked(asking), ...fresh });
      for (const s of slip.steps) await client.fetchQuery({ ...placesAsked(asking, s.cut.limb, s.aim), ...fresh });
    }
    await client.fetchQuery({ ...fruitAsked(slug, stop.tree_id, day), ...fresh });
    done += 1;
  }
  on(done, sheet.stops.length);
  const made = { slug, day, at: Date.now(), trees: sheet.stops.length, bytes: await size(slug, day) };
  keep(listed, JSON.stringify([made, ...packs().filter((p) => p.slug !== slug || p.day !== day)].slice(0, 12)));
  return made;
}

/** Takes a day off this phone. What waits to be sent stays. */
export async function unpack(p: Pack): Promise<void> {
  const cache = await caches.open(cacheName);
  for (const r of await cache.keys()) if (isOf(r.url, p.slug, p.day)) await cache.delete(r);
  keep(listed, JSON.stringify(packs().filter((x) => x.slug !== p.slug || x.day !== p.day)));
}

const isOf = (url: string, slug: string, day: Day) => {
  const u = new URL(url);
  return u.pathname.startsWith(`/api/orchards/${encodeURIComponent(slug)}/`) && u.searchParams.get('day') === day;
};

/** What a day takes on this phone, in bytes as they were told. */
async function size(slug: string, day: Day): Promise<number> {
  const cache = await caches.open(cacheName);
  let bytes = 0;
  for (const r of await cache.keys())
    if (isOf(r.url, slug, day)) bytes += (await (await cache.match(r))?.blob())?.size ?? 0;
  return bytes;
}
