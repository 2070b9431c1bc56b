import type { Drawn } from '../drawing/TreeDrawing';
import { show, unitOf, type Units } from '../shared/units';

const deg = 180 / Math.PI;

/** A limb drawn by hand, as the quick line says it: where it starts, where to it points, how steep it is, how long. */
export function lineOf(d: Drawn, units: Units): string {
  const [x, y, z] = [d.tip[0] - d.base[0], d.tip[1] - d.base[1], d.tip[2] - d.base[2]];
  const bearing = Math.round((Math.atan2(x, y) * deg + 360) % 360) % 360;
  const angle = Math.round(Math.atan2(Math.hypot(x, y), z) * deg);
  const length = (cm: number) => `${show(cm, 'cm', units)} ${unitOf('cm', units)}`;
  return `limb on ${d.parent}, from ${length(Math.round(d.attachCm))}, bearing ${String(bearing)}, ${String(angle)} degrees, ${length(Math.round(Math.hypot(x, y, z)))} long`;
}
