import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, ask, need, saying, type Schemas } from '../shared/api';
import { plain, type Day } from '../shared/day';
import { wrote } from '../shared/stale';

export type SeasonOf = Schemas['SeasonBody'];
export type StageRow = Schemas['StageRowBody'];
export type See = Schemas['SeeBody'];

export function useSeason(slug: string, id: string, day: Day) {
  return ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/season',
    { params: { path: { slug, id }, query: { day } } },
    { placeholderData: (was) => (was?.tree_id === id ? was : undefined), enabled: id !== '' && day !== '' },
  );
}

/** Logs a stage as seen on trees, one entry a tree; undone by taking the entries back. */
export function useSeen(slug: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async ({ trees, stage, day }: { trees: readonly string[]; stage: string; day: Day }) => {
      const ids: string[] = [];
      for (const tree_id of trees) {
        const got = await need(
          api.POST('/api/orchards/{slug}/entries', {
            params: { path: { slug } },
            body: saying({ id: crypto.randomUUID(), tree_id, date: day, kind: 'observed', stage }),
          }),
        );
        ids.push(got.entry.id);
      }
      return ids;
    },
    onSettled: () => wrote(client),
  });
}

export function useUnseen(slug: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (ids: readonly string[]) => {
      for (const id of ids)
        await need(api.DELETE('/api/orchards/{slug}/entries/{id}', { params: { path: { slug, id } } }));
    },
    onSettled: () => wrote(client),
  });
}

/** 11 to 18 April; 28 March to 2 April. */
export function span(early: Day, late: Day): string {
  if (early === late) return plain(early);
  if (early.slice(0, 7) === late.slice(0, 7) && /^\d/.test(plain(early)))
    return `${String(Number(early.slice(8)))} to ${plain(late)}`;
  return `${plain(early)} to ${plain(late)}`;
}

/** The hue of a part of the year. */
export const hues: Record<string, { line: string; wash: string; text: string }> = {
  rest: { line: 'var(--winter)', wash: 'var(--winter-wash)', text: 'var(--winter-text)' },
  bloom: { line: 'var(--spring)', wash: 'var(--spring-wash)', text: 'var(--spring-text)' },
  fruit: { line: 'var(--leaf)', wash: 'var(--leaf-wash)', text: 'var(--leaf)' },
  ripe: { line: 'var(--autumn)', wash: 'var(--autumn-wash)', text: 'var(--autumn-text)' },
};

export const first = (s: string) => s.charAt(0).toUpperCase() + s.slice(1);

/** Where days stand across a drawing. */
export interface Scale {
  x: (d: Day) => number;
  left: number;
  right: number;
  width: number;
  from: Day;
  to: Day;
  day: Day;
  phone: boolean;
}

export const path = (points: readonly (readonly [number, number])[]) =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`).join('');
