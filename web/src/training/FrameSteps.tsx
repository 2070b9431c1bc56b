import { short } from '../shared/day';
import type { FormStep, Training, Wall } from './queries';
import css from './training.module.css';

const words: Record<FormStep['state'], string> = {
  done: 'done',
  now: 'this year',
  ahead: '',
  missed: 'missed',
  past: '',
};

/** The way from planting to the frame, year by year, with the outline to grow into. */
export function FrameSteps({ training }: { training: Training }) {
  const years = [...new Set(training.steps.map((s) => s.year))];
  return (
    <aside className={`standback ${css.framesteps}`} aria-label="The frame">
      <h2>The frame</h2>
      {training.steps.length === 0 && (
        <p className="sm">A grown tree: its slip leads. Limbs can still be bent while they are thin.</p>
      )}
      {training.wall ? (
        <WallYears wall={training.wall} />
      ) : (
        training.outlines.length > 0 && training.stands > 0 && <Outlines training={training} />
      )}
      {years.map((year) => {
        const steps = training.steps.filter((s) => s.year === year);
        const now = year === Math.max(1, training.age);
        return (
          <section key={year} aria-label={`Year ${String(year)}`} className={now ? 'now' : undefined}>
            <h2 className="h3">
              Year {year} <small className="q num">{steps[0]?.season}</small>
            </h2>
            <ol className="bare">
              {steps.map((s) => (
                <li key={s.what + String(s.tier)} className={s.state}>
                  {now || s.state === 'missed' ? (
                    <details open={now && s.state === 'now'}>
                      <summary>
                        <b>{s.title}</b> <small className="q">{s.from ? span(s) : s.when}</small>{' '}
                        {words[s.state] && s.state !== 'now' && (
                          <small className={s.state === 'missed' ? 'over' : 'q'}>{words[s.state]}</small>
                        )}
                      </summary>
                      <p className="sm">{s.says}</p>
                      {s.second && <p className="sm over">{s.second}</p>}
                    </details>
                  ) : (
                    <details>
                      <summary className={s.state === 'done' || s.state === 'past' ? 'q' : undefined}>
                        {s.title} <small className="q">{s.when}</small>
                      </summary>
                      <p className="sm">{s.says}</p>
                    </details>
                  )}
                </li>
              ))}
            </ol>
          </section>
        );
      })}
    </aside>
  );
}

const span = (s: FormStep) => (s.from && s.to ? `${short(s.from)} to ${short(s.to)}` : s.when);

/** The profile of the form at two, four and eight years, each inside the next. */
function Outlines({ training }: { training: Training }) {
  const wide = Math.max(...training.outlines.flatMap((o) => o.points.map((p) => p.out)), 40);
  const high = Math.max(...training.outlines.flatMap((o) => o.points.map((p) => p.up)), training.reach_cm);
  const k = Math.min(84 / wide, 130 / high);
  const path = (points: Training['outlines'][number]['points']) => {
    const right = points.map((p) => `${String(88 + p.out * k)} ${String(140 - p.up * k)}`);
    const left = [...points].reverse().map((p) => `${String(88 - p.out * k)} ${String(140 - p.up * k)}`);
    return `M${right.join('L')}L${left.join('L')}Z`;
  };
  const reach = 140 - training.reach_cm * k;
  return (
    <figure className={css.outlines}>
      <svg viewBox="0 0 176 148" role="img" aria-label="What to grow into, at 2, 4 and 8 years">
        <path d="M0 140H176" stroke="var(--wood-old)" />
        <path d={`M0 ${String(reach)}H176`} stroke="var(--leaf)" strokeDasharray="6 3 1 3" />
        <path d={`M88 140V${String(140 - 45 * k)}`} stroke="var(--wood-old)" strokeWidth={3} />
        {[...training.outlines].reverse().map((o) => (
          <path
            key={o.age}
            d={path(o.points)}
            fill={o.age === 8 ? 'var(--leaf-wash)' : 'none'}
            stroke={o.age === 8 ? 'var(--leaf)' : 'var(--wood-two)'}
            strokeDasharray={o.age === 2 ? '2 3' : o.age === 4 ? '5 3' : undefined}
          />
        ))}
      </svg>
      <figcaption className="nt q">to grow into: dots 2 years, dashes 4, line 8; reach above</figcaption>
    </figure>
  );
}

/** How a flat tree comes to fill its wires: wood by age, arms that rise and arms that lie. */
function WallYears({ wall }: { wall: Wall }) {
  const top = Math.max(...wall.wires_cm, 60) + 0.3 * wall.goal_cm; // arms rise before they lie
  const k = Math.min(40 / Math.max(40, wall.goal_cm), 72 / top);
  const ground = Math.ceil(top * k) + 2;
  const y = (cm: number) => ground - cm * k;
  return (
    <ol className={`${css.wallyears} bare`}>
      {wall.years.map((f) => (
        <li key={f.life} className={f.now ? 'now' : undefined}>
          <svg viewBox={`0 0 86 ${String(ground + 2)}`} role="img" aria-label={`Year ${String(f.life)}: ${f.says}`}>
            <path d={`M0 ${String(ground)}H86`} stroke="var(--wood-old)" />
            {wall.wires_cm.map((w) => (
              <path key={w} d={`M1 ${String(y(w))}H85`} stroke="var(--rule-strong)" />
            ))}
            <path
              d={`M43 ${String(ground)}V${String(y(f.leader_cm))}`}
              stroke="var(--wood-old)"
              strokeWidth={f.life > 2 ? 3 : 2}
            />
            {f.arms
              .filter((a) => a.arm_cm > 0)
              .map((a) => {
                const lies = a.lies ? 1 : Math.SQRT1_2;
                const out = a.arm_cm * k * lies;
                const up = a.lies ? 0 : out;
                return (
                  <path
                    key={a.wire_cm}
                    d={`M43 ${String(y(a.wire_cm) + 2)}L${String(43 - out)} ${String(y(a.wire_cm) - up)}M43 ${String(y(a.wire_cm) + 2)}L${String(43 + out)} ${String(y(a.wire_cm) - up)}`}
                    stroke={
                      a.arm_cm >= wall.goal_cm ? 'var(--wood-old)' : a.lies ? 'var(--wood-two)' : 'var(--wood-last)'
                    }
                    strokeWidth={a.lies ? 2.6 : 1.6}
                    fill="none"
                  />
                );
              })}
          </svg>
          <p className="nt">
            <b className="num">{f.season}</b> {f.now ? 'now' : f.says}
          </p>
        </li>
      ))}
    </ol>
  );
}
