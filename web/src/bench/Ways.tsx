import { keepPreviousData } from '@tanstack/react-query';
import { Link, useParams } from 'react-router';
import { Select } from '../shared/plain';
import { acrossOf, Silhouette } from '../drawing/Silhouette';
import { StakeLabel } from '../drawing/StakeLabel';
import { useAddress } from '../shared/address';
import { ask, type Schemas } from '../shared/api';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { percent, say, type Units } from '../shared/units';
import css from './bench.module.css';
import { SideBySide } from './SideBySide';

type Two = Schemas['TwoWaysBody'];
type Run = Schemas['WayRunBody'];

const spans = [1, 2, 3, 4, 5] as const;

/** One tree kept by two schools or limits, grown on side by side: in drawing and in numbers. */
export default function Ways() {
  const { id = '' } = useParams();
  const { orchard, plan, meta, units } = useHere();
  const { settled } = useShown();
  const [params, put] = useAddress();
  const get = (k: string) => params.get(k) ?? '';
  const other = meta.presets.find((p) => p.slug !== orchard.school.preset)?.slug ?? '';
  const second = params.get('second') ?? other;
  const years = Number(get('years')) || 3;
  const asked = ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/map/ways',
    {
      params: {
        path: { slug: orchard.slug, id },
        query: {
          day: settled,
          first: get('first'),
          first_limit: get('first_limit'),
          second,
          second_limit: get('second_limit'),
          years,
        },
      },
    },
    { placeholderData: keepPreviousData },
  );
  const limits = meta.choices.find((c) => c.key === 'yearly_limit')?.values ?? [];
  const tree = plan?.trees.find((t) => t.id === id);
  const pick = (which: 'first' | 'second', school: string) => (
    <fieldset className={css.way}>
      <legend>{which === 'first' ? 'One way' : 'The other'}</legend>
      <label>
        School
        <Select
          all={[{ value: '', name: 'as it is kept' }, ...meta.presets.map((p) => ({ value: p.slug, name: p.name }))]}
          value={school}
          onChange={(v) => put({ [which]: v })}
        />
      </label>
      <label>
        Most in a year
        <Select
          all={[{ value: '', name: 'as the school has it' }, ...limits.map((v) => ({ value: v.slug, name: v.name }))]}
          value={get(`${which}_limit`)}
          onChange={(v) => put({ [`${which}_limit`]: v })}
        />
      </label>
    </fieldset>
  );
  return (
    <div className={`page ${css.ways} ways`}>
      <header className={`${css.title} title`}>
        {tree && <StakeLabel code={tree.code} />}
        <h1>Two ways of keeping it</h1>
        <span className="spacer" />
        <Link className="sm" to={`/${orchard.slug}/trees/${encodeURIComponent(id)}`}>
          Bench
        </Link>
      </header>
      <div className={css.picks}>
        {pick('first', get('first'))}
        {pick('second', second)}
        <label className={css.way}>
          Winters on
          <Select
            all={spans.map((n) => ({ value: String(n), name: String(n) }))}
            value={String(years)}
            onChange={(v) => put({ years: v })}
          />
        </label>
      </div>
      {asked.error && <Trouble error={asked.error} holds="Nothing of the tree was changed." />}
      {!asked.data && !asked.error && <p className="q">Growing the tree twice.</p>}
      {asked.data && <Beside d={asked.data} units={units} />}
    </div>
  );
}

function Beside({ d, units }: { d: Two; units: Units }) {
  const top = Math.max(d.height_cm, ...d.ways.flatMap((w) => [w.reach_cm, ...w.years.map((y) => y.height_cm)]));
  const across = Math.max(...d.ways.map((w) => acrossOf(w.lines.map((l) => l ?? []))));
  const height = (cm: number) => say(cm / 100, 'm', units);
  const hours = (h: number) => `${h.toFixed(1)} h`;
  const rows: [string, (w: Run) => string][] = [
    ['Reach line', (w) => height(w.reach_cm)],
    ['Most in a year', (w) => percent(w.limit)],
    ...(d.ways[0]?.years ?? []).map((y, i): [string, (w: Run) => string] => [
      `Height, winter after ${String(y.year)}`,
      (w) => height(w.years[i]?.height_cm ?? 0),
    ]),
    ['Light its limbs get', (w) => percent(w.light)],
    ['Fruit, all years', (w) => say(w.kilos, 'kg', units)],
    ['Cutting, all years', (w) => hours(w.hours)],
    ['Cuts', (w) => String(w.cuts)],
    [`of ${say(25, 'mm', units)} and more`, (w) => String(w.wounds)],
    ['Widest wound', (w) => say(w.widest_mm, 'mm', units)],
  ];
  return (
    <section aria-label="Side by side" className={css.beside}>
      <ul className={`${css.says} says`}>
        {d.says.map((t) => (
          <li key={t}>{t}</li>
        ))}
      </ul>
      <SideBySide
        caption={
          <>
            {height(d.height_cm)} high now. {d.weak}
          </>
        }
        sides={d.ways}
        picture={(w) => (
          <Silhouette
            lines={w.lines.map((l) => l ?? [])}
            bearing={0}
            top={top}
            reach={w.reach_cm}
            times={4.4}
            across={across}
          />
        )}
        head={(w) => `${w.school} at ${percent(w.limit)}`}
        rows={rows}
        words={[['Held', (w) => w.held ?? 'not within these years']]}
      />
    </section>
  );
}
