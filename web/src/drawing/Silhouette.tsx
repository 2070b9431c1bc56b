import { line, standingAt } from './wood';

interface Props {
  lines: readonly (readonly number[])[];
  bearing: number;
  /** The highest of the pictures side by side, cm: all are drawn to one scale. */
  top: number;
  reach: number;
  /** So many times the usual size. */
  times?: number;
  /** The farthest any of them reaches from its foot, cm: the scale leaves room for it. */
  across?: number;
}

/** How far a tree reaches from its foot, cm. */
export function acrossOf(lines: readonly (readonly number[])[]): number {
  let most = 0;
  for (const l of lines)
    for (let i = 0; i + 1 < l.length; i += 5) most = Math.max(most, Math.hypot(l[i] ?? 0, l[i + 1] ?? 0));
  return most;
}

const wide = 54;
const high = 62;

/** A tree in a few strokes, for a picture of its past. */
export function Silhouette({ lines, bearing, top, reach, times = 1, across = 0 }: Props) {
  const all = Math.max(top, reach) + 10;
  const scale = Math.min((high - 6) / all, across > 0 ? (wide / 2 - 1) / across : Infinity);
  const sheet = { scale, x: wide / 2, y: high - 4 };
  const view = standingAt(bearing);
  const y = sheet.y - reach * sheet.scale;
  return (
    <svg width={wide * times} height={high * times} viewBox={`0 0 ${String(wide)} ${String(high)}`} aria-hidden="true">
      <path d={`M0 ${y.toFixed(1)}H${String(wide)}`} stroke="var(--leaf)" strokeDasharray="3 2" />
      <path d={`M0 ${String(high - 4)}H${String(wide)}`} stroke="var(--ink)" />
      {lines.map((l, i) => (
        <path
          key={i}
          d={line(l, view, sheet)}
          fill="none"
          stroke="var(--wood-old)"
          strokeWidth={Math.max(0.5, (l[3] ?? 0) * 2 * sheet.scale)}
        />
      ))}
    </svg>
  );
}
