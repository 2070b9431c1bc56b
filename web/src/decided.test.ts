// @vitest-environment node
import { lineOf } from './bench/drawn';
import { declinationAt } from './bench/phone/north';
import { goingOf } from './bench/slip/going';
import type { Slip, Step } from './bench/slip/queries';
import { along, stationCount, type Limb } from './drawing/wood';
import type { Waiting } from './outbox/box';
import { cameSince, choiceOf, finished, movedTo, pausesOf, soFar } from './sheet/decided';

/** A straight limb that stands out level to the east. */
const limb = (id: string, parent: string, attach_cm: number, depth: number) =>
  ({ id, parent, attach_cm, depth, stations: [0, 0, 80, 2, 3, 50, 0, 80, 1.5, 2, 100, 0, 80, 1, 1] }) as Limb;

const step = (n: number, limbId: string, at_cm = 0, more: Partial<Step> = {}) =>
  ({
    n,
    title: `step ${String(n)}`,
    counted: 0.02,
    state: 'proposed',
    findings: [{ code: 'over_height', limb: limbId }],
    cut: { limb: limbId, at_cm, kind: 'thin' },
    ...more,
  }) as Step;

const slip = (steps: Step[], left: Slip['left'] = []) => ({ steps, left }) as unknown as Slip;

describe('the wood that goes', () => {
  const tree = [
    limb('T', '', 0, 0),
    limb('S1', 'T', 40, 1),
    limb('S1.1', 'S1', 30, 2),
    limb('S1.2', 'S1', 70, 2),
    limb('S1.2.1', 'S1.2', 10, 3),
    limb('S2', 'T', 60, 1),
  ];

  it('is none without a slip', () => {
    expect(goingOf(tree, undefined)).toEqual({ limbs: tree, going: new Map() });
  });

  it('is what lies beyond the cut, with all that hangs on it, and nothing before it', () => {
    const { limbs, going } = goingOf(tree, slip([step(1, 'S1', 55)]));
    expect([...going.keys()].sort()).toEqual(['S1', 'S1.2', 'S1.2.1']);
    expect(going.get('S1.2.1')).toEqual({ from: 0, n: 1 });
    const s1 = limbs.find((l) => l.id === 'S1');
    expect(stationCount(s1?.stations ?? [])).toBe(4);
    expect(going.get('S1')?.from).toBe(2);
    expect(limbs.find((l) => l.id === 'S1.1')).toBe(tree[2]);
  });

  it('is the whole limb where it is cut at its base', () => {
    for (const at of [0, -1]) {
      const { limbs, going } = goingOf(tree, slip([step(4, 'S1', at)]));
      expect([...going].map(([id, g]) => [id, g.from, g.n])).toEqual([
        ['S1', 0, 4],
        ['S1.1', 0, 4],
        ['S1.2', 0, 4],
        ['S1.2.1', 0, 4],
      ]);
      expect(limbs).toEqual(tree);
    }
  });

  it('begins at the lower of two cuts on one limb, whichever comes first', () => {
    for (const two of [
      [step(1, 'S1', 80), step(2, 'S1', 20)],
      [step(2, 'S1', 20), step(1, 'S1', 80)],
    ]) {
      const { going } = goingOf(tree, slip(two));
      expect(going.get('S1')?.n).toBe(2);
      expect(going.has('S1.1')).toBe(true);
    }
  });

  it('is none where spurs are thinned or a bud is notched', () => {
    for (const kind of ['spur_thin', 'notch'] as const)
      expect(
        goingOf(tree, slip([step(1, 'S1', 30, { cut: { limb: 'S1', at_cm: 30, kind } as Step['cut'] })])).going.size,
      ).toBe(0);
  });

  it('gets its station without bending the limb', () => {
    for (let cm = 1; cm < 100; cm += 7) {
      const { limbs } = goingOf(tree, slip([step(1, 'S2', cm)]));
      const s = limbs.find((l) => l.id === 'S2')?.stations ?? [];
      for (const at of [0, cm / 2, cm, 99]) expect(along(s, at)[0]).toBeCloseTo(at);
      for (let k = 1; k < stationCount(s); k++) expect(s[5 * k + 3]).toBeLessThanOrEqual(s[5 * k - 2] ?? 0);
    }
  });
});

describe('what was decided at the tree', () => {
  const tapped = (n: number, body: Record<string, unknown>, more: Partial<Waiting> = {}) =>
    ({ v: 1, seq: n, id: `w${String(n)}`, says: '', slug: 'o', tree: 't', path: '', at: '', body, ...more }) as Waiting;
  const of = (s: Step, choice: string, n = 1, more: Record<string, unknown> = {}) =>
    tapped(n, { choice, findings: s.findings, ...more });
  const one = step(1, 'S1', 40);
  const two = step(2, 'S2', 60);

  it('is as the program has it while nothing was tapped', () => {
    expect(choiceOf(one, slip([one, two]), [])).toBe('open');
    expect(choiceOf(one, slip([{ ...one, state: 'taken' }, two]), [])).toBe('taken');
    expect(choiceOf(one, slip([two], [{ finding: one.findings[0] }] as Slip['left']), [])).toBe('left');
    expect(choiceOf(one, slip([two]), [])).toBe('open');
  });

  it('is the last tap of this phone about the same finding', () => {
    const s = slip([one, two]);
    expect(choiceOf(one, s, [of(one, 'taken')])).toBe('taken');
    expect(choiceOf(one, s, [of(one, 'taken', 1), of(one, 'left', 2)])).toBe('left');
    expect(choiceOf(one, s, [of(one, 'taken', 1), of(one, 'open', 2)])).toBe('open');
    expect(choiceOf(two, s, [of(one, 'taken')])).toBe('open');
    expect(choiceOf(one, s, [of(one, 'moved', 1)])).toBe('taken');
  });

  it('does not count a tap that the program refused', () => {
    const refused = { ...of(one, 'taken'), held: { title: 'gone', status: 409 } as Waiting['held'] } as Waiting;
    expect(choiceOf(one, slip([one]), [refused])).toBe('open');
    expect(finished([{ ...tapped(1, { cuts: [] }), held: refused.held } as Waiting])).toBe(false);
    expect(finished([tapped(1, { cuts: [] })])).toBe(true);
    expect(finished([of(one, 'taken')])).toBe(false);
  });

  it('knows where a cut was made instead, and forgets it when the tap is taken back', () => {
    const elsewhere = { limb: 'S1', at_cm: 25, kind: 'thin' };
    const moved = { ...of(one, 'moved', 1, { cut: elsewhere }), told: 'S1 back to S1.2' };
    expect(movedTo(one, slip([one]), [])).toBeUndefined();
    expect(movedTo(one, slip([one]), [moved])).toEqual({ cut: elsewhere, title: 'S1 back to S1.2' });
    expect(movedTo(one, slip([one]), [moved, of(one, 'open', 2)])).toBeUndefined();
    const known = { ...one, moved: true, state: 'taken', title: 'S1 at its fork' } as Step;
    expect(movedTo(one, slip([known]), [])).toEqual({ cut: known.cut, title: 'S1 at its fork' });
    expect(movedTo(one, slip([{ ...known, state: 'proposed' }]), [])).toBeUndefined();
  });

  it('adds up to the share that counts and is off', () => {
    const steps = [one, two, step(3, 'S3', 10, { counted: 0 })];
    const s = slip(steps);
    expect(soFar(steps, s, [])).toBe(0);
    expect(soFar(steps, s, [of(one, 'taken', 1), of(two, 'left', 2)])).toBeCloseTo(0.02);
    expect(
      soFar(
        steps,
        s,
        steps.map((x, n) => of(x, 'taken', n)),
      ),
    ).toBeCloseTo(0.04);
  });

  it('tells the steps that came since one began', () => {
    const later = step(9, 'S5');
    expect(cameSince([one, two], slip([{ ...two, n: 1 }, later]))).toEqual([later]);
    expect(cameSince([one, two], slip([one, two]))).toEqual([]);
  });
});

describe('standing back', () => {
  const limbs = ['S1', 'S2'].flatMap((s) => [limb(s, 'T', 30, 1), limb(`${s}.1`, s, 20, 2), limb(`${s}.2`, s, 40, 2)]);
  const at = (...ids: string[]) =>
    pausesOf(
      ids.map((id, k) => step(k + 1, id, 10)),
      limbs,
    );

  it('comes when one goes on to another main limb', () => {
    expect([...at('S1', 'S1.1', 'S1.2', 'S2', 'S2.1')]).toEqual([3]);
  });

  it('does not come after a cut or two, and never at the end', () => {
    expect([...at('S1', 'S2', 'S1.1', 'S2.1', 'S1.2')]).toEqual([3]);
    expect([...at('S1', 'S1.1', 'S1.2')]).toEqual([]);
    expect([...at('S1')]).toEqual([]);
    expect([...at()]).toEqual([]);
  });
});

describe('a limb drawn by hand', () => {
  const drawn = { parent: 'S1', attachCm: 41.6, base: [0, 0, 100], tip: [100, 0, 200] } as const;

  it('is said as the quick line reads it, in the person’s units', () => {
    expect(lineOf(drawn, 'metric')).toBe('limb on S1, from 42 cm, bearing 90, 45 degrees, 141 cm long');
    expect(lineOf(drawn, 'us')).toMatch(/^limb on S1, from 16(\.\d)? in, bearing 90, 45 degrees, 55(\.\d)? in long$/);
  });

  it('has a bearing under a full circle', () => {
    expect(lineOf({ ...drawn, tip: [-0.1, 100, 100] }, 'metric')).toContain('bearing 0,');
    expect(lineOf({ ...drawn, tip: [-100, 0, 100] }, 'metric')).toContain('bearing 270, 90 degrees');
  });
});

describe('magnetic north', () => {
  it('lies a little off true north at most places, on either side', () => {
    expect(declinationAt(46, 14, '2027-02-20')).toBeGreaterThan(2);
    expect(declinationAt(46, 14, '2027-02-20')).toBeLessThan(8);
    expect(declinationAt(-33, 18, '2027-02-20')).toBeLessThan(-15);
    expect(Number.isFinite(declinationAt(46, 14, '2060-01-01'))).toBe(true);
  });
});
