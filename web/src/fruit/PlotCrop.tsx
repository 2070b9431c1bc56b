import { Link } from 'react-router';
import { StakeLabel } from '../drawing/StakeLabel';
import { Heads } from '../shared/Heads';
import { short } from '../shared/day';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { perUnit, say, show, unitOf, type Units } from '../shared/units';
import { useCrop, type Crop } from './queries';
import { YearBars } from './YearBars';
import css from './fruit.module.css';

const states: Record<string, string> = { on: 'full year', off: 'resting year', rebound: 'after a freeze', normal: '' };

/** The plot's crop: which trees to count and thin, what is coming against what is wanted, and the years behind it. */
export function PlotCrop() {
  const { orchard, units } = useHere();
  const { settled } = useShown();
  const crop = useCrop(orchard.slug, settled);
  const [ref, width] = useWidth(420);
  if (crop.error && !crop.data)
    return (
      <div className="page">
        <Trouble error={crop.error} />
      </div>
    );
  if (!crop.data) return <p className="page q">Adding up the crop.</p>;
  const c = crop.data;
  return (
    <div className={`page ${css['plot-crop']}`}>
      <h1>Fruit</h1>
      {c.trees.length === 0 && <p>No tree here bears yet.</p>}
      <div className={css['plot-grid']}>
        <section aria-label="Trees">
          <div className={css.scroll}>
            <table className="list">
              <Heads
                of={[
                  'Tree',
                  'coming',
                  ['fruit', 'wide'],
                  [`to the ${unitOf('m2', units)}`, 'wide'],
                  'comes in',
                  ['next year', 'wide'],
                  'limbs over',
                ]}
              />
              <tbody>
                {c.trees.map((t) => (
                  <tr key={t.id}>
                    <th scope="row">
                      <Link to={t.id} className={css['tree-link']}>
                        <StakeLabel code={t.code} /> {t.kind_name} <span className="q">{t.name}</span>
                      </Link>
                    </th>
                    <td className="num">
                      {say(t.kg_coming, 'kg', units)}{' '}
                      <span className="nt q">{t.picked ? 'picked' : t.counted ? 'counted' : 'expected'}</span>
                    </td>
                    <td className="num wide">{t.fruit_coming}</td>
                    <td className="num wide">{say(perUnit(t.kg_per_m2, 'm2', units), 'kg', units)}</td>
                    <td title={t.standing_says ?? ''}>{states[t.state] ?? t.state}</td>
                    <td className="wide" title={t.next_year_says ?? ''}>
                      {t.next_year ? (t.next_year === 'normal' ? 'as usual' : states[t.next_year]) : ''}
                    </td>
                    <td className="num">{t.laden_limbs > 0 ? <b className="over">{t.laden_limbs}</b> : ''}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </section>
        <section ref={ref} aria-label="The plot">
          <h2>The plot over the years</h2>
          <p className="nt q">In brackets: trees with a harvest on record.</p>
          <YearBars
            years={c.years.map((y) => ({ season: y.season, kg: y.kg, mass_g: y.mass_g, trees: y.trees }))}
            width={width}
            units={units}
          />
          {c.years[0] && c.ground_m2 > 0 && (
            <p className="sm q">
              {c.years[0].season}: {say(perUnit(c.years[0].kg_per_m2, 'm2', units), 'kg', units)} and{' '}
              {show(perUnit(c.years[0].fruit_per_m2, 'm2', units), 'count', units)} fruit to the {unitOf('m2', units)}{' '}
              of {say(c.ground_m2, 'm2', units)}.
            </p>
          )}
          {c.years.length > 0 && (
            <div className={css.scroll}>
              <table className="list sm">
                <Heads of={['Year', 'set', 'left', 'picked', 'a fruit']} />
                <tbody>
                  {c.years.slice(0, 6).map((y) => (
                    <tr key={y.season}>
                      <th scope="row">{y.season}</th>
                      <td className="num">{y.set || ''}</td>
                      <td className="num">{y.left || ''}</td>
                      <td className="num">{y.fruit}</td>
                      <td className="num">{y.mass_g === 0 ? '' : say(y.mass_g, 'g', units)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
          {c.alternation && (
            <p className="sm">
              {c.alternation}
              {c.alternation_index === undefined ? '' : `, index ${c.alternation_index.toFixed(2)}`}.
            </p>
          )}
          <h2>Wanted and coming</h2>
          <Supply crop={c} units={units} width={width} />
          <ul className="safety sm">
            {c.safety.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ul>
        </section>
      </div>
      <ByLimb crop={c} units={units} />
    </div>
  );
}

function Supply({ crop, units, width }: { crop: Crop; units: Units; width: number }) {
  const weeks = [...new Set(crop.kinds.flatMap((k) => k.weeks.map((w) => w.from)))].sort();
  const most = Math.max(1, ...crop.kinds.flatMap((k) => [k.need_kg, k.coming_kg]));
  return (
    <>
      <ul className={css.supply}>
        {crop.kinds.map((k) => (
          <li key={k.kind}>
            <b>{k.kind_name}</b>
            <span className="num sm">
              {show(k.coming_kg, 'kg', units)}
              {k.need_kg > 0 ? ` of ${show(k.need_kg, 'kg', units)}` : ''} {unitOf('kg', units)}
            </span>
            <svg width="100%" height={12} aria-hidden="true">
              <rect y={2} width={`${String((100 * k.coming_kg) / most)}%`} height={8} fill="var(--autumn)" />
              {k.need_kg > 0 && (
                <rect x={`${String((99.4 * k.need_kg) / most)}%`} width={2} height={12} fill="var(--ink)" />
              )}
            </svg>
            {k.says && <span className="sm">{k.says}</span>}
            {k.thin_first.length > 0 && (
              <span className="sm">
                More than wanted. Thin hardest: {k.thin_first.map((t) => `${t.code} (${t.why})`).join(', ')}.
              </span>
            )}
          </li>
        ))}
      </ul>
      {weeks.length > 0 && (
        <>
          <h2 className="h3">By week of harvest</h2>
          <WeekBars crop={crop} weeks={weeks} width={width} units={units} />
        </>
      )}
    </>
  );
}

function WeekBars({ crop, weeks, width, units }: { crop: Crop; weeks: string[]; width: number; units: Units }) {
  const sums = weeks.map((w) => crop.kinds.reduce((s, k) => s + (k.weeks.find((x) => x.from === w)?.kg ?? 0), 0));
  const most = Math.max(1, ...sums);
  const step = width / weeks.length;
  const h = 84;
  return (
    <svg
      width={width}
      height={h}
      viewBox={`0 0 ${String(width)} ${String(h)}`}
      role="img"
      aria-label={weeks.map((w, i) => `week of ${short(w)}: ${say(sums[i] ?? 0, 'kg', units)}`).join('; ')}
    >
      {sums.map((s, i) => {
        const bar = (s / most) * 46;
        return (
          <g key={weeks[i]}>
            <rect x={i * step + 1} y={62 - bar} width={Math.max(1, step - 3)} height={bar} fill="var(--autumn)" />
            {s === most && (
              <text x={i * step + step / 2} y={56 - bar} textAnchor="middle" fontSize={12}>
                {say(Math.round(s), 'kg', units)}
              </text>
            )}
            {i % Math.ceil(weeks.length / 6) === 0 && (
              <text x={i * step + 1} y={78} fontSize={12} style={{ color: 'var(--quiet)' }}>
                {short(weeks[i] ?? '')}
              </text>
            )}
          </g>
        );
      })}
      <path d={`M0 62H${String(width)}`} stroke="var(--ink)" />
    </svg>
  );
}

function ByLimb({ crop, units }: { crop: Crop; units: Units }) {
  const rows = crop.trees.flatMap((t) => t.by_limb.map((l) => ({ ...l, code: t.code })));
  if (rows.length === 0) return null;
  return (
    <section aria-label="Harvest by limb">
      <h2>Harvest by limb, against its light</h2>
      <table className="list">
        <Heads of={['Limb', 'year', 'weight', ['fruit', 'wide'], 'light']} />
        <tbody>
          {rows.map((r) => (
            <tr key={`${r.code}${r.limb}${String(r.season)}`}>
              <th scope="row">
                {r.code} {r.limb}
              </th>
              <td>{r.season}</td>
              <td className="num">{say(r.kg, 'kg', units)}</td>
              <td className="num">{r.fruit}</td>
              <td className="num">{r.light > 0 ? `${String(Math.round(100 * r.light))} %` : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
