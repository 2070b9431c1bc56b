import type { Schemas } from '../shared/api';
import { addDays, between, weekday, type Day } from '../shared/day';
import { fitRuns } from '../shared/fit';
import { say, type Units } from '../shared/units';
import { shownDays, type Days } from './days';

type Sky = Schemas['SkyBody'];

export interface Grid {
  from: Day;
  left: number;
  col: number;
  width: number;
}

export const at = (g: Grid, d: Day) => g.left + between(g.from, d) * g.col;

const dates = 18;
const top = 36; // of the warmth
const degree = 2.1;
const high = 26;

/** Three weeks of weather over their columns: as measured solid, forecast hatched, far off dotted; freezing as a dash at each bar. */
export function WeeksSky({
  grid,
  sky,
  days,
  today,
  units,
}: {
  grid: Grid;
  sky: Sky | undefined;
  days: Days;
  today: Day;
  units: Units;
}) {
  const cells = Array.from({ length: shownDays }, (_, i) => addDays(grid.from, i));
  const by = new Map((sky?.days ?? []).map((d) => [d.date, d]));
  const has = new Map(days.days.map((d) => [d.date, d.has]));
  const seen = cells.flatMap((d) => by.get(d) ?? []);
  const warmest = Math.max(5, ...seen.map((d) => d.tmax_c));
  const coldest = Math.min(-2, ...seen.map((d) => d.tmin_c));
  const scale = Math.min(degree, (high * 2) / (warmest - coldest));
  const y = (c: number) => top + (warmest - c) * scale;
  const rain = y(coldest) + 20;
  const gust = rain + 12;
  const t = (c: number) => String(Math.round(units === 'us' ? (c * 9) / 5 + 32 : c)).replace('-', '−');
  const h = seen.length > 0 ? gust + 8 : dates + 6;
  return (
    <svg
      width={grid.width}
      height={h}
      role="img"
      aria-label="The weather of these days; it stands in figures on the Yard"
    >
      <defs>
        <pattern id="soon" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V4" stroke="var(--wood-two)" strokeWidth="1.6" />
        </pattern>
      </defs>
      {seen.length > 0 && (
        <g fontSize={12} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
          <text x={grid.left - 8} y={top + 8}>
            low to high, {units === 'us' ? '°F' : '°C'}
          </text>
          <text x={grid.left - 8} y={rain + 4}>
            rain, a dot for {say(2, 'mm', units)}
          </text>
          <text x={grid.left - 8} y={gust + 4}>
            gusts, mark at {units === 'us' ? '28 mph' : '45 km/h'}
          </text>
        </g>
      )}
      {cells.map((d, i) => {
        const x = at(grid, d);
        const mine = (has.get(d) ?? 0) > 0;
        const w = by.get(d);
        const lead = between(today, d);
        return (
          <g key={d}>
            <text
              x={x + grid.col / 2}
              y={13}
              fontSize={12}
              textAnchor="middle"
              fontWeight={mine ? 700 : 400}
              style={{ fill: mine ? 'var(--ink)' : 'var(--quiet)' }}
            >
              {grid.col > 40 ? weekday(d) : weekday(d).slice(0, 1)} {Number(d.slice(8))}
            </text>
            <path
              d={`M${String(x)} 18V${String(h)}`}
              stroke={i % 7 === 0 ? 'var(--rule-strong)' : 'var(--rule)'}
              strokeWidth={1}
            />
            {w && (
              <>
                <path d={`M${String(x + 4)} ${String(y(0))}h15`} stroke="var(--winter)" strokeWidth={1.2} />
                <rect
                  x={x + 9}
                  y={y(w.tmax_c)}
                  width={5}
                  height={Math.max(2, y(w.tmin_c) - y(w.tmax_c))}
                  fill={w.past || lead <= 5 ? 'var(--wood-last)' : lead <= 10 ? 'url(#soon)' : 'none'}
                  stroke={w.past || lead <= 5 ? 'none' : 'var(--wood-two)'}
                  strokeDasharray={lead > 10 ? '1 2.4' : undefined}
                />
                <text x={x + 21} y={y(w.tmax_c) + 8} fontSize={12}>
                  {t(w.tmax_c)}°
                </text>
                <text
                  x={x + 21}
                  y={Math.max(y(w.tmin_c) + 4, y(w.tmax_c) + 21)}
                  fontSize={12}
                  style={{ fill: w.tmin_c < 0 ? 'var(--winter-text)' : 'var(--quiet)' }}
                >
                  {t(w.tmin_c)}°
                </text>
                {Array.from({ length: Math.min(6, Math.ceil(w.rain_mm / 2)) }, (_, k) => (
                  <circle
                    key={k}
                    cx={x + 9 + k * 6}
                    cy={rain}
                    r={2.2}
                    fill={w.past || lead <= 10 ? 'var(--winter)' : 'none'}
                    stroke="var(--winter)"
                  />
                ))}
                <path
                  d={`M${String(x + 5)} ${String(gust)}h${String(Math.min(grid.col - 8, w.gust_kmh * 0.58))}`}
                  stroke={w.gust_kmh > 45 ? 'var(--autumn)' : 'var(--quiet)'}
                  strokeWidth={w.gust_kmh > 45 ? 3 : 1.4}
                />
                <path d={`M${String(x + 5 + 45 * 0.58)} ${String(gust - 4)}v8`} stroke="var(--quiet)" />
              </>
            )}
          </g>
        );
      })}
    </svg>
  );
}

/** For each work that is due: fit days filled; else the reason, once for its run of days. */
export function FitRows({ grid, sky }: { grid: Grid; sky: Sky | undefined }) {
  if (!sky || sky.fits.length === 0) return null;
  return (
    <svg
      width={grid.width}
      height={sky.fits.length * 20 + 4}
      role="img"
      aria-label={sky.fits.map((f) => f.next).join(' ')}
    >
      {sky.fits.map((row, i) => {
        const y = i * 20 + 2;
        return (
          <g key={row.purpose} fontSize={12}>
            <text x={grid.left - 8} y={y + 13} textAnchor="end" fontWeight={700} style={{ fill: 'var(--leaf)' }}>
              fit for {row.name}
            </text>
            {fitRuns(row.days).map((r) => {
              const x0 = at(grid, r.from);
              const x1 = Math.min(at(grid, addDays(r.from, r.n)), grid.left + shownDays * grid.col);
              if (x1 <= x0) return null;
              const mid = (x0 + x1) / 2;
              const fits = x1 - x0 > r.why.length * 6;
              return r.fit ? (
                <g key={r.from}>
                  <rect x={x0 + 3} y={y} width={x1 - x0 - 6} height={16} rx={2} fill="var(--leaf)" />
                  <text x={mid} y={y + 12.5} textAnchor="middle" fontWeight={700} style={{ fill: 'var(--on-leaf)' }}>
                    fit
                  </text>
                </g>
              ) : (
                <g key={r.from} style={{ fill: 'var(--quiet)' }}>
                  {r.n > 1 && (
                    <path d={`M${String(x0 + 5)} ${String(y)}H${String(x1 - 5)}`} stroke="var(--rule-strong)" />
                  )}
                  <text x={mid} y={y + 13} textAnchor="middle">
                    {fits ? r.why : r.why.replace(/^(rain) after$/, '$1…').slice(0, Math.floor((x1 - x0) / 6))}
                  </text>
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
