import { addDays, plain } from '../shared/day';
import { markOf, type Mark } from '../drawing/marks';
import { minutes, shownDays, type Days } from './days';
import { at, type Grid } from './WeeksSky';

/** Hours of each day: outline yours, filled what is set, hatched what the weather takes, autumn what is past what you gave. */
export function DayHours({ grid, days }: { grid: Grid; days: Days }) {
  const last = addDays(grid.from, shownDays - 1);
  const shown = days.days.filter((d) => d.date >= grid.from && d.date <= last);
  const top = Math.max(120, ...shown.map((d) => Math.max(d.has, d.chosen)));
  const h = 96;
  const y = (m: number) => h - 4 - (m / top) * (h - 26);
  const marks = new Map<string, { mark: Mark; m: number }[]>();
  for (const j of days.jobs)
    for (const p of j.pieces) marks.set(p.date, [...(marks.get(p.date) ?? []), { mark: j.mark, m: p.minutes }]);
  const w = Math.max(6, grid.col - 18);
  return (
    <svg
      width={grid.width}
      height={h}
      role="img"
      aria-label={`Hours: ${shown
        .filter((d) => d.chosen > 0 || d.lost)
        .map((d) => `${plain(d.date)} ${minutes(d.chosen)} of ${minutes(d.has)}${d.lost ? ', lost to weather' : ''}`)
        .join('; ')}`}
      className="dayhours"
    >
      <defs>
        <pattern id="lost" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--rule-strong)" />
        </pattern>
      </defs>
      {grid.left > 100 && (
        <g>
          <text x={20} y={24} fontSize={15} fontWeight={700}>
            Hours
          </text>
          <text x={20} y={42} fontSize={12} style={{ fill: 'var(--quiet)' }}>
            Outline: yours. Filled: set.
          </text>
          <text x={20} y={58} fontSize={12} style={{ fill: 'var(--quiet)' }}>
            Hatched: lost to weather.
          </text>
        </g>
      )}
      {Array.from({ length: Math.floor(top / 60) }, (_, i) => (i + 1) * 60).map((m) => (
        <g key={m}>
          <path d={`M${String(grid.left)} ${String(y(m))}H${String(grid.width - 24)}`} stroke="var(--rule)" />
          <text x={grid.left - 8} y={y(m) + 4} fontSize={12} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
            {m / 60} h
          </text>
        </g>
      ))}
      {shown.map((d) => {
        const x = at(grid, d.date) + (grid.col - w) / 2;
        const over = d.chosen > d.has;
        let base = 0;
        return (
          <g key={d.date}>
            {d.has > 0 && (
              <rect
                x={x - 3}
                y={y(d.has)}
                width={w + 6}
                height={y(0) - y(d.has)}
                fill={d.lost ? 'url(#lost)' : 'var(--ground)'}
                stroke="var(--ink)"
                strokeWidth={1.4}
              />
            )}
            {(marks.get(d.date) ?? []).map((p, i) => {
              const m = markOf(p.mark);
              base += p.m;
              return (
                <rect
                  key={i}
                  x={x}
                  y={y(base)}
                  width={w}
                  height={y(0) - y(p.m)}
                  fill={p.mark === 'care' ? 'var(--sheet)' : p.mark === 'winter' ? 'var(--winter)' : m.wash}
                  stroke={over ? 'var(--autumn)' : p.mark === 'winter' ? 'var(--ground)' : m.stroke}
                  strokeDasharray={p.mark === 'care' ? '2 2' : undefined}
                />
              );
            })}
            {(d.chosen > 0 || d.lost) && grid.col > 30 && (
              <text
                x={x + w / 2}
                y={y(Math.max(d.has, d.chosen)) - 5}
                fontSize={12}
                fontWeight={700}
                textAnchor="middle"
                style={{ fill: over || d.lost ? 'var(--autumn-text)' : 'var(--ink)' }}
              >
                {d.chosen > 0 ? minutes(d.chosen) : 'lost'}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M${String(grid.left)} ${String(y(0))}H${String(grid.width - 24)}`} stroke="var(--ink)" />
    </svg>
  );
}
