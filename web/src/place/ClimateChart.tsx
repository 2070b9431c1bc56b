import { useWidth } from '../shared/measure';
import { show, unitOf, type Units } from '../shared/units';
import type { Near } from './draft';
import css from './place.module.css';

interface Props {
  climates: Near[];
  chosen: string;
  elevM: number | undefined;
  units: Units;
}

const high = 168;
const left = 58;
const bottom = 34;
const top = 16;

/** A round number at least as large. */
function roundUp(x: number): number {
  const unit = 10 ** Math.floor(Math.log10(Math.max(1, x)));
  return ([1, 2, 5, 10].find((n) => n * unit >= x) ?? 10) * unit;
}

/** Climates by how far they lie and how high: the one like yours stands near the line of your height. */
export function ClimateChart({ climates, chosen, elevM, units }: Props) {
  const [ref, width] = useWidth(420);
  const km = roundUp(Math.max(10, ...climates.map((n) => n.distance_km)));
  const m = roundUp(Math.max(100, elevM ?? 0, ...climates.map((n) => n.site.elev_m)));
  const x = (d: number) => left + (d / km) * (width - left - 96);
  const y = (h: number) => high - bottom - (Math.max(0, h) / m) * (high - bottom - top);
  const mile = units === 'us' ? 1.609 : 1;
  return (
    <div ref={ref} className={css.climatechart}>
      <svg
        width={width}
        height={high}
        role="img"
        aria-label={`Climates by distance and height: ${climates
          .map((n) => `${n.site.name}, ${String(Math.round(n.distance_km))} km, ${String(n.site.elev_m)} m`)
          .join('; ')}`}
      >
        {[0, 0.5, 1].map((f) => (
          <g key={f}>
            <path d={`M${String(left)} ${String(y(f * m))}H${String(width)}`} stroke="var(--rule)" />
            <text x={left - 8} y={y(f * m) + 4} textAnchor="end" fontSize={12} style={{ fill: 'var(--quiet)' }}>
              {show(f * m, 'm', units)}
              {f === 1 ? ` ${unitOf('m', units)}` : ''}
            </text>
            <text x={x(f * km)} y={high - 14} textAnchor="middle" fontSize={12} style={{ fill: 'var(--quiet)' }}>
              {Math.round((f * km) / mile)}
              {f === 1 ? (units === 'us' ? ' miles' : ' km') : ''}
            </text>
          </g>
        ))}
        {elevM !== undefined && (
          <path
            d={`M${String(left)} ${String(y(elevM))}H${String(width)}`}
            stroke="var(--leaf)"
            strokeWidth={2}
            strokeDasharray="6 4"
          />
        )}
        {climates.map((n) => {
          const on = n.site.slug === chosen;
          return (
            <g key={n.site.slug}>
              <path
                d={`M${String(x(n.distance_km))} ${String(y(0))}V${String(y(n.site.elev_m))}`}
                stroke={on ? 'var(--ink)' : 'var(--rule-strong)'}
                strokeWidth={on ? 3 : 1}
              />
              <circle
                cx={x(n.distance_km)}
                cy={y(n.site.elev_m)}
                r={4.5}
                fill={on ? 'var(--ink)' : 'var(--ground)'}
                stroke="var(--ink)"
              />
              <text
                className="halo"
                x={x(n.distance_km) + 8}
                y={y(n.site.elev_m) - 6}
                fontSize={12}
                fontWeight={on ? 700 : 400}
              >
                {n.site.name.replace(/ \(.*/, '')}
              </text>
            </g>
          );
        })}
        {elevM !== undefined && (
          <text
            className="halo"
            x={width - 4}
            y={y(elevM) - 6}
            textAnchor="end"
            fontSize={12}
            style={{ fill: 'var(--leaf)' }}
          >
            your height
          </text>
        )}
      </svg>
    </div>
  );
}
