import { memo } from 'react';
import type { Bar } from '../shared/api';
import { monthName, monthStarts, type Day } from '../shared/day';
import { markOf } from './marks';
import { angleOf, arc, inYear, polar } from './time';

interface Props {
  cx: number;
  cy: number;
  r: number;
  bars: Bar[];
  from: Day;
  to: Day;
  day: Day;
  months?: boolean;
}

/** A twelve-month ring: the rail bent round the stem, cuts outside, fruit inside, a pointer at the day shown. */
export const YearRing = memo(function YearRing({ cx, cy, r, bars, from, to, day, months }: Props) {
  const cut = r * 0.26;
  const fruit = r * 0.17;
  const rCut = r - cut / 2;
  const rFruit = r - cut - r * 0.1 - fruit / 2;
  const drawn = bars.filter((b) => b.mark !== 'care');
  const open = drawn.some((b) => b.opens <= day && day <= b.closes && !/done|looked|left/.test(b.state));
  const tip = polar(cx, cy, r + 1, angleOf(day, from, to));
  const tail = polar(cx, cy, r * 0.16, angleOf(day, from, to));
  const head = pointerHead(cx, cy, r, angleOf(day, from, to));
  return (
    <g aria-hidden="true">
      <circle cx={cx} cy={cy} r={r + 3} fill="var(--ground)" fillOpacity={0.94} />
      <circle cx={cx} cy={cy} r={rCut} fill="none" stroke="var(--rule)" strokeWidth={0.8} />
      <circle cx={cx} cy={cy} r={rFruit} fill="none" stroke="var(--rule)" strokeWidth={0.6} />
      {monthStarts(from, to).map((m, i) => {
        const a = angleOf(m, from, to);
        const [x0, y0] = polar(cx, cy, r + 0.5, a);
        const [x1, y1] = polar(cx, cy, r + (i === 0 ? 5 : 2.5), a);
        return <line key={m} x1={x0} y1={y0} x2={x1} y2={y1} stroke="var(--ink)" strokeWidth={i === 0 ? 1.3 : 0.6} />;
      })}
      {drawn.map((b) => {
        const span = inYear(b.opens, b.closes, from, to);
        if (!span) return null;
        const m = markOf(b.mark);
        const a0 = angleOf(span[0], from, to);
        const a1 = Math.max(a0 + 3, angleOf(span[1], from, to));
        const settled = /done|looked|left/.test(b.state);
        if (b.mark === 'pick') {
          return [-1, 1].map((s) => (
            <path
              key={b.id + String(s)}
              d={arc(cx, cy, rFruit + (s * fruit) / 3.2, a0, a1)}
              fill="none"
              stroke={m.stroke}
              strokeWidth={fruit * 0.26}
              opacity={settled ? 0.4 : 1}
            />
          ));
        }
        return (
          <path
            key={b.id}
            d={arc(cx, cy, m.fruit ? rFruit : rCut, a0, a1)}
            fill="none"
            stroke={m.stroke}
            strokeWidth={m.fruit ? fruit : cut}
            strokeDasharray={
              m.dash
                ? m.dash
                    .split(' ')
                    .map((n) => ((Number(n) * r) / 20).toFixed(2))
                    .join(' ')
                : undefined
            }
            opacity={settled ? 0.4 : 1}
          />
        );
      })}
      <line x1={tail[0]} y1={tail[1]} x2={tip[0]} y2={tip[1]} stroke="var(--ink)" strokeWidth={1.4} />
      <path d={head} fill={open ? 'var(--ink)' : 'var(--ground)'} stroke="var(--ink)" strokeWidth={1.1} />
      <circle cx={cx} cy={cy} r={Math.max(2.4, r * 0.13)} fill="var(--wood-old)" />
      {months &&
        monthStarts(from, to)
          .filter((_, i) => i % 2 === 0)
          .map((m) => {
            const [x, y] = polar(cx, cy, r + 15, angleOf(m, from, to));
            return (
              <text key={m} x={x} y={y + 4} textAnchor="middle" fontSize={12}>
                {monthName(m)}
              </text>
            );
          })}
    </g>
  );
});

function pointerHead(cx: number, cy: number, r: number, a: number): string {
  const tip = polar(cx, cy, r + 4, a);
  const back = r * 0.72;
  const l = polar(cx, cy, back, a - 11);
  const m = polar(cx, cy, back, a + 11);
  return `M${tip.join(' ')}L${l.join(' ')}L${m.join(' ')}Z`;
}
