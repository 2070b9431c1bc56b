import type { Slip } from '../bench/slip/queries';
import { percent } from '../shared/units';
import css from './sheet.module.css';

/** The stop line of the tree: what is off, what this step takes, and how much is left before one stops. */
export function StopLine({ gauge: g, off, step }: { gauge: Slip['gauge']; off: number; step: number }) {
  const limit = g.exempt ? 1 : g.limit;
  const cut = g.winter + g.summer + off;
  const whole = limit * 1.3 || 1;
  const x = (share: number) => Math.min(260, (share / whole) * 260);
  const stop = x(limit);
  return (
    <svg
      viewBox="0 0 340 38"
      className={css.stopline}
      role="img"
      aria-label={`${percent(cut)} cut, this ${percent(step)}, stop at ${percent(limit)}`}
    >
      <rect x={0} y={4} width={260} height={16} fill="var(--sheet)" stroke="var(--rule-strong)" />
      <rect x={0} y={4} width={x(cut)} height={16} fill="var(--wood-old)" />
      <rect
        x={x(cut)}
        y={4}
        width={Math.max(0, x(cut + step) - x(cut))}
        height={16}
        fill="var(--autumn)"
        opacity={0.6}
      />
      <path d={`M${String(stop)} 0V24M${String(stop - 6)} 0h12`} stroke="var(--ink)" strokeWidth={4} />
      <text x={Math.max(24, stop)} y={34} fontSize={12} textAnchor="middle" fill="var(--ink)">
        stop {percent(limit)}
      </text>
      <text x={340} y={17} fontSize={14} fontWeight={700} textAnchor="end" fill="var(--ink)">
        {percent(Math.max(0, limit - cut - step))} left
      </text>
    </svg>
  );
}
