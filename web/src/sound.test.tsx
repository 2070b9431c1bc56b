import { fireEvent, render, screen } from '@testing-library/react';
import type { ReactNode } from 'react';
import { describe, expect, it, vi } from 'vitest';
import { BudGlyph } from './drawing/BudGlyph';
import { FacingDial } from './drawing/FacingDial';
import { FeatureShape } from './drawing/FeatureShape';
import { StopLine } from './drawing/Gauge';
import { HeightStaff } from './drawing/HeightStaff';
import { percentOf } from './drawing/LightLayer';
import { acrossOf, Silhouette } from './drawing/Silhouette';
import { SizeCurve } from './drawing/SizeCurve';
import { neighbours, spacingSays } from './drawing/Spacing';
import { TopEnds } from './drawing/TopEnds';
import { WalkRound } from './drawing/WalkRound';
import { standingAt, type Limb } from './drawing/wood';
import { extentOf, type Ghost } from './drawing/YardPlan';
import { YearRing } from './drawing/YearRing';
import { ZoneBars, ZoneLines, type Zone } from './drawing/ZoneBars';
import { tree, bar, orchard } from './testing.test-data';

/** Draws it, and looks that every number of the drawing is one, and no length less than none. */
function sound(ui: ReactNode, svg = true) {
  const { container, unmount } = render(svg ? <svg>{ui}</svg> : ui);
  expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
  for (const e of container.querySelectorAll('rect, circle'))
    for (const k of ['width', 'height', 'r']) {
      const v = e.getAttribute(k);
      if (v !== null) expect(Number(v), `${k} of ${e.outerHTML}`).toBeGreaterThanOrEqual(0);
    }
  const text = container.textContent;
  unmount();
  return text;
}

const limb = (id: string, stations: number[], more: Partial<Limb> = {}) =>
  ({ id, stations, depth: 1, length_cm: 100, diameter_mm: 30, attach_cm: 40, ...more }) as Limb;
const upright = limb('T', [0, 0, 0, 4, 5, 0, 0, 100, 3, 4], { depth: 0 });
const level = limb('S1', [0, 0, 60, 2, 3, 90, 0, 60, 1, 2]);
const sheet = { scale: 1.5, x: 300, y: 400 };

describe('small drawings are sound', () => {
  it('the stop line, before anything is cut, past it, and where nothing may go', () => {
    const account = tree().account;
    for (const more of [
      {},
      { removed: 0, dormant: 0, summer: 0 },
      { limit: 0.2, removed: 0.9, dormant: 0.6, summer: 0.3 },
      { limit: 0, removed: 0, dormant: 0, summer: 0 },
    ])
      sound(<StopLine account={{ ...account, ...more }} />, false);
  });

  it('the height staff, of a tree of no known height, and of one far above reach', () => {
    for (const [heightM, reachM, capM] of [
      [0, 2.1, 0],
      [2.1, 2.1, 2.4],
      [9, 1.4, 0.5],
      [0.3, 0, 0],
    ] as const)
      sound(<HeightStaff x={20} foot={90} heightM={heightM} reachM={reachM} capM={capM} capLabel="cap" />);
  });

  it('a dial, whichever way the bud looks', () => {
    for (let bearing = 0; bearing < 360; bearing += 45)
      for (const rise of [-1, -0.3, 0, 0.5, 1])
        sound(<FacingDial x={10} y={10} bearing={bearing} rise={rise} outward={90} sure={rise > 0} />);
  });

  it('each kind of bud has a shape, one that is not known too', () => {
    for (const kind of ['leaf', 'flower', 'mixed', 'spur', 'latent', 'blind', 'end', ''])
      for (const up of [true, false]) sound(<BudGlyph kind={kind} up={up} seen={up} />);
  });

  it('the ring of a year, with windows that pass its ends', () => {
    for (const bars of [
      [],
      [bar({ opens: '2025-01-01', closes: '2029-01-01' })],
      [bar({ opens: '2026-11-01', closes: '2026-11-01' }), bar({ id: 'x', mark: 'pick' })],
    ])
      sound(<YearRing cx={20} cy={20} r={14} bars={bars} from="2026-11-01" to="2027-10-31" day="2027-10-31" />);
  });

  it('every kind of thing on the plot, of many points or of one', () => {
    const points = [
      { x: 0, y: 0 },
      { x: 4, y: 0 },
      { x: 4, y: 3 },
    ];
    const kinds = ['wall', 'power-line', 'fence', 'hedge', 'path', 'shed', 'house', 'tree', 'water', 'bed', 'other'];
    for (const kind of kinds)
      for (const n of [0, 1, 2, 3])
        sound(
          <FeatureShape
            f={{ id: 'f', kind, name: 'It', points: points.slice(0, n) } as never}
            X={(m) => 20 * m}
            Y={(m) => 100 - 20 * m}
            s={20}
          />,
        );
  });
});

describe('a tree in a few strokes', () => {
  it('fits its picture, wide or high, and is drawn of nothing', () => {
    sound(<Silhouette lines={[upright.stations, level.stations]} bearing={180} top={100} reach={212} />, false);
    sound(<Silhouette lines={[]} bearing={0} top={0} reach={0} />, false);
    const across = acrossOf([upright.stations, level.stations]);
    expect(across).toBe(90);
    const { container } = render(
      <Silhouette lines={[level.stations]} bearing={180} top={60} reach={100} across={across} />,
    );
    const xs = [...(container.querySelectorAll('path')[2]?.getAttribute('d') ?? '').matchAll(/[ML](-?[\d.]+)/g)];
    for (const [, x] of xs) {
      expect(Number(x)).toBeGreaterThanOrEqual(0);
      expect(Number(x)).toBeLessThanOrEqual(54);
    }
    expect(xs).toHaveLength(2);
  });

  it('is walked round by keys and by dragging', () => {
    const [onTurn, onTurning] = [vi.fn(), vi.fn()];
    render(<WalkRound limbs={[upright, level]} bearing={350} size={180} onTurn={onTurn} onTurning={onTurning} />);
    const dial = screen.getByRole('slider', { name: /Walk round/ });
    expect(dial).toHaveAttribute('aria-valuetext', '350 degrees, looking S');
    for (const [key, to] of [
      ['ArrowRight', 355],
      ['ArrowLeft', 345],
      ['PageUp', 35],
      ['PageDown', 305],
    ] as const) {
      fireEvent.keyDown(dial, { key });
      expect(onTurn).toHaveBeenLastCalledWith(to);
    }
    fireEvent.keyDown(dial, { key: 'x' });
    expect(onTurn).toHaveBeenCalledTimes(4);
    dial.setPointerCapture = vi.fn();
    dial.getBoundingClientRect = () => ({ left: 0, top: 0, width: 180, height: 180 }) as DOMRect;
    fireEvent.pointerMove(dial, { clientX: 180, clientY: 90, pointerId: 1 });
    expect(onTurning).not.toHaveBeenCalled();
    fireEvent.pointerDown(dial, { clientX: 180, clientY: 90, pointerId: 1 });
    expect(onTurning).toHaveBeenLastCalledWith(90);
    fireEvent.pointerUp(dial, { clientX: 90, clientY: 180, pointerId: 1 });
    expect(onTurn).toHaveBeenLastCalledWith(180);
  });

  it('says at each top who takes over and where it ends, as far as there is room', () => {
    const top = (id: string, more: object = {}) => ({
      limb: id,
      now_cm: 300,
      this_cm: 210,
      done_cm: 210,
      end: [0, 0, 210] as [number, number, number],
      says: '',
      ...more,
    });
    const draw = (...tops: ReturnType<typeof top>[]) =>
      sound(
        <TopEnds
          tops={tops}
          limbs={[upright, level]}
          view={standingAt(180)}
          sheet={sheet}
          width={800}
          says={(cm) => `${String(cm)} cm`}
        />,
      );
    expect(draw(top('T', { heir: 'S1' }))).toBe('S1 takes over, ends 210 cm');
    expect(draw(top('T', { this_cm: 0 }))).toBe('');
    expect(draw(top('T', { this_cm: 298 }))).toBe('');
    expect(draw(top('T'), top('S1'))).toBe('ends 210 cm'); // two at one place: one tag
    expect(draw(top('T', { later: 'S1' }), top('S9', { heir: 'gone', later: 'gone', end: [150, 0, 180] }))).toContain(
      'gone takes over',
    );
  });
});

describe('shares by height', () => {
  const zone = (name: string, more: Partial<Zone> = {}): Zone =>
    ({ name, says: `${name} says.`, starts: '', from_cm: 0, to_cm: 70, most: 0.2, used: 0, slip: 0, ...more }) as Zone;

  it('stand with the top third on top, and are told in words', () => {
    render(<ZoneBars zones={[zone('low'), zone('middle'), zone('top', { used: 0.1, slip: 0.15 })]} />);
    const all = screen.getByRole('img');
    expect(all).toHaveAccessibleName('low says. middle says. top says.');
    expect(all.textContent).toMatch(/^top.*25 % of 20 %.*middle.*0 % of 20 %.*low/);
  });

  it('are sound when all of a third may go, or more than all is taken', () => {
    for (const z of [
      [],
      [zone('low', { most: 1, used: 1, slip: 1 })],
      [zone('low', { most: 0 })],
      [zone('low', { used: 0.9, slip: 0.9 })],
    ]) {
      sound(<ZoneBars zones={z} />, false);
      sound(<ZoneLines zones={z} sheet={sheet} width={600} />);
    }
  });
});

describe('the size of fruit by their number', () => {
  const points = [
    { fruit: 10, g: 220 },
    { fruit: 40, g: 160 },
    { fruit: 90, g: 90 },
  ];
  const says = (keep: number, on?: number, units: 'metric' | 'us' = 'metric') => {
    const { container, unmount } = render(
      <SizeCurve points={points as never} keep={keep} on={on} width={390} units={units} />,
    );
    expect(container.innerHTML).not.toMatch(/NaN|Infinity/);
    const out = screen.getByRole('img').getAttribute('aria-label') ?? '';
    unmount();
    return out;
  };
  const grams = (keep: number) => Number(/about (\d+) g/.exec(says(keep))?.[1]);

  it('is read between its points, and never grows with more of them', () => {
    expect(says(40, 90)).toBe('With 40 left each weighs about 160 g; with all 90 left, about 90 g');
    expect(says(25)).toBe('With 25 left each weighs about 190 g');
    expect(says(40, undefined, 'us')).toBe('With 40 left each weighs about 5.6 oz');
    for (let n = 0; n < 120; n += 5) expect(grams(n + 5)).toBeLessThanOrEqual(grams(n));
  });

  it('holds its ends beyond them, and is nothing of one point', () => {
    expect([grams(0), grams(500)]).toEqual([220, 90]);
    const { container } = render(
      <SizeCurve points={points.slice(0, 1) as never} keep={3} on={undefined} width={390} units="metric" />,
    );
    expect(container).toBeEmptyDOMElement();
  });
});

describe('a tree that is placed', () => {
  const ghost = (more: Partial<Ghost> = {}): Ghost => ({
    id: 'new',
    x: 0,
    y: 0,
    spreadM: 3,
    form: 'open-vase',
    code: 'N',
    ...more,
  });
  const at = (id: string, x: number, y: number, more: object = {}) =>
    tree({ id, code: id.toUpperCase(), x, y, spread_m: 3, ...more });

  it('is told from its nearest, nearest first, and whether crowns will touch', () => {
    const trees = [at('far', 20, 0), at('b', 4, 0), at('a', 0, 2.5), at('new', 0, 0)];
    expect(neighbours(ghost(), trees).map((n) => [n.t.id, n.touch])).toEqual([
      ['a', true],
      ['b', false],
    ]);
    expect(spacingSays(ghost(), trees, 'metric')).toBe('From the nearest: A 2.5 m, crowns will touch; B 4 m.');
    expect(spacingSays(ghost(), [at('far', 20, 0)], 'metric')).toBe('No tree stands near.');
    expect(
      neighbours(
        ghost(),
        Array.from({ length: 9 }, (_, k) => at(`t${String(k)}`, k + 1, 0)),
      ),
    ).toHaveLength(4);
  });

  it('touches a flat tree along its wires and not across them', () => {
    const flat = { form: 'wire-tiers', spread_m: 4 };
    expect(neighbours(ghost(), [at('e', 3, 0, flat)])[0]?.touch).toBe(true);
    expect(neighbours(ghost(), [at('n', 0, 3, flat)])[0]?.touch).toBe(false);
    expect(neighbours(ghost(), [at('here', 0, 0)])[0]?.touch).toBe(true);
  });

  it('lies on ground that holds all trees, with an outline or without one', () => {
    const none = { ...orchard, plot: { ...orchard.plot, outline: [] } };
    expect(extentOf(none, [])).toEqual({ x0: 0, y0: 0, x1: 12, y1: 8 });
    const e = extentOf(none, [at('w', -3, 2), at('e', 30, 14)]);
    expect(e.x0).toBeLessThanOrEqual(-4.5);
    expect(e.x1).toBeGreaterThanOrEqual(31.5);
    expect(e.y1).toBeGreaterThanOrEqual(15.5);
    expect(extentOf(orchard, [at('out', 50, 50)])).toEqual({ x0: 0, x1: 10, y0: 0, y1: 6 });
  });

  it('is shaded by shares that keep a decimal while they are small', () => {
    expect([0, 0.004, 0.094, 0.095, 0.5, 1].map(percentOf)).toEqual([
      '0.0 %',
      '0.4 %',
      '9.4 %',
      '10 %',
      '50 %',
      '100 %',
    ]);
  });
});
