import type { Schemas } from '../shared/api';
import { percent } from '../shared/units';

/** The stop line: what was cut this year on one scale to one and a half times the limit. */
export function StopLine({ account }: { account: Schemas['AccountBody'] }) {
  const w = 300;
  const whole = account.limit * 1.5 || 1; // where nothing may go, of the crown
  const x = (share: number) => 4 + (Math.min(share, whole) / whole) * (w - 8);
  return (
    <figure style={{ margin: '8px 0' }}>
      <svg viewBox={`0 0 ${String(w)} 40`} width="100%" role="img" aria-label={account.says}>
        <rect x={4} y={12} width={x(account.limit) - 4} height={14} fill="var(--leaf-wash)" />
        <rect
          x={x(account.limit)}
          y={12}
          width={w - 4 - x(account.limit)}
          height={14}
          fill="url(#hatch-beyond)"
          stroke="var(--rule)"
          strokeWidth={0.6}
        />
        <rect x={4} y={12} width={Math.max(0, x(account.dormant) - 4)} height={14} fill="var(--wood-old)" />
        <rect
          x={x(account.dormant)}
          y={12}
          width={Math.max(0, x(account.removed) - x(account.dormant))}
          height={14}
          fill="var(--wood-last)"
        />
        <path d={`M${String(x(account.limit))} 6V32`} stroke="var(--ink)" strokeWidth={3.4} />
        <path d={`M${String(x(account.limit) - 5)} 6h10`} stroke="var(--ink)" strokeWidth={2} />
        <defs>
          <pattern id="hatch-beyond" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V5" stroke="var(--rule-strong)" strokeWidth={1} />
          </pattern>
        </defs>
        <text x={4} y={39} fontSize={11}>
          0
        </text>
        <text x={x(account.limit)} y={39} fontSize={11} textAnchor="middle">
          {percent(account.limit)}
        </text>
      </svg>
      <figcaption className="sm">
        {account.says}{' '}
        {account.removed > 0 && (
          <span className="q">
            Winter {percent(account.dormant)}, summer {percent(account.summer)}.
          </span>
        )}
      </figcaption>
    </figure>
  );
}
