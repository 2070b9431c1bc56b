import Button from '@mui/material/Button';
import { Fragment, useState } from 'react';
import { Link } from 'react-router';
import { Fact } from '../shared/Fact';
import { Heads } from '../shared/Heads';
import { plain } from '../shared/day';
import { saying, type Schemas } from '../shared/api';
import { useHere } from '../shared/orchard';
import { useLog } from '../shared/queries';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { useOfferUndo } from '../shared/undo';
import { count, other, percent, say, tall, tight } from '../shared/units';
import { Silhouette } from '../drawing/Silhouette';
import type { Bench } from './queries';
import css from './bench.module.css';

interface Props {
  bench: Bench;
  /** Where the main limbs end under the slip. */
  tops: readonly Schemas['TopBody'][];
  season: 'dormant' | 'summer' | undefined;
  bearing: number;
  outlined: boolean;
  onOutline: (on: boolean) => void;
  onChoose: (limb: string) => void;
}

/** Past, present and future of one tree in a few lines, before anything is cut. */
export function StandBack({ bench, tops, season, bearing, outlined, onOutline, onChoose }: Props) {
  const { units } = useHere();
  const f = bench.facts;
  const over = f.height_cm - bench.tree.reach_cm;
  const decided = bench.limbs.filter((l) => l.state);
  return (
    <aside className="standback" aria-label="Stand back">
      <h2>Stand back</h2>
      {tops.length > 0 && <Aim tops={tops} reachCm={bench.tree.reach_cm} season={season} onChoose={onChoose} />}
      {bench.mapped && (
        <>
          <Past bench={bench} bearing={bearing} onChoose={onChoose} />
          <section>
            <h2 className="h3">{bench.ahead > 0 ? 'Then' : 'Present'}</h2>
            <dl className="rows">
              <Fact
                className="num"
                name="Height"
                value={say(f.height_cm / 100, 'm', units)}
                title={other(f.height_cm / 100, 'm', units)}
              />
              {over > 5 && (
                <Fact
                  className="num"
                  name="Over reach"
                  value={say(over, 'cm', units)}
                  title={other(over, 'cm', units)}
                  over
                />
              )}
              <Fact
                className="num"
                name="Spread"
                value={say(f.spread_cm / 100, 'm', units)}
                title={other(f.spread_cm / 100, 'm', units)}
              />
              <Fact className="num" name="Limbs" value={String(f.limbs)} />
              <Fact
                className="num"
                name="Light on its leaf"
                value={percent(f.light)}
                title="of full light over the growing season"
              />
              <Fact className="num" name="Flower buds in reach" value={String(f.buds_within)} />
              <Fact className="num" name="Out of reach" value={String(f.buds_above)} />
              <Fact className="num" name="Middle lets through" value={say(f.cylinder_cm, 'cm', units)} />
            </dl>
            <p className="sm q">
              {f.passes.map((p) => `${p.name} ${p.yes ? 'passes' : 'does not pass'}`).join(', ')}, by the map.
            </p>
            {bench.fellows && <p className="sm">{bench.fellows}</p>}
            <Known bench={bench} />
          </section>
        </>
      )}
      <EndTests bench={bench} />
      <section>
        <h2 className="h3">Future</h2>
        <p className="sm">
          A {bench.tree.form_name} of {bench.outline.age_years} {bench.outline.age_years === 1 ? 'year' : 'years'}{' '}
          should stand about {say(bench.outline.height_m, 'm', units)} high and {say(bench.outline.width_m, 'm', units)}{' '}
          wide.
        </p>
        {bench.mapped && (
          <label className={css.tick}>
            <input type="checkbox" checked={outlined} onChange={(e) => onOutline(e.target.checked)} />
            <span>show it behind the tree</span>
          </label>
        )}
        {decided.length > 0 && (
          <ul className="bare">
            {decided.map((l) => (
              <li key={l.id} className="sm">
                <button type="button" className="plain" onClick={() => onChoose(l.id)}>
                  <b>{l.id}</b>
                </button>{' '}
                {l.state_says}
                {l.state?.due ? `, look on ${plain(l.state.due)}` : ''}
                {l.state?.reason ? ` (${l.state.reason})` : ''}
              </li>
            ))}
          </ul>
        )}
      </section>
      <section className="sm q">
        {bench.safety.map((s) => (
          <p key={s} style={{ margin: '4px 0' }}>
            {s}
          </p>
        ))}
      </section>
    </aside>
  );
}

const mostTops = 6;

/** Where each main limb above reach ends: as it stands, this year, and when all is done; and who takes over. */
function Aim({
  tops,
  reachCm,
  season,
  onChoose,
}: {
  tops: readonly Schemas['TopBody'][];
  reachCm: number;
  season: 'dormant' | 'summer' | undefined;
  onChoose: (limb: string) => void;
}) {
  const { units } = useHere();
  const m = (cm: number) => (cm === 0 ? 'gone' : tight(cm, units));
  return (
    <section aria-label="Aim">
      <h2 className="h3">Aim</h2>
      <p className="sm">
        {tops.length === 1 ? 'One top is' : `${String(tops.length)} tops are`} to come under {tall(reachCm, units)}
        {season === 'dormant' ? '; this year counts the summer’s height cut too' : ''}.
      </p>
      <table className={css.aim}>
        <Heads of={[`top${units === 'metric' ? ', m' : ''}`, 'now', 'this year', 'done']} />
        <tbody>
          {tops.slice(0, mostTops).map((t) => (
            <Fragment key={t.limb}>
              <tr>
                <th scope="row">
                  <button type="button" className="plain" onClick={() => onChoose(t.limb)}>
                    {t.limb}
                  </button>
                </th>
                <td className={t.now_cm > reachCm + 5 ? 'num over' : 'num'}>{m(t.now_cm)}</td>
                <td className="num">{m(t.this_cm)}</td>
                <td className="num">{m(t.done_cm)}</td>
              </tr>
              {t.says && (
                <tr className={css.heir}>
                  <td colSpan={4}>{t.says}</td>
                </tr>
              )}
            </Fragment>
          ))}
        </tbody>
      </table>
      {tops.length > mostTops && <p className="sm q">and {tops.length - mostTops} lower ones</p>}
    </section>
  );
}

/** How much of the map was measured: what is estimated is counted as such until corrected. */
function Known({ bench }: { bench: Bench }) {
  const c = bench.facts.completeness;
  const s = bench.facts.sources;
  return (
    <p className="sm q">
      {count(s.measured, 'limb')} measured, {s.estimated} estimated
      {s.predicted > 0 ? `, ${String(s.predicted)} predicted` : ''}. The map describes {percent(c.described)} of the
      canopy; taken with what was measured, it can be trusted to {percent(c.value)}.
    </p>
  );
}

function Past({ bench, bearing, onChoose }: Pick<Props, 'bench' | 'bearing' | 'onChoose'>) {
  const now = bench.limbs.map((l) => l.stations);
  const pictures = [
    ...bench.past.map((p) => ({
      key: String(p.year),
      lines: p.lines.map((l) => l ?? []),
      title: `winter ${String(p.year - 1)}/${String(p.year).slice(2)}`,
      from: p.from_rings ? 'read from its rings' : `mapped ${p.date ? plain(p.date) : ''}`,
      height: p.height_cm,
    })),
  ].reverse();
  const tops = [...pictures.map((p) => p.height), bench.facts.height_cm];
  const { units } = useHere();
  if (pictures.length === 0) return null;
  return (
    <section>
      <h2 className="h3">Past</h2>
      <div className="past">
        {[
          ...pictures,
          {
            key: 'now',
            lines: now,
            title: bench.ahead > 0 ? 'uncut' : 'now',
            from: bench.revision ? plain(bench.revision.date) : '',
            height: bench.facts.height_cm,
          },
        ].map((p) => (
          <figure key={p.key}>
            <Silhouette lines={p.lines} bearing={bearing} top={Math.max(...tops)} reach={bench.tree.reach_cm} />
            <figcaption>
              <b>{say(p.height / 100, 'm', units)}</b>
              <br />
              {p.title}
              <span className="visually-hidden">, {p.from}</span>
            </figcaption>
          </figure>
        ))}
      </div>
      <p className="sm q">
        {pictures.every((p) => p.from.startsWith('read'))
          ? 'Read back from the rings; what was cut since cannot be seen there.'
          : 'From the maps kept of those winters.'}
      </p>
      {bench.came && <p className="sm">{bench.came.says}</p>}
      {bench.came && bench.came.cuts.length > 0 && (
        <details className="sm">
          <summary>Cut by cut</summary>
          <ul className="bare">
            {bench.came.cuts.map((c) => (
              <li key={`${c.limb} ${c.says}`}>
                {bench.limbs.some((l) => l.id === c.limb) ? (
                  <button type="button" className="plain" onClick={() => onChoose(c.limb)}>
                    {c.limb}
                  </button>
                ) : (
                  <b>{c.limb}</b>
                )}{' '}
                {c.says}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function EndTests({ bench }: { bench: Bench }) {
  const { orchard } = useHere();
  const { day, today } = useShown();
  const log = useLog(orchard.slug);
  const offer = useOfferUndo();
  const [open, setOpen] = useState(false);
  const answer = (slug: string, word: string, says: string) =>
    log.mutate(
      saying({
        tree_id: bench.tree.id,
        date: day < today ? day : today,
        kind: 'end-tests',
        end_tests: { [slug]: word },
      }),
      { onSuccess: (r) => offer({ id: r.entry.id, says }) },
    );
  return (
    <section>
      <h2 className="h3">End tests</h2>
      <dl className="rows">
        {bench.end_tests
          .filter((t) => t.last ?? open)
          .map((t) => (
            <div key={t.slug}>
              <dt title={t.how}>{t.name}</dt>
              <dd>
                {open ? (
                  <span className="acts" style={{ margin: 0 }}>
                    {t.words.map((w) => (
                      <Button
                        key={w}
                        size="small"
                        variant={t.last === w ? 'outlined' : 'text'}
                        disabled={log.isPending}
                        onClick={() => answer(t.slug, w, `${t.name}: ${w.replace('-', ' ')}`)}
                      >
                        {w.replace('-', ' ')}
                      </Button>
                    ))}
                  </span>
                ) : (
                  <span className={t.last === t.words[0] ? '' : 'over'} title={t.on ? plain(t.on) : ''}>
                    {t.last?.replace('-', ' ')}
                  </span>
                )}
              </dd>
            </div>
          ))}
      </dl>
      {!open && !bench.end_tests.some((t) => t.last) && <p className="sm q">None made yet on this tree.</p>}
      <Button size="small" onClick={() => setOpen(!open)} aria-expanded={open}>
        {open ? 'Close' : 'Make the tests'}
      </Button>
      <Trouble error={log.error} />
    </section>
  );
}

export function BackToTree({ bench }: { bench: Bench }) {
  const { orchard } = useHere();
  return <Link to={`/${orchard.slug}/yard?tree=${encodeURIComponent(bench.tree.id)}`}>its year</Link>;
}
