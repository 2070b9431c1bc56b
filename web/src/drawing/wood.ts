import type { Schemas } from '../shared/api';

export type Limb = Schemas['DrawnLimb'];

/** A way of looking at a tree: unit vectors to the right, up and away from the viewer; x east, y north, z up. */
export interface View {
  right: Vec;
  up: Vec;
  away: Vec;
}
/** A place, as the contract sends it: x east, y north, z up. */
export type Vec = readonly [number, number, number];

const rad = Math.PI / 180;

/** Seen from the ground by someone who stands at a bearing from the trunk and looks at it. */
export function standingAt(bearing: number): View {
  const s = Math.sin(bearing * rad);
  const c = Math.cos(bearing * rad);
  return { right: [-c, s, 0], up: [0, 0, 1], away: [-s, -c, 0] };
}

/** Seen from above, north up. */
export const fromAbove: View = { right: [1, 0, 0], up: [0, 1, 0], away: [0, 0, -1] };

export const dot = (a: Vec, b: Vec) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** How a drawing lies on the screen: pixels a centimetre, and where the trunk's base stands. */
export interface Sheet {
  scale: number;
  x: number;
  y: number;
}

export interface Spot {
  x: number;
  y: number;
}

export function place(p: Vec, view: View, sheet: Sheet): Spot {
  return { x: sheet.x + dot(p, view.right) * sheet.scale, y: sheet.y - dot(p, view.up) * sheet.scale };
}

/** Stations come as x, y, z, radius, age: five numbers each. */
const width = 5;

export const stationCount = (stations: readonly number[]) => stations.length / width;

export function stationAt(stations: readonly number[], k: number): Vec {
  const i = k * width;
  return [stations[i] ?? 0, stations[i + 1] ?? 0, stations[i + 2] ?? 0];
}

const ageAt = (stations: readonly number[], k: number) => stations[k * width + 4] ?? 1;

export function baseOf(l: Pick<Limb, 'stations'>): Vec {
  return stationAt(l.stations, 0);
}

export function tipOf(l: Pick<Limb, 'stations'>): Vec {
  return stationAt(l.stations, stationCount(l.stations) - 1);
}

/** The stretches of a limb: after station `k`, from `a` to `b`, `d` centimetres long. */
function* stretchesOf(stations: readonly number[]) {
  const n = stationCount(stations);
  for (let k = 0; k < n - 1; k++) {
    const a = stationAt(stations, k);
    const b = stationAt(stations, k + 1);
    yield { k, a, b, d: Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]) };
  }
}

/** Between which stations a place so many centimetres along a limb lies: after station `k`, by a share `t` of the way; beyond its end, at it. */
export function onStretch(stations: readonly number[], cm: number): { k: number; t: number } {
  let left = cm;
  for (const { k, d } of stretchesOf(stations)) {
    if (d >= left && d > 0) return { k, t: left / d };
    left -= d;
  }
  const n = stationCount(stations);
  return { k: Math.max(0, n - 2), t: n > 1 ? 1 : 0 };
}

/** The place so many centimetres along a limb, by the way along its stations. */
export function along(stations: readonly number[], cm: number): Vec {
  const { k, t } = onStretch(stations, cm);
  const a = stationAt(stations, k);
  const b = t > 0 ? stationAt(stations, k + 1) : a;
  return t === 1 ? b : [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
}

/** How far along a limb its line passes closest to a spot on the screen, and how close, in pixels. */
export function nearest(stations: readonly number[], spot: Spot, view: View, sheet: Sheet): { cm: number; px: number } {
  let best = { cm: 0, px: Infinity };
  let way = 0;
  for (const { a, b, d } of stretchesOf(stations)) {
    const p = place(a, view, sheet);
    const q = place(b, view, sheet);
    const l2 = (q.x - p.x) ** 2 + (q.y - p.y) ** 2;
    const t = l2 > 0 ? Math.max(0, Math.min(1, ((spot.x - p.x) * (q.x - p.x) + (spot.y - p.y) * (q.y - p.y)) / l2)) : 0;
    const px = Math.hypot(spot.x - p.x - t * (q.x - p.x), spot.y - p.y - t * (q.y - p.y));
    if (px < best.px) best = { cm: way + t * d, px };
    way += d;
  }
  return best;
}

/** A stretch of a limb of one age of wood, by its stations. */
export interface Stretch {
  from: number;
  to: number;
  tone: Tone;
}
export type Tone = 'this' | 'last' | 'two' | 'old' | 'dead';

export const toneColour: Record<Tone, string> = {
  this: 'var(--wood-this)',
  last: 'var(--wood-last)',
  two: 'var(--wood-two)',
  old: 'var(--wood-old)',
  dead: 'var(--wood-dead)',
};

/** The tone of wood so many seasons old: a summer map's youngest ring is this year's, a winter map's last year's. */
export function toneOf(age: number, season: string): Tone {
  const a = season === 'summer' ? age - 1 : age;
  return a <= 0 ? 'this' : a === 1 ? 'last' : a === 2 ? 'two' : 'old';
}

export function stretches(l: Pick<Limb, 'stations' | 'dead_from_cm'>, season: string): Stretch[] {
  const n = stationCount(l.stations);
  const dead = l.dead_from_cm ?? Infinity;
  const out: Stretch[] = [];
  let way = 0;
  for (let k = 0; k < n - 1; k++) {
    const tone = way >= dead - 0.5 ? 'dead' : toneOf(ageAt(l.stations, k), season);
    const last = out.at(-1);
    if (last?.tone === tone) last.to = k + 1;
    else out.push({ from: k, to: k + 1, tone });
    const a = stationAt(l.stations, k);
    const b = stationAt(l.stations, k + 1);
    way += Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
  }
  return out;
}

/** Wood is never drawn thinner than this. */
const leastHalf = 0.7;

/** A tenth of a pixel is as fine as wood is drawn. */
const fine = (v: number) => Math.round(v * 10) / 10;

/** A stretch of a limb as a filled ribbon. Written for speed: it runs for every limb in every frame of a turn. */
export function ribbon(stations: readonly number[], from: number, to: number, view: View, sheet: Sheet): string {
  const [rx, ry, rz] = view.right;
  const [ux, uy, uz] = view.up;
  const k = sheet.scale;
  let forth = '';
  let back = '';
  let ax = 0;
  let ay = 0;
  let nx = 0;
  let ny = 0;
  for (let j = from; j <= to; j++) {
    const i = j * width;
    const x0 = stations[i] ?? 0;
    const y0 = stations[i + 1] ?? 0;
    const z0 = stations[i + 2] ?? 0;
    const x = j === from ? sheet.x + (x0 * rx + y0 * ry + z0 * rz) * k : ax;
    const y = j === from ? sheet.y - (x0 * ux + y0 * uy + z0 * uz) * k : ay;
    if (j < to) {
      const x1 = stations[i + width] ?? 0;
      const y1 = stations[i + width + 1] ?? 0;
      const z1 = stations[i + width + 2] ?? 0;
      ax = sheet.x + (x1 * rx + y1 * ry + z1 * rz) * k;
      ay = sheet.y - (x1 * ux + y1 * uy + z1 * uz) * k;
      const dx = ax - x;
      const dy = ay - y;
      const l = Math.sqrt(dx * dx + dy * dy) || 1;
      nx = dy / l;
      ny = -dx / l;
    }
    const half = Math.max(leastHalf, (stations[i + 3] ?? 0) * k);
    forth += `${j === from ? 'M' : 'L'}${String(fine(x + nx * half))} ${String(fine(y + ny * half))}`;
    back = `L${String(fine(x - nx * half))} ${String(fine(y - ny * half))}${back}`;
  }
  return `${forth}${back}Z`;
}

const screenX = (s: readonly number[], i: number, r: Vec) =>
  (s[i] ?? 0) * r[0] + (s[i + 1] ?? 0) * r[1] + (s[i + 2] ?? 0) * r[2];
const screenY = (s: readonly number[], i: number, u: Vec) =>
  (s[i] ?? 0) * u[0] + (s[i + 1] ?? 0) * u[1] + (s[i + 2] ?? 0) * u[2];

/** Every so many stations of a stretch, its ends always among them: enough for wood on the move. */
export function coarser(stations: readonly number[], from: number, to: number, every: number): number[] {
  const out: number[] = [];
  for (let k = from; k <= to; k++)
    if (k === to || (k - from) % every === 0) out.push(...stations.slice(k * width, (k + 1) * width));
  return out;
}

/** The middle line of a limb, from station `from` on. */
export function line(stations: readonly number[], view: View, sheet: Sheet, from = 0): string {
  let out = '';
  const n = stationCount(stations);
  for (let k = from; k < n; k++) {
    const i = k * width;
    const x = sheet.x + screenX(stations, i, view.right) * sheet.scale;
    const y = sheet.y - screenY(stations, i, view.up) * sheet.scale;
    out += `${k === from ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
  }
  return out;
}

/** The first station far enough from the fork for a halo to start there. */
export function haloFrom(stations: readonly number[], parentRadius: number): number {
  const n = stationCount(stations);
  const b = stationAt(stations, 0);
  for (let k = 1; k < n; k++) {
    const p = stationAt(stations, k);
    if (Math.hypot(p[0] - b[0], p[1] - b[1], p[2] - b[2]) > 2 * parentRadius + 2) return k;
  }
  return n;
}

/** How far from the viewer a limb lies, cm beyond the trunk. */
export function depthOf(l: Pick<Limb, 'stations'>, view: View): number {
  const n = stationCount(l.stations);
  let sum = 0;
  for (let k = 0; k < n; k++) sum += dot(stationAt(l.stations, k), view.away);
  return sum / n;
}

/** Limbs in painter's order, far ones first. */
export function farFirst<T extends Pick<Limb, 'stations' | 'id'>>(limbs: readonly T[], view: View): T[] {
  const depth = new Map(limbs.map((l) => [l.id, depthOf(l, view)]));
  return [...limbs].sort((a, b) => (depth.get(b.id) ?? 0) - (depth.get(a.id) ?? 0));
}

/** How much of a limb's colour goes into the ground colour, 0 near to 0.44 far. */
export function fade(depth: number, reach: number): number {
  return reach <= 0 ? 0 : 0.44 * Math.max(0, Math.min(1, (depth + reach) / (2 * reach)));
}

/** The widest and highest a tree reaches, cm. */
export function extent(limbs: readonly Pick<Limb, 'stations'>[]): { radius: number; top: number } {
  let radius = 30;
  let top = 50;
  for (const l of limbs)
    for (let i = 0; i < l.stations.length; i += width) {
      radius = Math.max(radius, Math.hypot(l.stations[i] ?? 0, l.stations[i + 1] ?? 0));
      top = Math.max(top, l.stations[i + 2] ?? 0);
    }
  return { radius, top };
}

const names = ['N', 'NNE', 'NE', 'ENE', 'E', 'ESE', 'SE', 'SSE', 'S', 'SSW', 'SW', 'WSW', 'W', 'WNW', 'NW', 'NNW'];

/** A bearing as a point of the compass. */
export function compass(bearing: number): string {
  return names[Math.round((((bearing % 360) + 360) % 360) / 22.5) % 16] ?? 'N';
}

export const turned = (bearing: number, by: number) => (((bearing + by) % 360) + 360) % 360;

/** The main limb that a limb stands on, itself where it is one. */
export function scaffoldOf(byId: ReadonlyMap<string, Limb>, id: string): string {
  let l = byId.get(id);
  while (l && l.depth > 1) l = byId.get(l.parent ?? '');
  return l?.id ?? id;
}
