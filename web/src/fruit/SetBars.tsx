import { useWidth } from '../shared/measure';
import { say, type Units } from '../shared/units';
import type { FruitLimb } from './queries';
import css from './fruit.module.css';

/** The rules' numbers for a limb side by side; the lowest binds. */
export function SetBars({
  limb,
  left,
  units,
  spacing,
}: {
  limb: FruitLimb;
  left: number;
  units: Units;
  spacing: number | undefined;
}) {
  const [ref, width] = useWidth(660);
  const most = Math.max(limb.keep, left, ...limb.lines.map((l) => l.fruit)) * 1.12 || 1;
  const names = width < 480 ? 108 : 190;
  const bar = width - names - 56;
  const x = (n: number) => names + (n / most) * bar;
  const row = 34;
  const h = limb.lines.length * row + 34;
  const numbers: Record<string, string> = {
    density: `${say(limb.section_cm2, 'cm2', units)} of wood`,
    spacing: spacing ? `every ${say(spacing, 'cm', units)}` : '',
  };
  return (
    <section ref={ref} aria-label={`What sets ${String(limb.keep)}`}>
      <header className={css.line}>
        <h2 className="h3">What sets {limb.keep}</h2>
        <span className="sm q">{limb.binds}</span>
      </header>
      <svg
        width={width}
        height={h}
        viewBox={`0 0 ${String(width)} ${String(h)}`}
        role="img"
        aria-label={limb.lines.map((l) => `${l.name} ${String(l.fruit)}${l.binds ? ', binds' : ''}`).join('; ')}
      >
        {limb.lines.map((l, i) => (
          <g key={l.kind}>
            <text x={0} y={20 + i * row + 4} fontSize={14} fontWeight={l.binds ? 700 : 400}>
              {l.name}
            </text>
            <text x={0} y={20 + i * row + 18} fontSize={12} style={{ color: 'var(--quiet)' }}>
              {width < 480 ? '' : numbers[l.kind] || l.from}
            </text>
            <rect
              x={names}
              y={12 + i * row}
              width={Math.max(1, x(l.fruit) - names)}
              height={16}
              fill={l.binds ? 'var(--leaf)' : 'var(--leaf-wash)'}
              stroke="var(--leaf)"
            />
            <text
              x={x(l.fruit) + 6}
              y={25 + i * row}
              fontSize={14}
              fontWeight={l.binds ? 700 : 400}
              style={{ color: l.binds ? 'var(--leaf)' : 'inherit' }}
            >
              {l.fruit}
              {l.binds ? ' binds' : ''}
            </text>
          </g>
        ))}
        <path d={`M${String(x(limb.keep))} 6V${String(h - 20)}`} stroke="var(--ink)" strokeWidth={1.6} />
        <text x={x(limb.keep)} y={h - 6} textAnchor="middle" fontSize={12} fontWeight={700}>
          leave {limb.keep}
        </text>
        {left > 0 && (
          <>
            <path d={`M${String(x(left))} 6V${String(h - 20)}`} stroke="var(--ink)" strokeDasharray="3 3" />
            {Math.abs(x(left) - x(limb.keep)) > 80 && (
              <text x={x(left)} y={h - 6} textAnchor="middle" fontSize={12}>
                {left} left so far
              </text>
            )}
          </>
        )}
      </svg>
      {limb.keep_one_in !== undefined && (
        <p className="sm q">
          In the field: keep one in {limb.keep_one_in}. Counting what is left is quicker than counting what falls.
        </p>
      )}
    </section>
  );
}
