import type { Slip, Step } from '../bench/slip/queries';
import { scaffoldOf, type Limb } from '../drawing/wood';
import type { Waiting } from '../outbox/box';

export type Choice = 'taken' | 'left' | 'open';

const share = (a: Step['findings'], b: Step['findings']) =>
  a.some((f) => b.some((g) => g.code === f.code && g.limb === f.limb));

/** What waits here of a slip: a step's choice, with the findings that it answers. */
interface Decision {
  choice: Choice | 'moved';
  findings: Step['findings'];
  cut?: Step['cut'];
}

const isDecision = (body: object): body is Decision => 'choice' in body && 'findings' in body;

/** What was decided of a step: as the program has it now, or as it was tapped here since. */
export function choiceOf(step: Step, slip: Slip, waiting: readonly Waiting[]): Choice {
  const now = slip.steps.find((s) => share(s.findings, step.findings));
  let out: Choice = now?.state === 'taken' ? 'taken' : 'open'; // a cut made elsewhere is one that is made
  if (!now && slip.left.some((l) => share([l.finding], step.findings))) out = 'left';
  for (const w of waiting) {
    if (w.held || !isDecision(w.body) || !share(w.body.findings, step.findings)) continue;
    out = w.body.choice === 'moved' ? 'taken' : w.body.choice;
  }
  return out;
}

/** Where a step was cut, if elsewhere: as tapped here since, or as the program has it now. */
export function movedTo(step: Step, slip: Slip, waiting: readonly Waiting[]): Pick<Step, 'cut' | 'title'> | undefined {
  const now = slip.steps.find((s) => share(s.findings, step.findings));
  let out: Pick<Step, 'cut' | 'title'> | undefined;
  if (now?.moved && now.state === 'taken') out = { cut: now.cut, title: now.title };
  for (const w of waiting) {
    if (w.held || !isDecision(w.body) || !share(w.body.findings, step.findings)) continue;
    const { choice, cut } = w.body;
    out = choice === 'moved' && cut ? { cut, title: w.told ?? step.title } : undefined;
  }
  return out;
}

/** Whether the work at the tree was finished on this phone and waits to be sent. */
export const finished = (waiting: readonly Waiting[]) => waiting.some((w) => 'cuts' in w.body && !w.held);

/** The share of the crown that counts and is off by now. */
export const soFar = (steps: readonly Step[], slip: Slip, waiting: readonly Waiting[]) =>
  steps.reduce((sum, s) => (choiceOf(s, slip, waiting) === 'taken' ? sum + s.counted : sum), 0);

/** Steps that came since the walk round the tree began: what was left is answered by another cut. */
export const cameSince = (steps: readonly Step[], slip: Slip) =>
  slip.steps.filter((s) => !steps.some((o) => share(o.findings, s.findings)));

const fewCuts = 3;

/** After which steps one stands back and looks: when one goes on to another main limb, and not after every cut. */
export function pausesOf(steps: readonly Step[], limbs: readonly Limb[]): ReadonlySet<number> {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const out = new Set<number>();
  let since = 0;
  steps.forEach((s, i) => {
    since += 1;
    const next = steps[i + 1];
    if (!next || since < fewCuts || scaffoldOf(byId, s.cut.limb) === scaffoldOf(byId, next.cut.limb)) return;
    out.add(i + 1);
    since = 0;
  });
  return out;
}
