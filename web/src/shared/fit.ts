import type { Schemas } from './api';
import type { Day } from './day';

/** Days in a row that are fit for a kind of work, or unfit for the same reason. */
export interface FitRun {
  from: Day;
  n: number;
  fit: boolean;
  why: string;
}

/** The days of a kind of work, those alike in a row told once. */
export function fitRuns(days: Schemas['FitRowBody']['days']): FitRun[] {
  const runs: FitRun[] = [];
  for (const { date, fit, why = '' } of days) {
    const last = runs.at(-1);
    if (last && last.fit === fit && last.why === why) last.n += 1;
    else runs.push({ from: date, n: 1, fit, why });
  }
  return runs;
}
