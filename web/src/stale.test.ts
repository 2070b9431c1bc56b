import { QueryClient } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { benchAsked } from './bench/queries';
import { placesAsked, slipAsked } from './bench/slip/queries';
import { docketAsked, planAsked } from './shared/queries';
import { isAccess, mapped, wrote } from './shared/stale';

const slug = 'lower-terrace';
const day = '2027-02-20';
const c1 = { slug, id: 'C1', day };
const slip = { ...c1, revision: 3, season: undefined };
const plan = planAsked(slug, day).queryKey;
const docket = docketAsked(slug, day).queryKey;
const bench = benchAsked(c1).queryKey;
const ahead = benchAsked(c1, 3).queryKey;
const slipC1 = slipAsked(slip).queryKey;
const places = placesAsked(slip, 'S1', 'remove').queryKey;
const others = slipAsked({ ...slip, id: 'C2' }).queryKey;

function filled(): QueryClient {
  const client = new QueryClient();
  for (const key of [plan, docket, bench, ahead, slipC1, places, others])
    client.setQueryData<unknown>(key, 'as it was');
  return client;
}
const stale = (client: QueryClient, key: readonly unknown[]) => client.getQueryState(key)?.isInvalidated;

describe('what a write makes stale', () => {
  it('is all but what it answered itself', async () => {
    const client = filled();
    await wrote(client, [[docket, 'as it is']]);
    expect(client.getQueryData<unknown>(docket)).toBe('as it is');
    expect(stale(client, docket)).toBe(false);
    for (const key of [plan, bench, slipC1]) expect(stale(client, key)).toBe(true);
  });

  it('is, of a limb map, the plan and the docket too, and nothing of the map before is kept', async () => {
    const client = filled();
    await mapped(client, 'C1', [bench, 'corrected']);
    expect(client.getQueryData<unknown>(bench)).toBe('corrected');
    expect(stale(client, bench)).toBe(false);
    expect(stale(client, plan)).toBe(true);
    expect(stale(client, docket)).toBe(true);
    for (const key of [slipC1, places, ahead]) expect(client.getQueryData<unknown>(key)).toBeUndefined();
    expect(stale(client, others)).toBe(true);
  });

  it('is said in one place only', () => {
    const sources = import.meta.glob('./**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });
    for (const [path, text] of Object.entries(sources)) {
      if (path.includes('stale')) continue;
      expect(String(text), path).not.toContain('invalidateQueries');
      expect(String(text), path).not.toContain('removeQueries');
    }
  });
});

describe('a read', () => {
  it('is kept under what is asked: another day, limb or revision is another answer', () => {
    const keys = [plan, docket, bench, ahead, slipC1, places, others, slipAsked({ ...slip, revision: 4 }).queryKey];
    expect(new Set(keys.map((k) => JSON.stringify(k))).size).toBe(keys.length);
    expect(keys.some(isAccess)).toBe(false);
  });

  it('is keyed by hand nowhere', () => {
    const sources = import.meta.glob('./**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });
    const byHand = Object.entries(sources).filter(
      ([path, text]) => !path.includes('test') && /queryKey: \[[^,]/.test(String(text)),
    );
    expect(byHand.map(([path]) => path)).toEqual(['./place/draft.ts']); // a place is shaped from a draft, not read
  });
});
