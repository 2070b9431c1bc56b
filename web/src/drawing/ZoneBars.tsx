import type { Schemas } from '../shared/api';
import { percent } from '../shared/units';
import { gutter } from './treeFrame';
import type { Sheet } from './wood';

export type Zone = Schemas['ZoneBody'];

const w = 324;
const left = 116;
const row = 22;

/** The thirds of a tree's height under their own limits, the top one on top: what went this year, what the slip takes. */
export function ZoneBars({ zones }: { zones: readonly Zone[] }) {
  const x = (share: number) => left + Math.min(1, share) * (w - left - 8);
  const high = zones.length * row + 6;
  return (
    <svg
      className="zonebars"
      viewBox={`0 0 ${String(w)} ${String(high)}`}
      width="100%"
      role="img"
      aria-label={zones.map((z) => z.says).join(' ')}
    >
      {[...zones].reverse().map((z, i) => {
        const y = 4 + i * row;
        const over = z.used + z.slip > z.most + 0.0005;
        return (
          <g key={z.name}>
            <text x={4} y={y + 12} fontSize={12}>
              {z.name}
              <tspan className="q" fill="var(--quiet)">
                {' '}
                {z.starts}
              </tspan>
            </text>
            <rect x={left} y={y} width={w - left - 8} height={14} fill="none" stroke="var(--rule)" strokeWidth={0.8} />
            <rect x={left} y={y} width={x(z.most) - left} height={14} fill="var(--leaf-wash)" />
            <rect x={left} y={y} width={x(z.used) - left} height={14} fill="var(--wood-old)" />
            <rect
              x={x(z.used)}
              y={y}
              width={x(z.used + z.slip) - x(z.used)}
              height={14}
              fill="url(#slip-hatch)"
              stroke={over ? 'var(--autumn)' : 'var(--rule-strong)'}
              strokeWidth={over ? 1.6 : 0.6}
            />
            <path d={`M${String(x(z.most))} ${String(y - 3)}v20`} stroke="var(--ink)" strokeWidth={2.6} />
            <text
              x={x(z.most) > w - 60 ? x(z.most) - 5 : x(z.most) + 5}
              y={y + 12}
              fontSize={12}
              textAnchor={x(z.most) > w - 60 ? 'end' : 'start'}
              className="halo"
            >
              {percent(z.used + z.slip)} of {percent(z.most)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Where one third of the height ends and the next begins, on the drawing of the tree. */
export function ZoneLines({ zones, sheet, width }: { zones: readonly Zone[]; sheet: Sheet; width: number }) {
  const y = (cm: number) => sheet.y - cm * sheet.scale;
  return (
    <g role="presentation" pointerEvents="none">
      {zones.map((z, i) => (
        <g key={z.name}>
          {i > 0 && (
            <path
              d={`M${String(gutter)} ${y(z.from_cm).toFixed(1)}H${String(width)}`}
              stroke="var(--quiet)"
              strokeWidth={1}
              strokeDasharray="1 5"
            />
          )}
          <text
            x={width - 4}
            y={y((z.from_cm + z.to_cm) / 2) + 4}
            fontSize={12}
            textAnchor="end"
            fill="var(--quiet)"
            className="halo"
          >
            {z.name} third
          </text>
        </g>
      ))}
    </g>
  );
}
