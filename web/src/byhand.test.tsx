import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { lineOf } from './bench/drawn';
import { Oddities } from './bench/Oddities';
import { keepPicture, keptPicture, scaled, type Picture } from './drawing/Beneath';
import { neighbours, spacingSays } from './drawing/Spacing';
import { show } from './testing.test-data';
import type { TreeSummary } from './shared/api';

describe('a limb drawn by hand', () => {
  const base = [10, 0, 100] as const;

  it('is told by where it points, how steep and how long it is', () => {
    const east = { parent: 'T', attachCm: 60.4, base, tip: [70, 0, 180] as const };
    expect(lineOf(east, 'metric')).toBe('limb on T, from 60 cm, bearing 90, 37 degrees, 100 cm long');
    expect(lineOf(east, 'us')).toBe('limb on T, from 23.6 in, bearing 90, 37 degrees, 39.4 in long');
  });

  it('points north-west, level and down as it was drawn', () => {
    const to = (tip: readonly [number, number, number]) => lineOf({ parent: 'S1', attachCm: 0, base, tip }, 'metric');
    expect(to([-40, 50, 100])).toContain('bearing 315, 90 degrees, 71 cm long');
    expect(to([10, -30, 60])).toContain('bearing 180, 143 degrees, 50 cm long');
  });
});

describe('what is odd on a map', () => {
  it('names its limb, also one whose name has points, and lights it', async () => {
    const choose = vi.fn();
    const odd = (field: string, says: string) => ({ field, says, code: 'W', given: '', expected: '' });
    show(
      <Oddities
        list={[odd('S4.5.diameter_mm', 'S4.5 is 20 mm thick.'), odd('T.diameter_mm', 'T is 80 mm thick.')]}
        onChoose={choose}
      />,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Show S4.5' }));
    expect(choose).toHaveBeenCalledWith('S4.5');
    expect(screen.getByRole('region', { name: 'Odd on the map' })).toHaveTextContent(
      /S4.5 is 20 mm thick.\s*T is 80 mm thick/,
    );
  });
});

describe('a picture beneath the plan', () => {
  const p: Picture = { data: 'data:image/jpeg;base64,', w: 1000, h: 500, x: 0, y: 10, mPerPx: 0.01, turn: 0 };
  const onPlan = (q: Picture, px: number, py: number) => ({ x: q.x + px * q.mPerPx, y: q.y - py * q.mPerPx });

  it('has the length it was given, and what was pressed first stays where it is', () => {
    const from = onPlan(p, 200, 100);
    const to = onPlan(p, 700, 100); // 5 m as it lies; it is 8 m long
    const q = scaled(p, from, 5, 8);
    expect(onPlan(q, 200, 100).x).toBeCloseTo(from.x);
    expect(onPlan(q, 200, 100).y).toBeCloseTo(from.y);
    expect(onPlan(q, 700, 100).x - from.x).toBeCloseTo((to.x - from.x) * 1.6);
  });

  it('is kept by its orchard, and what is no picture is none', () => {
    expect(keepPicture('a', p)).toBe(true);
    expect(keptPicture('a')).toEqual(p);
    expect(keptPicture('b')).toBeNull();
    localStorage.setItem('vertumna-beneath/b', '{"data":"javascript:1"}');
    expect(keptPicture('b')).toBeNull();
    keepPicture('a', null);
    expect(keptPicture('a')).toBeNull();
  });
});

describe('the spacing of a tree that is placed', () => {
  const tree = (id: string, x: number, spread_m: number) =>
    ({ id, code: id, x, y: 0, spread_m, form: '' }) as TreeSummary;
  const ghost = { id: 'me', x: 0, y: 0, spreadM: 2, form: '', code: 'me' };

  it('names the nearest first, leaves itself and the far out, and tells crowns that will touch', () => {
    const trees = [tree('C', 5, 2), tree('me', 0, 2), tree('B', 1.8, 2), tree('D', 30, 2)];
    expect(neighbours(ghost, trees).map((n) => n.t.id)).toEqual(['B', 'C']);
    expect(spacingSays(ghost, trees, 'metric')).toBe('From the nearest: B 1.8 m, crowns will touch; C 5 m.');
    expect(spacingSays(ghost, trees, 'us')).toBe('From the nearest: B 5 ft 11 in, crowns will touch; C 16 ft 5 in.');
    expect(spacingSays(ghost, [], 'metric')).toBe('No tree stands near.');
    const behind = { ...tree('W', 0, 4), y: 1.4, form: 'wire-tiers' }; // as deep as a hand
    expect(spacingSays(ghost, [behind], 'metric')).toBe('From the nearest: W 1.4 m.');
    expect(spacingSays(ghost, [{ ...behind, form: '' }], 'metric')).toBe(
      'From the nearest: W 1.4 m, crowns will touch.',
    );
  });
});
