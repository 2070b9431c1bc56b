import type { Feature } from '../shared/api';

interface Props {
  f: Feature;
  X: (m: number) => number;
  Y: (m: number) => number;
  s: number;
}

function path(points: Feature['points'], X: Props['X'], Y: Props['Y'], close: boolean): string {
  return `M${points.map((p) => `${X(p.x).toFixed(1)} ${Y(p.y).toFixed(1)}`).join('L')}${close ? 'Z' : ''}`;
}

/** A wall, fence, path and the like on the plan, each with its own texture. */
export function FeatureShape({ f, X, Y, s }: Props) {
  const line = path(f.points, X, Y, false);
  const area = path(f.points, X, Y, true);
  const first = f.points[0];
  if (!first) return null;
  const middle = f.points.reduce((m, p) => ({ x: m.x + p.x / f.points.length, y: m.y + p.y / f.points.length }), {
    x: 0,
    y: 0,
  });
  const name = (x: number, y: number, anchor: 'start' | 'middle' = 'middle') =>
    f.name ? (
      <text className="halo" x={x} y={y} fontSize={12} textAnchor={anchor} style={{ fill: 'var(--quiet)' }}>
        {f.name}
      </text>
    ) : null;
  switch (f.kind) {
    case 'wall':
      return (
        <g aria-hidden="true">
          <path d={line} stroke="var(--quiet)" strokeWidth={0.32 * s} fill="none" strokeOpacity={0.35} />
          <path
            d={line}
            stroke="var(--ground)"
            strokeWidth={0.26 * s}
            fill="none"
            strokeDasharray={`${String(0.5 * s)} 1`}
          />
          <path d={line} stroke="var(--quiet)" strokeWidth={0.8} fill="none" />
        </g>
      );
    case 'power-line':
      return (
        <g>
          <title>power line</title>
          <path d={line} stroke="var(--autumn)" strokeWidth={1.6} strokeDasharray="10 4 2 4" fill="none" />
          {name(X(middle.x), Y(middle.y) - 6)}
        </g>
      );
    case 'fence':
      return (
        <g aria-hidden="true">
          <path d={line} stroke="var(--wood-two)" strokeWidth={1.6} fill="none" />
          <path
            d={line}
            stroke="var(--wood-old)"
            strokeWidth={6}
            fill="none"
            strokeDasharray={`6 ${String(1.4 * s)}`}
          />
        </g>
      );
    case 'hedge':
      return (
        <path
          aria-hidden="true"
          d={line}
          stroke="var(--leaf)"
          strokeWidth={0.35 * s}
          strokeOpacity={0.35}
          fill="none"
          strokeDasharray={`${String(0.3 * s)} 2`}
          strokeLinecap="round"
        />
      );
    case 'path':
      return (
        <g aria-hidden="true">
          <path
            d={line}
            stroke="var(--rule)"
            strokeWidth={(f.width_m ?? 0.8) * s}
            strokeOpacity={0.7}
            fill="none"
            strokeLinejoin="round"
          />
          <path
            d={line}
            stroke="url(#gravel)"
            strokeWidth={(f.width_m ?? 0.8) * s}
            fill="none"
            strokeLinejoin="round"
          />
          {s > 26 && name(X(first.x) + 10, Y(first.y) + 4, 'start')}
        </g>
      );
    case 'shade-tree':
    case 'water':
      return (
        <g aria-hidden="true">
          <circle
            cx={X(first.x)}
            cy={Y(first.y)}
            r={((f.width_m ?? 1) / 2) * s}
            fill={f.kind === 'water' ? 'var(--winter-wash)' : 'var(--rule)'}
            fillOpacity={0.7}
            stroke={f.kind === 'water' ? 'var(--winter)' : 'var(--rule-strong)'}
            strokeDasharray={f.kind === 'water' ? undefined : '3 2'}
          />
          {s > 26 && name(X(first.x), Y(first.y) + 4)}
        </g>
      );
    default:
      return (
        <g aria-hidden="true">
          <path
            d={area}
            fill={f.kind === 'bed' ? 'url(#earth)' : 'var(--ground)'}
            stroke="var(--wood-old)"
            strokeWidth={1.1}
          />
          {s > 26 && name(X(middle.x), Y(middle.y) + 4)}
        </g>
      );
  }
}
