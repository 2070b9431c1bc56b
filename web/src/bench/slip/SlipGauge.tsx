import { percent } from '../../shared/units';
import { ZoneBars } from '../../drawing/ZoneBars';
import type { Slip } from './queries';
import css from '../bench.module.css';

const w = 324;
const left = 4;
const ticks = [0.2, 0.25, 0.3, 1 / 3];

/** The stop line of the tree year: what went in winter and summer, what is on the slip step by step, what is left. */
export function SlipGauge({ slip, chosen }: { slip: Slip; chosen: number }) {
  const g = slip.gauge;
  const limit = g.exempt ? 1 : g.limit;
  const most = Math.max(limit * 1.5, g.account * 1.05);
  const x = (share: number) => left + (Math.min(share, most) / most) * (w - 2 * left);
  const counted = slip.steps.filter((s) => s.counted > 0);
  const parts = counted.map((s, i) => {
    const from = counted.slice(0, i).reduce((sum, c) => sum + c.counted, g.winter + g.summer);
    return { n: s.n, from, to: from + s.counted };
  });
  const over = g.account > limit + 0.0005;
  return (
    <figure className={css.slipgauge} aria-label="Stop line">
      <h2 className="h3">
        Stop line {g.exempt ? 'lifted' : percent(limit)}
        <small className="q num">
          {percent(g.slip)} on the slip{g.winter + g.summer > 0 ? `, ${percent(g.winter + g.summer)} gone` : ''}
        </small>
      </h2>
      <svg viewBox={`0 0 ${String(w)} 52`} width="100%" role="img" aria-label={g.says}>
        <defs>
          <pattern id="slip-hatch" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V5" stroke="var(--autumn)" strokeWidth={1.4} />
          </pattern>
          <pattern id="slip-beyond" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V5" stroke="var(--rule-strong)" strokeWidth={0.8} />
          </pattern>
        </defs>
        <rect x={left} y={12} width={x(limit) - left} height={20} fill="var(--leaf-wash)" />
        <rect x={x(limit)} y={12} width={w - left - x(limit)} height={20} fill="url(#slip-beyond)" />
        <rect x={left} y={12} width={x(g.winter) - left} height={20} fill="var(--wood-old)" />
        <rect x={x(g.winter)} y={12} width={x(g.winter + g.summer) - x(g.winter)} height={20} fill="var(--wood-last)" />
        {parts.map((p) => (
          <g key={p.n}>
            <rect
              x={x(p.from)}
              y={12}
              width={Math.max(0.6, x(p.to) - x(p.from))}
              height={20}
              fill="url(#slip-hatch)"
              stroke={p.n === chosen ? 'var(--ink)' : over && p.to > limit ? 'var(--autumn)' : 'var(--rule-strong)'}
              strokeWidth={p.n === chosen ? 2 : over && p.to > limit ? 1.6 : 0.6}
            />
            {x(p.to) - x(p.from) > 15 && (
              <text
                x={(x(p.from) + x(p.to)) / 2}
                y={26}
                fontSize={12}
                fontWeight={700}
                textAnchor="middle"
                className="halo"
              >
                {p.n}
              </text>
            )}
          </g>
        ))}
        <rect
          x={left}
          y={12}
          width={w - 2 * left}
          height={20}
          fill="none"
          stroke="var(--rule-strong)"
          strokeWidth={0.8}
        />
        {!g.exempt &&
          ticks
            .filter((t) => t <= most && Math.abs(t - limit) > 0.01)
            .map((t) => <path key={t} d={`M${String(x(t))} 32v5`} stroke="var(--quiet)" strokeWidth={1} />)}
        {!g.exempt && g.cap < limit - 0.002 && (
          <path d={`M${String(x(g.cap))} 8V36`} stroke="var(--ink)" strokeWidth={1.2} strokeDasharray="3 2" />
        )}
        {!g.exempt && (
          <>
            <path d={`M${String(x(limit))} 6V36`} stroke="var(--ink)" strokeWidth={3.4} />
            <path d={`M${String(x(limit) - 6)} 6h12`} stroke="var(--ink)" strokeWidth={3} />
          </>
        )}
        <text x={left} y={48} fontSize={12}>
          0
        </text>
        <text x={x(limit)} y={48} fontSize={12} fontWeight={700} textAnchor="middle">
          {percent(limit)}
        </text>
        {!g.exempt && g.cap < limit - 0.002 && x(limit) - x(g.cap) > 40 && x(g.cap) - left > 32 && (
          <text x={x(g.cap)} y={48} fontSize={12} textAnchor="middle" className="q">
            {percent(g.cap)}
          </text>
        )}
      </svg>
      {g.zones.length > 0 && <ZoneBars zones={g.zones} />}
      <figcaption className="sm">
        {g.says}
        {!g.exempt && g.cap < limit - 0.002 && slip.season === 'dormant' && g.cap > 0.005
          ? ` Winter may take ${percent(g.cap)}; the rest is kept for the summer.`
          : ''}
      </figcaption>
    </figure>
  );
}
