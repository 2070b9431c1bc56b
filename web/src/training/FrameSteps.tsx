import { short } from '../shared/day';
import type { FormStep, Training } from './queries';

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
    <aside className="standback framesteps" aria-label="The frame">
      <h2>The frame</h2>
      {training.steps.length === 0 && (
        <p className="sm">A grown tree: its slip leads. Limbs can still be bent while they are thin.</p>
      )}
      {training.outlines.length > 0 && training.stands > 0 && <Outlines training={training} />}
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
    <figure className="outlines">
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
