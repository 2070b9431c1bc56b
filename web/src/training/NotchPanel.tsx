import { compass } from '../drawing/wood';
import { useHere } from '../shared/orchard';
import { Trouble } from '../shared/Trouble';
import { say } from '../shared/units';
import type { BudSeen, Notch } from './queries';
import { lengths } from '../drawing/scale';
import { Marks } from './Marks';
import css from './training.module.css';

type Seen = BudSeen['state'];

/** What a tap on a bud makes of it: asleep, opening, broken, dead, and round again. */
const next: Record<Seen | 'asleep', Seen | undefined> = {
  asleep: 'opening',
  opening: 'broken',
  broken: 'dead',
  dead: undefined,
};

const fills = { asleep: 'var(--wood-two)', opening: 'var(--leaf-wash)', broken: 'var(--leaf)', dead: 'none' };

interface Props {
  notch: Notch;
  seen: BudSeen[];
  onSeen: (buds: BudSeen[]) => void;
  error: Error | null;
}

/** The stem with its buds, and those that are woken with a notch above; a tap tells how a bud stands. */
export function NotchPanel({ notch, seen, onSeen, error }: Props) {
  const { units } = useHere();
  const stateOf = (bud: string) => seen.find((b) => b.bud === bud)?.state ?? 'asleep';
  const tap = (bud: string) => {
    const state = next[stateOf(bud)];
    const rest = seen.filter((b) => b.bud !== bud);
    onSeen(state ? [...rest, { bud, state }] : rest);
  };
  const low = 35;
  const high = 100;
  const y = (cm: number) => 250 - ((cm - low) / (high - low)) * 230;
  const buds = notch.buds.filter((b) => b.height_cm >= low && b.height_cm <= high);
  return (
    <section aria-label="Buds to wake">
      <h2>Buds to wake</h2>
      <svg
        viewBox="0 0 300 262"
        className={css.notchstem}
        role="group"
        aria-label={`Notch above ${notch.marks.map((m) => `bud ${m.bud}`).join(', ')}`}
      >
        <path d="M70 262V6" stroke="var(--wood-last)" strokeWidth={13} />
        <Marks scale={lengths(units, 10)} from={low + 2} to={high - 5} x={42} y={y} />
        {buds.map((b, i) => {
          const right = i % 2 === 0;
          const mark = notch.marks.find((m) => m.bud === b.id);
          const state = stateOf(b.id);
          return (
            <g
              key={b.id}
              role="button"
              tabIndex={0}
              aria-label={`Bud ${b.id}, ${say(b.height_cm, 'cm', units)} up: ${state}`}
              className={css.budtap}
              onClick={() => tap(b.id)}
              onKeyDown={(e) => {
                if (e.key === 'Enter' || e.key === ' ') {
                  e.preventDefault();
                  tap(b.id);
                }
              }}
            >
              <rect x={right ? 70 : 40} y={y(b.height_cm) - 8} width={30} height={16} fill="transparent" />
              <ellipse
                cx={right ? 79 : 61}
                cy={y(b.height_cm)}
                rx={6}
                ry={3.6}
                fill={fills[state]}
                stroke={state === 'asleep' ? undefined : 'var(--ink)'}
                transform={`rotate(${right ? '-40' : '40'} ${right ? '79' : '61'} ${String(y(b.height_cm))})`}
              />
              {mark && (
                <>
                  <path
                    d={`M60 ${String(y(mark.at_cm) - 5)}q10 -6 20 0`}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth={3}
                  />
                  <text x={104} y={y(b.height_cm) + 4} fontSize={13} fontWeight={700}>
                    {b.id} {compass(b.azimuth_deg)}, {say(mark.at_cm, 'cm', units)}
                  </text>
                </>
              )}
            </g>
          );
        })}
      </svg>
      <p className="sm q">
        Tap a bud as it stands: asleep, opening, broken, dead. It is kept with the tree for this season.{' '}
        {seen.length > 0 && (
          <button type="button" className="plain" onClick={() => onSeen([])}>
            All asleep
          </button>
        )}
      </p>
      {error && <Trouble error={error} />}
      <ul className="bare sm">
        {notch.says.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
    </section>
  );
}
