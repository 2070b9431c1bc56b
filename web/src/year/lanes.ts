import type { Bar } from '../shared/api';

/** Bars of one row laid in lanes so that none hides another. */
export function lanes(bars: readonly Bar[]): { bar: Bar; lane: number }[] {
  const ends: string[] = [];
  return [...bars]
    .sort((a, b) => (a.opens < b.opens ? -1 : 1))
    .map((bar) => {
      let lane = ends.findIndex((e) => e < bar.opens);
      if (lane < 0) {
        lane = ends.length;
        ends.push('');
      }
      ends[lane] = bar.closes;
      return { bar, lane };
    });
}
