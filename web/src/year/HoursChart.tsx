import type { Plan } from '../shared/api';
import { fromNumber, plain, toNumber } from '../shared/day';
import { markOf } from '../drawing/marks';

interface Week {
  start: number;
  byMark: Map<string, number>;
  total: number;
}

/** The hours of each week if every open job were done at the middle of its window. */
export function weeksOf(plan: Plan): Week[] {
  const first = toNumber(plan.from);
  const out: Week[] = [];
  for (let d = first; d <= toNumber(plan.to); d += 7) out.push({ start: d, byMark: new Map(), total: 0 });
  const bars = [...plan.trees.flatMap((t) => t.bars), ...plan.orchard];
  for (const b of bars) {
    const mid = (toNumber(b.opens) + toNumber(b.closes)) / 2;
    const week = out[Math.floor((mid - first) / 7)];
    if (!week) continue;
    week.byMark.set(b.mark, (week.byMark.get(b.mark) ?? 0) + b.minutes / 60);
    week.total += b.minutes / 60;
  }
  return out;
}

/** Hours of work a week against the hours one has. */
export function HoursChart({
  plan,
  x,
  width,
  left,
}: {
  plan: Plan;
  x: (d: string) => number;
  width: number;
  left: number;
}) {
  const weeks = weeksOf(plan);
  const top = Math.max(4, plan.hours_a_week, ...weeks.map((w) => w.total));
  const h = 130;
  const y = (v: number) => h - 18 - (v / top) * (h - 30);
  const over = weeks.filter((w) => plan.hours_a_week > 0 && w.total > plan.hours_a_week);
  return (
    <section aria-label="Hours a week" style={{ marginTop: 12, borderTop: '1.5px solid var(--ink)' }}>
      <div style={{ padding: '8px 20px 0', display: 'flex', gap: 16, flexWrap: 'wrap', alignItems: 'baseline' }}>
        <h3>Hours a week</h3>
        <span className="sm q">
          Bars: every job at the middle of its window.{' '}
          {plan.hours_a_week > 0
            ? `Line: the ${String(plan.hours_a_week)} hours you have.`
            : 'Say in Settings how many hours you have.'}
        </span>
        {over.length > 0 && (
          <b className="sm over">
            {over.length === 1 ? 'One week asks' : `${String(over.length)} weeks ask`} more than that; most windows
            leave room to move.
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
        {plan.hours_a_week > 0 && (
          <path
            d={`M${String(left)} ${String(y(plan.hours_a_week))}H${String(width - 24)}`}
            stroke="var(--ink)"
            strokeWidth={1.6}
          />
        )}
        <path d={`M${String(x(plan.day))} 0V${String(h - 18)}`} stroke="var(--ink)" strokeDasharray="2 3" />
      </svg>
    </section>
  );
}
