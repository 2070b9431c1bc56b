import type { Schemas } from '../shared/api';
import { say, type Units } from '../shared/units';

interface Props {
  points: readonly Schemas['SizePoint'][];
  keep: number;
  on: number | undefined;
  width: number;
  units: Units;
}

/** The size-load curve is our estimate: drawn with a hatched band this far to both sides. */
const band = 0.12;

/** Grams a fruit against the number left on the limb. */
export function SizeCurve({ points, keep, on, width, units }: Props) {
  if (points.length < 2) return null;
  const h = 150;
  const m = { left: 44, right: 12, top: 24, foot: 34 };
  const last = points.at(-1)?.fruit ?? 1;
  const gs = points.map((p) => p.g);
  const [low, high] = [Math.min(...gs) * (1 - 1.6 * band), Math.max(...gs) * (1 + 1.2 * band)];
  const x = (n: number) => m.left + ((n - 1) / Math.max(1, last - 1)) * (width - m.left - m.right);
  const y = (g: number) => m.top + ((high - g) / (high - low)) * (h - m.top - m.foot);
  const way = (k: number) => points.map((p) => `${x(p.fruit).toFixed(1)} ${y(p.g * k).toFixed(1)}`);
  const mine = at(points, keep);
  const all = on === undefined ? undefined : at(points, on);
  const ticks = [...new Set([1, Math.round(last / 3), Math.round((2 * last) / 3), last])];
  const anchor = x(keep) > width * 0.55 ? 'end' : 'start';
  return (
    <svg
      width={width}
      height={h}
      viewBox={`0 0 ${String(width)} ${String(h)}`}
      role="img"
      aria-label={`With ${String(keep)} left each weighs about ${say(mine, 'g', units)}${all === undefined ? '' : `; with all ${String(on)} left, about ${say(all, 'g', units)}`}`}
    >
      <defs>
        <pattern id="likely" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="var(--rule-strong)" strokeWidth={0.8} />
        </pattern>
      </defs>
      {[low + (high - low) * 0.2, (low + high) / 2, high - (high - low) * 0.2].map((g) => (
        <g key={g} fontSize={12} style={{ color: 'var(--quiet)' }}>
          <path d={`M${String(m.left)} ${String(y(g))}H${String(width - m.right)}`} stroke="var(--rule)" />
          <text x={m.left - 6} y={y(g) + 4} textAnchor="end">
            {say(g, 'g', units)}
          </text>
        </g>
      ))}
      <path
        d={`M${way(1 + band).join('L')}L${way(1 - band)
          .reverse()
          .join('L')}Z`}
        fill="url(#likely)"
        opacity={0.6}
      />
      <path d={`M${way(1).join('L')}`} fill="none" stroke="var(--leaf)" strokeWidth={2} />
      <path d={`M${String(x(keep))} ${String(y(mine))}V${String(h - m.foot)}`} stroke="var(--ink)" strokeWidth={1.5} />
      <circle cx={x(keep)} cy={y(mine)} r={4} fill="var(--ink)" />
      <text
        x={x(keep) + (anchor === 'end' ? -8 : 8)}
        y={y(mine) - 10}
        textAnchor={anchor}
        fontSize={13}
        fontWeight={700}
        className="halo"
      >
        {say(mine, 'g', units)} each
      </text>
      {ticks.map((n) => (
        <text key={n} x={x(n)} y={h - 16} textAnchor="middle" fontSize={12} style={{ color: 'var(--quiet)' }}>
          {n}
        </text>
      ))}
      <text x={width - m.right} y={h - 2} textAnchor="end" fontSize={12} style={{ color: 'var(--quiet)' }}>
        fruit left
      </text>
    </svg>
  );
}

function at(points: readonly Schemas['SizePoint'][], n: number): number {
  let before = points[0];
  for (const p of points) {
    if (p.fruit >= n) {
      if (!before || p.fruit === before.fruit) return p.g;
      return before.g + ((p.g - before.g) * (n - before.fruit)) / (p.fruit - before.fruit);
    }
    before = p;
  }
  return before?.g ?? 0;
}
