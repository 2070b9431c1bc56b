import { QueryClient } from '@tanstack/react-query';
import { describe, expect, it } from 'vitest';
import { mapped, wrote } from './shared/stale';

const plan = ['plan', 'lower-terrace', '2027-02-20'];
const docket = ['docket', 'lower-terrace', '2027-02-20'];
const bench = ['bench', 'lower-terrace', 'C1', '2027-02-20'];
const years = ['years', 'lower-terrace', 'C1', '2027-02-20', 3];
const others = ['years', 'lower-terrace', 'C2', '2027-02-20', 1];

function filled(): QueryClient {
  const client = new QueryClient();
  for (const key of [plan, docket, bench, years, others, [...bench, 3]]) client.setQueryData(key, 'as it was');
  return client;
}
const stale = (client: QueryClient, key: string[] | (string | number)[]) => client.getQueryState(key)?.isInvalidated;

describe('what a write makes stale', () => {
  it('is all but what it answered itself', async () => {
    const client = filled();
    await wrote(client, [[docket, 'as it is']]);
    expect(client.getQueryData(docket)).toBe('as it is');
    expect(stale(client, docket)).toBe(false);
    for (const key of [plan, bench, years]) expect(stale(client, key)).toBe(true);
  });

  it('is, of a limb map, the plan and the docket too, and nothing of the map before is kept', async () => {
    const client = filled();
    await mapped(client, 'lower-terrace', 'C1', [bench, 'corrected']);
    expect(client.getQueryData(bench)).toBe('corrected');
    expect(stale(client, bench)).toBe(false);
    expect(stale(client, plan)).toBe(true);
    expect(stale(client, docket)).toBe(true);
    expect(client.getQueryData(years)).toBeUndefined();
    expect(client.getQueryData([...bench, 3])).toBeUndefined();
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
