import type { Plan } from '../shared/api';
import { fromNumber, plain, toNumber } from '../shared/day';
import { markOf, type Mark } from '../drawing/marks';
import type { Days } from './days';

interface Week {
  start: number;
  byMark: Map<Mark, number>;
  total: number;
  has: number;
}

/** The hours of each week of the year as the days are chosen, and those one has. */
export function weeksOf(plan: Plan, days: Days | undefined): Week[] {
  const first = toNumber(plan.from);
  const out: Week[] = [];
  for (let d = first; d <= toNumber(plan.to); d += 7) out.push({ start: d, byMark: new Map(), total: 0, has: 0 });
  const weekOf = (d: string) => out[Math.floor((toNumber(d) - first) / 7)];
  for (const d of days?.days ?? []) {
    const week = weekOf(d.date);
    if (week) week.has += d.has / 60;
  }
  for (const j of days?.jobs ?? [])
    for (const p of j.pieces) {
      const week = weekOf(p.date);
      if (!week) continue;
      week.byMark.set(j.mark, (week.byMark.get(j.mark) ?? 0) + p.minutes / 60);
      week.total += p.minutes / 60;
    }
  return out;
}

/** Hours of work a week against the hours one has. */
export function HoursChart({
  plan,
  days,
  x,
  width,
  left,
}: {
  plan: Plan;
  days: Days | undefined;
  x: (d: string) => number;
  width: number;
  left: number;
}) {
  const weeks = weeksOf(plan, days);
  const top = Math.max(2, ...weeks.map((w) => Math.max(w.total, w.has)));
  const most = Math.max(0, ...weeks.map((w) => w.has));
  const h = 130;
  const y = (v: number) => h - 18 - (v / top) * (h - 30);
  return (
    <section aria-label="Hours a week" style={{ marginTop: 12, borderTop: '1.5px solid var(--ink)' }}>
      <div style={{ padding: '8px 20px 0', display: 'flex', gap: 16, flexWrap: 'wrap', alignItems: 'baseline' }}>
        <h2 className="h3">Hours a week</h2>
        <span className="sm q">
          Bars: work on the days set. Line: the hours you have
          {most > 0 && `, ${String(Math.round(most * 2) / 2)} a week`}.
          {days && !days.hours_said && ' Nobody said what hours they have: say it in Settings.'}
        </span>
        {(days?.dropped.length ?? 0) > 0 && (
          <b className="sm over">
            {days?.dropped.length === 1 ? 'One job finds' : `${String(days?.dropped.length)} jobs find`} no day: see
            three weeks.
          </b>
        )}
      </div>
      <svg
        width={width}
        height={h}
        role="img"
        aria-label={`Hours a week: ${weeks
          .filter((w) => w.total > 0.2)
          .map((w) => `week of ${plain(fromNumber(w.start))} ${w.total.toFixed(1)}`)
          .join(', ')}`}
        style={{ display: 'block' }}
      >
        {[0, Math.round(top / 2), Math.round(top)].map((v) => (
          <g key={v}>
            <path d={`M${String(left)} ${String(y(v))}H${String(width - 24)}`} stroke="var(--rule)" />
            <text x={left - 6} y={y(v) + 4} fontSize={12} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
              {left > 40 ? `${String(v)} h` : ''}
            </text>
          </g>
        ))}
        {weeks.map((w) => {
          let base = 0;
          const x0 = x(fromNumber(w.start)) + 1;
          const end = Math.min(w.start + 7, toNumber(plan.to) + 1);
          const bw = Math.max(2, x(fromNumber(end)) - x(fromNumber(w.start)) - 3);
          return [...w.byMark].map(([mark, v]) => {
            const m = markOf(mark);
            base += v;
            return (
              <rect
                key={mark}
                x={x0}
                y={y(base)}
                width={bw}
                height={y(base - v) - y(base)}
                fill={mark === 'care' ? 'var(--rule)' : m.wash}
                stroke={m.stroke}
                strokeWidth={0.8}
              />
            );
          });
        })}
        <path d={outline(weeks, x, y, plan)} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
        <path d={`M${String(x(plan.day))} 0V${String(h - 18)}`} stroke="var(--ink)" strokeDasharray="2 3" />
      </svg>
    </section>
  );
}

/** The hours one has as a stair, from the week of the day shown on. */
function outline(weeks: readonly Week[], x: (d: string) => number, y: (v: number) => number, plan: Plan): string {
  const known = weeks.filter((w) => w.start + 7 > toNumber(plan.day));
  return known
    .map((w, i) => {
      const end = Math.min(w.start + 7, toNumber(plan.to) + 1);
      const from = Math.max(w.start, toNumber(plan.day));
      return `${i === 0 ? 'M' : 'L'}${String(x(fromNumber(from)))} ${String(y(w.has))}H${String(x(fromNumber(end)))}`;
    })
    .join('');
}
