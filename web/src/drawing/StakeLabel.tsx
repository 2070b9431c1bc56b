import css from './drawing.module.css';
interface Props {
  code: string;
  look?: 'full' | 'line' | 'soft';
}

const looks = {
  full: { fill: 'var(--leaf)', stroke: 'var(--leaf)', text: 'var(--on-leaf)' },
  line: { fill: 'var(--sheet)', stroke: 'var(--leaf)', text: 'var(--leaf)' },
  soft: { fill: 'var(--sheet)', stroke: 'var(--rule-strong)', text: 'var(--quiet)' },
};

/** How a docket group shows on a tree's label: filled to do now, outlined closing or opening, grey waiting. */
export function lookOf(group: string | undefined): 'full' | 'line' | 'soft' {
  if (group === 'now') return 'full';
  return group === 'closing' || group === 'opening' ? 'line' : 'soft';
}

const pressing = ['now', 'closing', 'opening', 'wait', 'anytime'] as const;

/** The most pressing group of a tree's jobs. */
export function mostPressing(bars: readonly { group?: string }[]): (typeof pressing)[number] | undefined {
  return pressing.find((g) => bars.some((b) => b.group === g));
}

/** The shape of the label inside another drawing. */
export function StakeShape({ code, look = 'line', x, y }: Props & { x: number; y: number }) {
  const c = looks[look];
  const w = Math.max(22, 8 + code.length * 8);
  return (
    <g transform={`translate(${String(x)} ${String(y)})`} aria-hidden="true">
      <path
        d={`M.5 .5H${String(w - 0.5)}L${String(w + 5.5)} 9L${String(w - 0.5)} 17.5H.5Z`}
        fill={c.fill}
        stroke={c.stroke}
      />
      <text x={w / 2 + 1} y={13} textAnchor="middle" fontSize={12} fontWeight={700} style={{ fill: c.text }}>
        {code}
      </text>
    </g>
  );
}

/** A tree's code on a small stake with one pointed end. */
export function StakeLabel({ code, look = 'line' }: Props) {
  const w = Math.max(22, 8 + code.length * 8);
  return (
    <svg
      className={css.stake}
      width={w + 6}
      height={18}
      viewBox={`0 0 ${String(w + 6)} 18`}
      role="img"
      aria-label={code}
    >
      <StakeShape code={code} look={look} x={0} y={0} />
    </svg>
  );
}
