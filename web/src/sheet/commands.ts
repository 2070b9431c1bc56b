import { slipAsked, type Asking, type Made, type Place, type Step } from '../bench/slip/queries';
import { outbox } from '../outbox/use';
import type { SheetJob, Stop } from './queries';

const pathOf = (a: Asking, end: string) =>
  `/api/orchards/${encodeURIComponent(a.slug)}/trees/${encodeURIComponent(a.id)}/map/slip/${end}?day=${a.day}`;

/** Decides about a step, on this phone first. */
export function decide(a: Asking, code: string, step: Step, choice: 'taken' | 'left' | 'open', seen = '') {
  const id = crypto.randomUUID();
  const done = {
    taken: 'cut',
    left: seen === 'not-found' ? 'not found' : seen === 'dead' ? 'found dead' : 'left',
    open: 'open again',
  };
  return outbox.add({
    id,
    says: `${code}, ${step.title}: ${done[choice]}`,
    slug: a.slug,
    tree: a.id,
    path: pathOf(a, 'choices'),
    body: { id, choice, findings: step.findings, ...(seen ? { seen } : {}) },
    answers: slipAsked(a).queryKey,
  });
}

/** Keeps that a step was cut elsewhere than the slip has it. */
export function cutElsewhere(a: Asking, code: string, step: Step, spot: Place) {
  const id = crypto.randomUUID();
  return outbox.add({
    id,
    says: `${code}, ${spot.title}: cut, in place of ${step.title}`,
    told: spot.title,
    slug: a.slug,
    tree: a.id,
    path: pathOf(a, 'choices'),
    body: { id, choice: 'moved', findings: step.findings, cut: spot.cut },
    answers: slipAsked(a).queryKey,
  });
}

/** Logs what was cut at a tree: one entry, and the map it leaves. */
export function finish(a: Asking, code: string, cuts: readonly Made[], minutes: number) {
  const id = crypto.randomUUID();
  return outbox.add({
    id,
    says: `${code}: ${String(cuts.length)} ${cuts.length === 1 ? 'cut' : 'cuts'} logged`,
    slug: a.slug,
    tree: a.id,
    path: pathOf(a, 'log'),
    body: { id, based_on: a.revision, cuts, ...(minutes > 0 ? { minutes } : {}) },
  });
}

/** Logs a job of the sheet that has no slip. */
export function did(slug: string, day: string, stop: Stop, job: SheetJob) {
  const id = crypto.randomUUID();
  return outbox.add({
    id,
    says: `${stop.code}: ${job.title}, done`,
    slug,
    tree: stop.tree_id,
    path: `/api/orchards/${encodeURIComponent(slug)}/entries`,
    body: {
      id,
      tree_id: stop.tree_id,
      date: day,
      kind: 'work',
      task: job.kind,
      task_id: job.task,
      outcome: 'done',
      minutes: job.minutes,
    },
  });
}
