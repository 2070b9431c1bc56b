import { between, type Day } from '../shared/day';

/** One time scale for every screen: the share of the tree year gone by on a day, 0 at its first day. */
export function shareOfYear(day: Day, from: Day, to: Day): number {
  return between(from, day) / (between(from, to) + 1);
}

/** The angle of a day on the year ring: degrees clockwise from the top. */
export function angleOf(day: Day, from: Day, to: Day): number {
  return shareOfYear(day, from, to) * 360;
}

export function polar(cx: number, cy: number, r: number, deg: number): [number, number] {
  const a = ((deg - 90) * Math.PI) / 180;
  return [cx + r * Math.cos(a), cy + r * Math.sin(a)];
}

/** The path of an arc clockwise from one angle to another. */
export function arc(cx: number, cy: number, r: number, from: number, to: number): string {
  const end = Math.min(to, from + 359.9);
  const [x0, y0] = polar(cx, cy, r, from);
  const [x1, y1] = polar(cx, cy, r, end);
  return `M${x0.toFixed(2)} ${y0.toFixed(2)}A${String(r)} ${String(r)} 0 ${end - from > 180 ? 1 : 0} 1 ${x1.toFixed(2)} ${y1.toFixed(2)}`;
}

/** The part of a window that lies in the year shown, or nothing. */
export function inYear(opens: Day, closes: Day, from: Day, to: Day): [Day, Day] | undefined {
  if (closes < from || opens > to) return undefined;
  return [opens < from ? from : opens, closes > to ? to : closes];
}
