import { Link } from 'react-router';
import { StakeLabel } from '../drawing/StakeLabel';
import { useAllHelperLinks } from '../helper/queries';
import { Segments } from '../shared/Segments';
import { useAddress } from '../shared/address';
import { long, plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { useTicks } from '../shared/ticks';
import { Trouble } from '../shared/Trouble';
import { count, say } from '../shared/units';
import { OnPhone } from './OnPhone';
import { PaperLinks } from './PaperLinks';
import { useSheet, type SheetOf, type Stop } from './queries';
import css from './sheet.module.css';

const times = [
  { value: 30, name: '30 minutes' },
  { value: 120, name: '2 hours' },
  { value: 0, name: 'All' },
];

/** The day's work in the hand: what to bring, then tree by tree in the order one walks. */
export default function Sheet() {
  const { orchard, units } = useHere();
  const { settled } = useShown();
  const [params, put] = useAddress();
  const minutes = Number(params.get('minutes') ?? 120);
  const sheet = useSheet(orchard.slug, settled, Number.isFinite(minutes) ? minutes : 120);
  const s = sheet.data;
  if (sheet.error && !s)
    return (
      <div className="page">
        <Trouble error={sheet.error} />
      </div>
    );
  if (!s) return <p className="page q">Laying out the day.</p>;
  return (
    <div className="page sheetpage">
      <header className="sheethead">
        <div>
          <h1>Sheet</h1>
          <p className="q">
            {long(s.day)}; {count(s.stops.length, 'tree')}, {s.minutes} min, {say(s.metres, 'm', units)} to walk
          </p>
        </div>
        <Segments
          label="The time you have"
          className={css.noprint}
          all={times}
          value={s.asked_minutes}
          onChange={(minutes) => put({ minutes: String(minutes) })}
        />
        <button type="button" className={`plain ${css.noprint}`} onClick={() => window.print()}>
          Print
        </button>
        <PaperLinks
          to={`/api/orchards/${orchard.slug}/walk.pdf`}
          day={settled}
          more={`&minutes=${String(s.asked_minutes)}`}
        />
      </header>
      <Answers slug={orchard.slug} />
      {s.stops.length === 0 ? (
        <p>Nothing is due today.</p>
      ) : (
        <div className={css.sheetgrid}>
          <section aria-label="The walk">
            <h2>The walk</h2>
            <ol className={css.walkstops}>
              {s.stops.map((stop, i) => (
                <StopRow key={stop.tree_id} stop={stop} n={i + 1} slug={orchard.slug} />
              ))}
            </ol>
            <LeftOut sheet={s} />
          </section>
          <Before sheet={s} slug={orchard.slug} />
        </div>
      )}
      <OnPhone slug={orchard.slug} day={settled} />
    </div>
  );
}

/** What helpers answered and nobody took in yet. */
function Answers({ slug }: { slug: string }) {
  const links = useAllHelperLinks(slug);
  const waiting = (links.data ?? []).filter((l) => l.waiting > 0);
  if (waiting.length === 0) return null;
  return (
    <p className={css.noprint} role="status">
      {waiting.map((l) => (
        <Link key={l.id} to={`/${slug}/trees/${encodeURIComponent(l.tree_id)}`}>
          {l.code}: {count(l.waiting, 'answer')} of a helper to take in
        </Link>
      ))}
    </p>
  );
}

function StopRow({ stop, n, slug }: { stop: Stop; n: number; slug: string }) {
  return (
    <li>
      <Link to={`/${slug}/sheet/${encodeURIComponent(stop.tree_id)}`} className={css.stophead}>
        <b className="num">{n}</b>
        <StakeLabel code={stop.code} look={stop.health === 'clean' ? 'full' : 'line'} />
        <span>
          <b>{stop.name || stop.kind_name}</b> <span className="q">{stop.kind_name}</span>
          {stop.health !== 'clean' && <b className="over"> {stop.health}</b>}
        </span>
        <span className="num">{stop.minutes} min</span>
      </Link>
      <ul className="bare sm">
        {stop.jobs.map((j) => (
          <li key={j.task}>
            <span className={css.tickbox} aria-hidden="true" /> <b>{j.title}</b>
            {j.cuts > 0 ? `, ${count(j.cuts, 'step')}` : ''}
            {j.tools && j.cuts > 0 ? `, ${j.tools}` : ''}
            <span className="q"> until {plain(j.closes)}</span>
          </li>
        ))}
      </ul>
      <p className="sm q">
        {stop.clean}{' '}
        {stop.jobs.some((j) => j.slip) && (
          <Link className={css.noprint} to={`/${slug}/sheet/${encodeURIComponent(stop.tree_id)}/paper`}>
            Its page to print
          </Link>
        )}
      </p>
    </li>
  );
}

function LeftOut({ sheet }: { sheet: SheetOf }) {
  if (sheet.left.length === 0) return null;
  return (
    <details>
      <summary>Does not fit: {count(sheet.left.length, 'job')}</summary>
      <ul className="sm">
        {sheet.left.map((l) => (
          <li key={l.code + l.title}>
            <b>{l.code}</b> {l.title}. <span className="q">{l.costs}</span>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Before leaving the house: what is carried, ticked off; the ladder told now, not at the tree. */
function Before({ sheet, slug }: { sheet: SheetOf; slug: string }) {
  const { units } = useHere();
  const [have, tick] = useTicks(`carry-${slug}-${sheet.day}`);
  const carry = [
    ...sheet.carry,
    { what: 'alcohol and a rag', for: 'blades' },
    { what: 'gloves, eyes covered', for: 'you' },
  ];
  return (
    <section aria-label="Before you leave" className={css.before}>
      <h2>Before you leave</h2>
      {sheet.ladder && <p className="over">{sheet.ladder}</p>}
      <ul className={`bare ${css.carry}`}>
        {carry.map((c) => (
          <li key={c.what}>
            <label>
              <input type="checkbox" checked={have.includes(c.what)} onChange={() => tick(c.what)} />
              <b>{c.what}</b> <span className="q sm">{c.for}</span>
            </label>
          </li>
        ))}
      </ul>
      <p className="sm">{sheet.cleaning}</p>
      {sheet.marks.length > 0 && (
        <p className="sm q">On you: {sheet.marks.map((m) => `${m.name} ${say(m.cm, 'cm', units)}`).join(', ')}.</p>
      )}
      <ul className="bare sm q" aria-label="Safety">
        {sheet.safety.map((x) => (
          <li key={x}>{x}</li>
        ))}
      </ul>
    </section>
  );
}
