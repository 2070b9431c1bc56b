import { Link } from 'react-router';
import { StakeLabel } from '../drawing/StakeLabel';
import { useHere } from '../shared/orchard';
import { count, say, type Units } from '../shared/units';
import type { Pad } from './pad';
import type { Fruit, FruitLimb } from './queries';
import css from './fruit.module.css';

/** The limbs with what is left of what they may keep, what the tree may carry, the time left, and where to go next. */
export function LimbsList({
  fruit,
  limb,
  pad,
  onLimb,
}: {
  fruit: Fruit;
  limb: FruitLimb;
  pad: Pad;
  onLimb: (id: string) => void;
}) {
  const { units, plan } = useHere();
  const others = (plan?.trees ?? []).flatMap((t) =>
    t.id !== fruit.tree.id
      ? t.bars.filter((b) => b.kind === 'thin' && (b.state === 'open' || b.state === 'closing')).map(() => t)
      : [],
  );
  return (
    <nav className={css['fruit-left']} aria-label="Limbs">
      <h2>{count(fruit.limbs.length, 'limb')}</h2>
      {!fruit.picked && (
        <ul className={css.limbs}>
          {fruit.limbs.map((l) => {
            const t = pad.totals(l.id, l.pass);
            const counting = t.left + t.taken > 0;
            const left = counting ? t.left : l.left;
            const state = l.id === limb.id ? 'now' : l.done ? 'done' : counting ? 'begun' : 'not begun';
            return (
              <li key={l.id}>
                <button type="button" aria-current={l.id === limb.id} onClick={() => onLimb(l.id)}>
                  <b>{l.id}</b> <span className="q">{state}</span>
                  <span className="num">
                    {left} of {l.keep}
                  </span>
                  <svg width="100%" height={8} aria-hidden="true">
                    <rect x={0.5} y={0.5} width="99%" height={7} fill="var(--sheet)" stroke="var(--rule-strong)" />
                    <rect
                      y={0.5}
                      width={`${String(Math.min(99, (99 * left) / Math.max(1, l.keep)))}%`}
                      height={7}
                      fill={left > l.keep ? 'var(--autumn)' : 'var(--leaf)'}
                    />
                  </svg>
                </button>
              </li>
            );
          })}
        </ul>
      )}
      <section>
        {fruit.picked_says ? (
          <>
            <h2 className="h3">Picked</h2>
            <p className="sm">{fruit.picked_says}</p>
            <p className="sm q">It was to carry {fruit.target} fruit.</p>
          </>
        ) : (
          <>
            <h2 className="h3">The tree may carry</h2>
            <p className={css.big}>{fruit.target} fruit</p>
            <p className="sm">
              {say(fruit.kg, 'kg', units)} at {say(fruit.mass_g, 'g', units)}.{' '}
              {fruit.keep !== fruit.target ? `Leave ${String(fruit.keep)} at first. ` : ''}
              {fruit.binds}
            </p>
          </>
        )}
        {!fruit.picked && fruit.count_says && <p className="sm">{fruit.count_says}</p>}
        {fruit.whether_says && <p className="sm">{fruit.whether_says}</p>}
        {fruit.beside && fruit.beside.length > 0 && <Beside rows={fruit.beside} units={units} />}
        {fruit.standing_says && <p className="sm">{fruit.standing_says}</p>}
        {fruit.frost_says && <p className="sm">{fruit.frost_says}</p>}
      </section>
      {!fruit.picked && (fruit.time_says ?? fruit.window?.says) && (
        <section>
          <h2 className="h3">Time left</h2>
          {fruit.time_says && <p className="sm">{fruit.time_says}</p>}
          {fruit.window && <p className="sm">{fruit.window.says}</p>}
          {fruit.minutes !== undefined && fruit.minutes > 0 && (
            <p className="sm">About {Math.round(fruit.minutes)} min of work.</p>
          )}
        </section>
      )}
      {fruit.second && (
        <section>
          <h2 className="h3">Second look</h2>
          <p className="sm">{secondSays(fruit)}</p>
        </section>
      )}
      {fruit.warnings.length > 0 && (
        <section>
          <h2 className="h3">Mind</h2>
          {fruit.warnings.map((w) => (
            <p key={w} className="sm">
              {w}
            </p>
          ))}
        </section>
      )}
      {others.length > 0 && (
        <section>
          <h2 className="h3">After this tree</h2>
          <p className="codes">
            {others.slice(0, 8).map((t) => (
              <Link key={t.id} to={`../${t.id}`} aria-label={`${t.code}, ${t.kind_name}`}>
                <StakeLabel code={t.code} />
              </Link>
            ))}
          </p>
        </section>
      )}
      <p className="sm">
        <Link to={`../../trees/${fruit.tree.id}?side=load`}>What its limbs carry</Link>
      </p>
    </nav>
  );
}

function secondSays(f: Fruit): string {
  const s = f.second;
  if (!s) return '';
  if (s.verdict === 'done')
    return 'What was thinned stands as it should. Look once more about a week later: what was hidden shows.';
  if (s.verdict === 'over') return 'Fewer were left than the tree could carry: leave all that still hang.';
  return `Still too many: ${(s.again ?? []).map((a) => `${String(a.remove)} off ${a.id}`).join(', ')}.`;
}

/** Left as it hangs, and thinned: what each comes to, this year and the next. */
function Beside({ rows, units }: { rows: NonNullable<Fruit['beside']>; units: Units }) {
  return (
    <ul className={`bare sm ${css.beside}`} aria-label="Thinned and not">
      {rows.map((r) => (
        <li key={r.name}>
          <b>{r.name}:</b> {r.fruit} at {say(r.mass_g, 'g', units)}, {say(r.kg, 'kg', units)}
          {r.says && `; ${r.says}`}.
        </li>
      ))}
    </ul>
  );
}
