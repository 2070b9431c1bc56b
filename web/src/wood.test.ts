// @vitest-environment node
import { spread } from './drawing/labels';
import { angleOf, arc, inYear, polar, shareOfYear } from './drawing/time';
import {
  along,
  baseOf,
  coarser,
  compass,
  depthOf,
  dot,
  extent,
  fade,
  farFirst,
  fromAbove,
  haloFrom,
  line,
  nearest,
  place,
  ribbon,
  scaffoldOf,
  standingAt,
  stationAt,
  stationCount,
  stretches,
  tipOf,
  toneOf,
  turned,
  type Limb,
  type Vec,
} from './drawing/wood';

/** The same numbers at every run. */
function drawn(seed: number) {
  let s = seed;
  return () => (s = (s * 1103515245 + 12345) % 2147483648) / 2147483648;
}

/** A limb that wanders outward and up. */
function wandering(seed: number, n = 6): number[] {
  const r = drawn(seed);
  const out: number[] = [];
  let [x, y, z] = [0, 0, 60];
  for (let k = 0; k < n; k++) {
    out.push(x, y, z, 3 - (2.5 * k) / n, n - 1 - k);
    x += 12 + 10 * r();
    y += 12 * (r() - 0.5);
    z += 6 + 12 * r();
  }
  return out;
}

const lengthOf = (s: readonly number[]) => {
  let sum = 0;
  for (let k = 1; k < stationCount(s); k++) {
    const [a, b] = [stationAt(s, k - 1), stationAt(s, k)];
    sum += Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  }
  return sum;
};

const sheet = { scale: 2, x: 300, y: 500 };
const bearings = Array.from({ length: 16 }, (_, k) => k * 22.5);
const limb = (id: string, more: Partial<Limb> = {}) => ({ id, stations: wandering(3), depth: 1, ...more }) as Limb;

describe('a way of looking', () => {
  it('has three directions square to each other, wherever one stands', () => {
    for (const v of [...bearings.map(standingAt), fromAbove]) {
      for (const [a, b] of [
        [v.right, v.up],
        [v.up, v.away],
        [v.right, v.away],
      ] as const)
        expect(dot(a, b)).toBeCloseTo(0);
      for (const a of [v.right, v.up, v.away]) expect(dot(a, a)).toBeCloseTo(1);
    }
  });

  it('has what points toward the one who looks before the trunk', () => {
    for (const b of bearings) {
      const toward: Vec = [100 * Math.sin((b * Math.PI) / 180), 100 * Math.cos((b * Math.PI) / 180), 0];
      expect(dot(toward, standingAt(b).away)).toBeCloseTo(-100);
      expect(place(toward, standingAt(b), sheet)).toEqual({
        x: expect.closeTo(sheet.x) as number,
        y: expect.closeTo(sheet.y) as number,
      });
    }
  });

  it('has east to the right of one who stands in the south, and north up from above', () => {
    expect(place([50, 0, 0], standingAt(180), sheet).x).toBeCloseTo(sheet.x + 100);
    expect(place([0, 50, 0], fromAbove, sheet).y).toBeCloseTo(sheet.y - 100);
  });

  it('never draws a limb longer than it is', () => {
    for (let seed = 1; seed < 20; seed++) {
      const s = wandering(seed);
      for (const b of bearings) {
        const [p, q] = [place(stationAt(s, 0), standingAt(b), sheet), place(stationAt(s, 5), standingAt(b), sheet)];
        expect(Math.hypot(q.x - p.x, q.y - p.y)).toBeLessThanOrEqual(sheet.scale * lengthOf(s) + 1e-6);
      }
    }
  });
});

describe('a place along a limb', () => {
  it('is found again by where it is drawn', () => {
    for (let seed = 1; seed < 20; seed++) {
      const s = wandering(seed);
      for (const part of [0, 0.2, 0.5, 0.83, 1]) {
        const cm = part * lengthOf(s);
        const got = nearest(s, place(along(s, cm), standingAt(180), sheet), standingAt(180), sheet);
        expect(got.px).toBeLessThan(0.01);
        expect(got.cm).toBeCloseTo(cm, 1);
      }
    }
  });

  it('is its base at nothing and its tip beyond its end', () => {
    const l = limb('S1');
    expect(along(l.stations, 0)).toEqual(baseOf(l));
    expect(along(l.stations, 1e6)).toEqual(tipOf(l));
  });
});

describe('wood by its age', () => {
  it('is of this year in summer and of last year in winter, the same ring', () => {
    expect([0, 1, 2, 3, 9].map((a) => toneOf(a, 'dormant'))).toEqual(['this', 'last', 'two', 'old', 'old']);
    expect([0, 1, 2, 3, 9].map((a) => toneOf(a, 'summer'))).toEqual(['this', 'this', 'last', 'two', 'old']);
  });

  it('covers a limb from end to end without a gap, each stretch of another tone than the one before', () => {
    for (let seed = 1; seed < 20; seed++)
      for (const dead of [undefined, 0, 25, 1000]) {
        const s = stretches(
          { stations: wandering(seed), ...(dead === undefined ? {} : { dead_from_cm: dead }) },
          'dormant',
        );
        expect(s[0]?.from).toBe(0);
        expect(s.at(-1)?.to).toBe(5);
        for (let k = 1; k < s.length; k++) {
          expect(s[k]?.from).toBe(s[k - 1]?.to);
          expect(s[k]?.tone).not.toBe(s[k - 1]?.tone);
        }
        expect(s.some((x) => x.tone === 'dead')).toBe(dead !== undefined && dead < 100);
        if (dead === 0) expect(s).toHaveLength(1);
      }
  });
});

describe('the outline of a limb', () => {
  it('is a closed ribbon of two sides, no thinner than it can be seen', () => {
    const thin = [0, 0, 0, 0.01, 1, 0, 0, 100, 0.01, 0];
    const numbers = (ribbon(thin, 0, 1, standingAt(180), sheet).match(/-?[\d.]+/g) ?? []).map(Number);
    expect(numbers).toHaveLength(8);
    const xs = numbers.filter((_, k) => k % 2 === 0);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(1.4);
    expect(ribbon(wandering(2), 0, 5, standingAt(90), sheet)).toMatch(/^M.*Z$/);
  });

  it('is coarser on the move, and keeps its ends', () => {
    const s = wandering(4, 12);
    for (const every of [1, 2, 3, 5, 20]) {
      const c = coarser(s, 1, 11, every);
      expect(stationAt(c, 0)).toEqual(stationAt(s, 1));
      expect(stationAt(c, stationCount(c) - 1)).toEqual(stationAt(s, 11));
      expect(stationCount(c)).toBe(Math.ceil(10 / every) + 1);
    }
  });

  it('has a middle line from the station asked for', () => {
    expect(line(wandering(5), standingAt(180), sheet).match(/[ML]/g)).toHaveLength(6);
    expect(line(wandering(5), standingAt(180), sheet, 4).match(/[ML]/g)).toHaveLength(2);
  });

  it('has its halo begin clear of the wood it stands on', () => {
    const s = wandering(6);
    const k = haloFrom(s, 8);
    const [b, p] = [stationAt(s, 0), stationAt(s, k)];
    expect(Math.hypot(p[0] - b[0], p[1] - b[1], p[2] - b[2])).toBeGreaterThan(18);
    expect(haloFrom(s, 1e4)).toBe(stationCount(s));
  });
});

describe('a tree in depth', () => {
  const out = (id: string, y: number) => limb(id, { stations: [0, 0, 50, 2, 1, 0, y, 50, 1, 0] });
  const limbs = [out('near', -80), out('middle', 5), out('far', 80)];

  it('is painted from the far side, seen from either', () => {
    expect(farFirst(limbs, standingAt(180)).map((l) => l.id)).toEqual(['far', 'middle', 'near']);
    expect(farFirst(limbs, standingAt(0)).map((l) => l.id)).toEqual(['near', 'middle', 'far']);
  });

  it('pales with the distance and no further', () => {
    const tones = farFirst(limbs, standingAt(180)).map((l) => fade(depthOf(l, standingAt(180)), 80));
    expect(tones).toEqual([...tones].sort((a, b) => b - a));
    for (const d of [-1e4, -80, 0, 80, 1e4]) expect(fade(d, 80)).toBeLessThanOrEqual(0.44);
    expect(fade(1e4, 80)).toBe(0.44);
    expect(fade(50, 0)).toBe(0);
  });

  it('reaches as far as its farthest limb, and is never a point', () => {
    expect(extent(limbs)).toEqual({ radius: 80, top: 50 });
    expect(extent([])).toEqual({ radius: 30, top: 50 });
  });

  it('knows the main limb that wood stands on, whatever is missing', () => {
    const all = new Map(
      [
        limb('T', { depth: 0 }),
        limb('S2', { parent: 'T' }),
        limb('S2.1', { depth: 2, parent: 'S2' }),
        limb('S2.1.3', { depth: 3, parent: 'S2.1' }),
      ].map((l) => [l.id, l]),
    );
    expect(scaffoldOf(all, 'S2.1.3')).toBe('S2');
    expect(scaffoldOf(all, 'S2')).toBe('S2');
    expect(scaffoldOf(all, 'S9.1')).toBe('S9.1');
  });
});

describe('a bearing', () => {
  it('has the name of its sixteenth of the compass, however often one has gone round', () => {
    expect([0, 45, 90, 180, 270, 348, 349].map(compass)).toEqual(['N', 'NE', 'E', 'S', 'W', 'NNW', 'N']);
    for (const b of bearings) for (const n of [-720, -360, 360, 1080]) expect(compass(b + n)).toBe(compass(b));
  });

  it('stays within one turn', () => {
    expect(turned(350, 15)).toBe(5);
    expect(turned(5, -15)).toBe(350);
    for (const b of bearings) expect(turned(turned(b, 15), -15)).toBeCloseTo(b);
  });
});

describe('labels', () => {
  const frame = { left: 0, right: 800, top: 0, bottom: 600 };
  const spots = (seed: number, n: number) => {
    const r = drawn(seed);
    return Array.from({ length: n }, (_, item) => ({ item, at: { x: 250 + 300 * r(), y: 150 + 300 * r() } }));
  };

  it('keep their distance and stay in the frame, each beside its own spot', () => {
    for (let seed = 1; seed < 12; seed++) {
      const got = spread(spots(seed, 14), 400, frame);
      expect(got.map((l) => l.item)).toEqual(Array.from({ length: 14 }, (_, k) => k));
      for (const a of got) {
        expect(a.label.x).toBeGreaterThanOrEqual(frame.left);
        expect(a.label.x).toBeLessThanOrEqual(frame.right);
        for (const b of got)
          if (a !== b) expect(Math.hypot(a.label.x - b.label.x, a.label.y - b.label.y)).toBeGreaterThan(24);
      }
    }
  });

  it('part even where spots are one', () => {
    const got = spread(
      [1, 2, 3].map((item) => ({ item, at: { x: 400, y: 300 } })),
      400,
      frame,
    );
    expect(new Set(got.map((l) => `${l.label.x.toFixed(0)} ${l.label.y.toFixed(0)}`)).size).toBe(3);
  });

  it('stand outward from the trunk', () => {
    const [left, right] = spread(
      [
        { item: 'l', at: { x: 300, y: 200 } },
        { item: 'r', at: { x: 500, y: 200 } },
      ],
      400,
      frame,
    );
    expect(left?.label.x).toBeLessThan(300);
    expect(right?.label.x).toBeGreaterThan(500);
  });

  it('come to the same every time', () => {
    expect(spread(spots(7, 20), 400, frame)).toEqual(spread(spots(7, 20), 400, frame));
  });
});

describe('the ring of a tree year', () => {
  const [from, to] = ['2026-11-01', '2027-10-31'];

  it('begins at its first day and ends before it begins again', () => {
    expect(shareOfYear(from, from, to)).toBe(0);
    expect(shareOfYear(to, from, to)).toBeLessThan(1);
    expect(shareOfYear('2027-11-01', from, to)).toBe(1);
    expect(angleOf('2027-05-03', from, to)).toBeCloseTo(180, 0);
  });

  it('runs clockwise from the top', () => {
    expect(polar(0, 0, 10, 0)).toEqual([expect.closeTo(0), -10]);
    expect(polar(0, 0, 10, 90)).toEqual([10, expect.closeTo(0)]);
  });

  it('takes the long way where a window is longer than half the year, and never closes on itself', () => {
    const flag = (a: number, b: number) => arc(0, 0, 10, a, b).split(' ')[4];
    expect(flag(10, 100)).toBe('0');
    expect(flag(10, 300)).toBe('1');
    const [start, end] = arc(0, 0, 10, 0, 360).split('A');
    expect(end).not.toContain(start?.slice(1));
  });

  it('shows of a window what lies in the year', () => {
    expect(inYear('2026-09-01', '2026-12-24', from, to)).toEqual([from, '2026-12-24']);
    expect(inYear('2027-09-01', '2028-02-01', from, to)).toEqual(['2027-09-01', to]);
    expect(inYear('2026-01-01', '2029-01-01', from, to)).toEqual([from, to]);
    expect(inYear('2026-08-01', '2026-10-31', from, to)).toBeUndefined();
    expect(inYear('2027-11-01', '2027-11-30', from, to)).toBeUndefined();
  });
});
