import type { ReactNode } from 'react';
import { monthName, monthStarts } from '../shared/day';
import type { Scale } from './season';
import css from './season.module.css';

/** One row of the season: words at the left, its drawing on the rail's own scale, the line of the day shown through it. */
export function Band({
  title,
  words,
  height,
  scale,
  label,
  months = false,
  children,
}: {
  title: string;
  words: ReactNode;
  height: number;
  scale: Scale;
  label: string;
  months?: boolean;
  children: ReactNode;
}) {
  const { x, width, day, phone } = scale;
  const h = height + (months ? 20 : 0);
  return (
    <section className={css.band} aria-label={title}>
      <div className={css.told}>
        <h2>{title}</h2>
        {words}
      </div>
      <svg width={width} height={h} role="img" aria-label={label}>
        {monthStarts(scale.from, scale.to).map((m) => (
          <g key={m}>
            <path d={`M${String(x(m))} 0V${String(height)}`} stroke="var(--rule)" />
            {months && (
              <text x={x(m) + 4} y={height + 15} fontSize={12} style={{ fill: 'var(--quiet)' }}>
                {phone ? monthName(m).slice(0, 1) : monthName(m)}
              </text>
            )}
          </g>
        ))}
        {children}
        {day >= scale.from && day <= scale.to && (
          <path d={`M${String(x(day))} 0V${String(height)}`} stroke="var(--ink)" strokeDasharray="2 3" />
        )}
      </svg>
    </section>
  );
}
