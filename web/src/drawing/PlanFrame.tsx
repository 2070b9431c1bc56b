import { show, type Units } from '../shared/units';

/** The ground shown, metres. */
export interface Extent {
  x0: number;
  y0: number;
  x1: number;
  y1: number;
}

/** Patterns of the plan. */
export function PlanDefs() {
  return (
    <defs>
      <pattern id="hatch-leaf" width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V6" stroke="var(--leaf)" strokeWidth={0.9} strokeOpacity={0.5} />
      </pattern>
      <pattern id="gravel" width={9} height={9} patternUnits="userSpaceOnUse">
        <circle cx={2} cy={3} r={0.7} fill="var(--rule-strong)" />
        <circle cx={6.5} cy={7} r={0.6} fill="var(--rule-strong)" />
      </pattern>
      <pattern id="earth" width={7} height={7} patternUnits="userSpaceOnUse" patternTransform="rotate(30)">
        <path d="M0 0V7" stroke="var(--wood-two)" strokeWidth={0.8} strokeOpacity={0.6} />
      </pattern>
    </defs>
  );
}

/** A graduated border: black and white metres, as on a surveyor's sheet. */
export function PlanFrame({
  X,
  Y,
  e,
  units,
}: {
  X: (m: number) => number;
  Y: (m: number) => number;
  e: Extent;
  units: Units;
}) {
  const step = units === 'us' ? 0.3048 * 5 : 1;
  const label = units === 'us' ? 2 : 4;
  const along = (from: number, to: number) =>
    Array.from({ length: Math.max(0, Math.floor((to - from) / step + 1e-6)) }, (_, i) => from + i * step);
  return (
    <g aria-hidden="true">
      <rect
        x={X(e.x0) - 6}
        y={Y(e.y1) - 6}
        width={X(e.x1) - X(e.x0) + 12}
        height={Y(e.y0) - Y(e.y1) + 12}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.8}
      />
      <rect
        x={X(e.x0)}
        y={Y(e.y1)}
        width={X(e.x1) - X(e.x0)}
        height={Y(e.y0) - Y(e.y1)}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.8}
      />
      {along(e.x0, e.x1).map((m, i) => (
        <g key={m}>
          {i % 2 === 0 && <rect x={X(m)} y={Y(e.y0) + 0.5} width={X(step) - X(0)} height={5} fill="var(--ink)" />}
          {i % 2 === 0 && <rect x={X(m)} y={Y(e.y1) - 5.5} width={X(step) - X(0)} height={5} fill="var(--ink)" />}
          {i > 0 && i % label === 0 && (
            <text x={X(m)} y={Y(e.y1) - 10} fontSize={12} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
              {show(m - e.x0, 'm', units)}
            </text>
          )}
        </g>
      ))}
      {along(e.y0, e.y1).map((m, i) => (
        <g key={m}>
          {i % 2 === 0 && (
            <rect x={X(e.x0) - 5.5} y={Y(m + step)} width={5} height={Y(m) - Y(m + step)} fill="var(--ink)" />
          )}
          {i % 2 === 0 && (
            <rect x={X(e.x1) + 0.5} y={Y(m + step)} width={5} height={Y(m) - Y(m + step)} fill="var(--ink)" />
          )}
          {i > 0 && i % label === 0 && (
            <text x={X(e.x0) - 10} y={Y(m) + 4} fontSize={12} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
              {show(m - e.y0, 'm', units)}
            </text>
          )}
        </g>
      ))}
    </g>
  );
}

/** Room under the plan for its scale bar, pixels. */
export const scaleBarHeight = 14;

/** Three metres, or ten feet, in three parts. */
export function ScaleBar({ x, y, s, units }: { x: number; y: number; s: number; units: Units }) {
  const part = units === 'us' ? (10 * 0.3048) / 3 : 1;
  const w = part * s;
  const label = units === 'us' ? '10 ft' : '3 m';
  const x0 = x - 3 * w - 36;
  return (
    <g aria-hidden="true">
      {[0, 1, 2].map((i) => (
        <rect
          key={i}
          x={x0 + i * w}
          y={y - 4}
          width={w}
          height={5}
          fill={i === 1 ? 'var(--ground)' : 'var(--ink)'}
          stroke="var(--ink)"
          strokeWidth={0.8}
        />
      ))}
      <text x={x0 + 3 * w + 6} y={y + 2} fontSize={12} style={{ fill: 'var(--quiet)' }}>
        {label}
      </text>
    </g>
  );
}

/** Where north lies. */
export function NorthMark({ x, y, north }: { x: number; y: number; north: number }) {
  return (
    <g transform={`translate(${String(x)} ${String(y)}) rotate(${String(-north)})`} aria-hidden="true">
      <circle r={13} fill="var(--ground)" fillOpacity={0.9} stroke="var(--rule-strong)" strokeWidth={0.8} />
      <path d="M0 -11L3.5 2H-3.5Z" fill="var(--ink)" />
      <text y={11} textAnchor="middle" fontWeight={700} style={{ fontSize: 9 }}>
        N
      </text>
    </g>
  );
}
