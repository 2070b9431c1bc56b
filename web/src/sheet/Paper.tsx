import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useBench } from '../bench/queries';
import { goingOf } from '../bench/slip/going';
import { sectionsOf } from '../bench/slip/SlipPanel';
import { useSlip, type Asking, type Slip, type Step } from '../bench/slip/queries';
import { StakeLabel } from '../drawing/StakeLabel';
import { heights } from '../drawing/scale';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { compass } from '../drawing/wood';
import { Heads } from '../shared/Heads';
import { plain, withYear } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { count, percent, say, tall } from '../shared/units';
import { PaperLinks } from './PaperLinks';
import { useSheet } from './queries';
import css from './sheet.module.css';

/** One page a tree, for the pocket: the tree from two sides and from above, the steps in order, the stop line to fill with a pencil. */
export default function Paper() {
  const { orchard, units } = useHere();
  const { id = '' } = useParams();
  const { settled } = useShown();
  const which = useMemo(() => ({ slug: orchard.slug, id, day: settled }), [orchard.slug, id, settled]);
  const bench = useBench(which);
  const asking: Asking = { ...which, revision: bench.data?.revision?.revision ?? 0, season: undefined };
  const slip = useSlip(asking, bench.data?.mapped === true);
  const sheet = useSheet(orchard.slug, settled, 0);
  const { limbs, going } = useMemo(() => goingOf(bench.data?.limbs ?? [], slip.data), [bench.data, slip.data]);
  const error = bench.error ?? slip.error;
  if (error) return <Trouble error={error} />;
  if (bench.data && !bench.data.mapped)
    return (
      <p className="page">
        No map of this tree yet, so there are no steps to print.{' '}
        <Link to={`/${orchard.slug}/trees/${id}`}>Sketch it</Link>
      </p>
    );
  if (!bench.data || !slip.data) return <p className="page q">Laying out the page.</p>;
  const b = bench.data;
  const s = slip.data;
  const drawing = (bearing: number, above: boolean) => (
    <TreeDrawing
      limbs={limbs}
      season={b.facts.map_season}
      units={units}
      findings={[]}
      cuts={s.steps.map((x, i, list) => ({
        n: x.n,
        mark: list.findIndex((o) => o.mark === x.mark) === i ? x.mark : '',
        limb: x.cut.limb,
        cm: x.cut.at_cm,
        taken: false,
      }))}
      chosenCut={0}
      going={going}
      bearing={bearing}
      above={above}
      width={above ? 200 : 262}
      height={above ? 200 : 300}
      reachCm={b.tree.reach_cm}
      reachSays="reach"
      chosen=""
      scale={heights(units)}
      onChoose={() => undefined}
    />
  );
  return (
    <article className={css.paper} aria-label={`Slip of ${b.tree.code} on paper`}>
      <p className={css.rules}>
        <b>Local rules and licensed practice come first.</b>{' '}
        {s.safety.filter((x) => !x.startsWith('Local rules')).join(' ')}
      </p>
      <header>
        <StakeLabel code={b.tree.code} look="line" />
        <h1>
          {b.tree.kind_name} {b.tree.name ? `‘${b.tree.name}’` : ''}
        </h1>
        <span>{orchard.name}</span>
      </header>
      <p className="headline">{s.height.says}</p>
      <p>
        <b>
          {count(s.groups.length, 'step')}, {Math.round(s.minutes)} min, {percent(s.gauge.slip)} of{' '}
          {percent(s.gauge.limit)}.
        </b>{' '}
        {s.opens && s.closes ? `Cut ${plain(s.opens)} to ${plain(s.closes)}. ` : ''}
        Bring: {s.tools.join(', ') || 'nothing to cut with'}, spirit.
      </p>
      <p className={css.names}>
        Name <i /> Day <i />{' '}
        <b>
          Slip {s.key}, map {s.revision}
        </b>
      </p>
      <div className={css.views}>
        <figure>
          <figcaption>From the south, you look north</figcaption>
          {drawing(180, false)}
        </figure>
        <figure>
          <figcaption>From the east, you look west</figcaption>
          {drawing(90, false)}
        </figure>
        <figure>
          <figcaption>From above, north up</figcaption>
          {drawing(180, true)}
          {sheet.data && sheet.data.marks.length > 0 && (
            <ul className="bare">
              {sheet.data.marks.map((m) => (
                <li key={m.name}>
                  {m.name} <b>{say(m.cm, 'cm', units)}</b>
                </li>
              ))}
            </ul>
          )}
        </figure>
      </div>
      <table>
        <Heads of={['done', 'cut', 'height', 'on you', 'side', 'tool', 'share']} />
        {sectionsOf(s).map((part) => (
          <tbody key={part.name}>
            <tr className={css.part}>
              <th colSpan={6} scope="rowgroup">
                {part.name}
              </th>
              <td>{part.sum}</td>
            </tr>
            {part.groups
              .flatMap(({ list }) => list)
              .map((x) => (
                <Line key={x.n} step={x} />
              ))}
          </tbody>
        ))}
      </table>
      <StopBar slip={s} />
      <section className={css.care} aria-label="Take care">
        <h2>Take care</h2>
        <ul>
          {[...new Set(s.steps.flatMap((x) => x.cautions))].map((c) => (
            <li key={c}>{c}</li>
          ))}
          <li>{s.cut_rule}</li>
        </ul>
      </section>
      <footer>
        <span className={css.ruler}>
          <i /> {units === 'us' ? '10 cm, 3 15/16 in,' : '10 cm'} on a true print: measure it.
        </span>
        <span>
          Not as drawn: <i className="line" />
        </span>
        <span>
          Printed {withYear(settled)}
          {s.closes ? `, valid to ${plain(s.closes)}` : ''}.
        </span>
      </footer>
      <p className={`${css.noprint} acts`}>
        <button type="button" className="plain" onClick={() => window.print()}>
          Print this page
        </button>
        <PaperLinks to={`/api/orchards/${orchard.slug}/trees/${encodeURIComponent(id)}/paper.pdf`} day={settled} />
        <Link to={`/${orchard.slug}/sheet`}>To the sheet</Link>
      </p>
    </article>
  );
}

function Line({ step: s }: { step: Step }) {
  const { units } = useHere();
  return (
    <tr>
      <td>
        <span className={css.tickbox} aria-hidden="true" /> <b className={css.mark}>{s.mark}</b>
      </td>
      <td>
        <b>{s.title}</b>
        {s.bud ? ` ${s.bud}` : ''}
      </td>
      <td className="num">{tall(s.place?.[2] ?? 0, units)}</td>
      <td>{s.on_body ?? ''}</td>
      <td>{compass(s.stand_deg)}</td>
      <td>{s.tool ?? ''}</td>
      <td className="num">{s.counted > 0 || s.share < 0.005 ? percent(s.share) : 'free'}</td>
    </tr>
  );
}

/** The stop line as a bar to fill with a pencil: one field a hundredth of the crown. */
function StopBar({ slip }: { slip: Slip }) {
  const g = slip.gauge;
  const limit = g.exempt ? 33 : Math.round(g.limit * 100);
  const gone = Math.round((g.winter + g.summer) * 100);
  return (
    <section aria-label="Stop line to fill" className={css.stopbar}>
      <h2>Stop line {limit} %</h2>
      <p>
        Fill a field with pencil for each hundredth cut{gone > 0 ? `; ${String(gone)} went before` : ''}. At the thick
        line, stop.
      </p>
      <svg viewBox="0 0 700 26" role="img" aria-label={`${count(limit, 'field')} to the stop line`}>
        {Array.from({ length: limit + 4 }, (_, i) => (
          <rect
            key={i}
            x={1 + (i * 690) / (limit + 4)}
            y={2}
            width={690 / (limit + 4)}
            height={20}
            fill={i < gone ? 'currentColor' : 'none'}
            fillOpacity={i < gone ? 0.6 : 1}
            stroke="currentColor"
          />
        ))}
        <path d={`M${String(1 + (limit * 690) / (limit + 4))} 0V26`} stroke="currentColor" strokeWidth={6} />
      </svg>
    </section>
  );
}
