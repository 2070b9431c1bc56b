import { describe, expect, it } from 'vitest';
import { render, screen, within } from '@testing-library/react';
import type { Limb } from './drawing/wood';
import { goingOf } from './bench/slip/going';
import { SlipGauge } from './bench/slip/SlipGauge';
import { limbByLimb, startLimb } from './bench/slip/SlipPanel';
import type { Slip, Step } from './bench/slip/queries';
import { drawnLimb } from './testing.test-data';

/** A straight upright limb of one metre from a place, or a level one. */
function limb(
  id: string,
  parent: string,
  depth: number,
  attach: number,
  from: [number, number, number],
  level = true,
): Limb {
  const stations: number[] = [];
  for (let s = 0; s <= 100; s += 10)
    stations.push(from[0] + (level ? s : 0), from[1], from[2] + (level ? 0 : s), 2 - s / 100, 2);
  return drawnLimb(id, stations, {
    parent,
    depth,
    attach_cm: attach,
    rings: [],
    azimuth_deg: 90,
    angle_base_deg: 60,
    angle_tip_deg: 60,
    diameter_mm: 30,
    share: 0.1,
    light: 0.5,
    flower_buds: 3,
  });
}

function step(n: number, on: string, at: number, z: number, more: Partial<Step> = {}): Step {
  return {
    n,
    mark: String(n),
    step: 4,
    state: 'proposed',
    moved: false,
    findings: [],
    letters: [],
    names: [],
    aim: 'remove',
    cut: { limb: on, kind: at > 0 ? 'side' : 'collar', at_cm: at },
    place: [0, 0, z],
    side: 'south',
    high: false,
    stand_deg: 180,
    d_mm: 20,
    share: 0.05,
    counted: 0.05,
    left_after: 0.1,
    minutes: 1,
    buds_within: 0,
    gain_cm: 0,
    forever: false,
    title: `step ${String(n)}`,
    where: '',
    how: '',
    why: '',
    cost: '',
    price: [],
    cautions: [],
    runners: [],
    ...more,
  };
}

const limbs = [
  limb('T', '', 0, 0, [0, 0, 0], false),
  limb('S1', 'T', 1, 60, [0, 0, 60]),
  limb('S1.1', 'S1', 2, 30, [30, 0, 60]),
  limb('S1.2', 'S1', 2, 80, [80, 0, 60]),
  limb('S2', 'T', 1, 90, [0, 0, 90]),
];

const slip = (steps: Step[], gauge: Partial<Slip['gauge']> = {}): Slip =>
  ({
    steps,
    season: 'dormant',
    gauge: {
      limit: 0.2,
      cap: 0.2,
      winter: 0,
      summer: 0,
      slip: 0.1,
      free: 0,
      account: 0.1,
      left: 0.1,
      exempt: false,
      says: 'says',
      zones: [],
      ...gauge,
    },
  }) as unknown as Slip;

describe('wood on the slip', () => {
  it('is hollow from the cut on, with all that hangs beyond it', () => {
    const { going, limbs: drawn } = goingOf(limbs, slip([step(1, 'S1', 55, 60)]));
    expect([...going.keys()].sort()).toEqual(['S1', 'S1.2']);
    expect(going.get('S1.2')).toEqual({ from: 0, n: 1 });
    const cut = drawn.find((l) => l.id === 'S1');
    const from = going.get('S1')?.from ?? 0;
    expect(cut?.stations[from * 5]).toBeCloseTo(55);
    expect(limbs.find((l) => l.id === 'S1')?.stations).toHaveLength(55);
  });
  it('goes whole with a limb off at its collar, and not at all when spurs are thinned', () => {
    expect([...goingOf(limbs, slip([step(1, 'S1', 0, 60)])).going.keys()].sort()).toEqual(['S1', 'S1.1', 'S1.2']);
    const thin = step(1, 'S1', 20, 60, { cut: { limb: 'S1', kind: 'spur_thin', at_cm: 20, to_cm: 60 } });
    expect(goingOf(limbs, slip([thin])).going.size).toBe(0);
  });
});

describe('working orders', () => {
  it('limb by limb begins at the scaffold with the highest cut and goes down it', () => {
    const steps = [step(1, 'S1', 0, 60), step(2, 'S2', 0, 190), step(3, 'S1.1', 0, 120), step(4, 'S2', 40, 90)];
    expect(limbByLimb(steps, limbs).map((s) => s.n)).toEqual([2, 4, 3, 1]);
    expect(startLimb(steps, limbs), 'the limb whose work lies lowest').toBe('S1');
    expect(startLimb(steps.slice(0, 1), limbs), 'one limb only: there is nothing to choose').toBeUndefined();
  });
});

describe('the stop line', () => {
  it('tells what went, the part of winter, and the step chosen', () => {
    const { container } = render(
      <SlipGauge slip={slip([step(1, 'S1', 0, 60), step(2, 'S2', 0, 90)], { winter: 0.04, cap: 0.13 })} chosen={2} />,
    );
    expect(screen.getByRole('figure', { name: 'Stop line' })).toHaveTextContent('10 % on the slip, 4 % gone');
    expect(screen.getByRole('img', { name: 'says' })).toBeInTheDocument();
    expect(container).toHaveTextContent('Winter may take 13 %');
  });
  it('shows each third of the height under its own limit, the top one first', () => {
    const zone = (name: string, used: number, part: number, most: number, from: number) => ({
      name,
      used,
      slip: part,
      most,
      from_cm: from,
      to_cm: from + 80,
      says: `${name} says.`,
      starts: '1 m up',
    });
    const zones = [zone('low', 0.1, 0.05, 0.25, 60), zone('middle', 0, 0.3, 0.25, 140), zone('top', 0, 0.5, 0.8, 220)];
    render(<SlipGauge slip={slip([step(1, 'S1', 0, 60)], { zones })} chosen={0} />);
    const bars = screen.getByRole('img', { name: 'low says. middle says. top says.' });
    const rows = within(bars)
      .getAllByText(/% of/)
      .map((e) => e.textContent);
    expect(rows).toEqual(['50 % of 80 %', '30 % of 25 %', '15 % of 25 %']);
  });
  it('is lifted in formation', () => {
    render(<SlipGauge slip={slip([], { exempt: true, limit: 1 })} chosen={0} />);
    expect(screen.getByText(/Stop line lifted/)).toBeInTheDocument();
  });
});
