import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import { Fact } from '../shared/Fact';
import type { Entry, Task, TreePlan, TreeSummary } from '../shared/api';
import { type Day, long, plain } from '../shared/day';
import { useEntries, useTreePlan, useTrees, useTreeVersions } from '../shared/queries';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { count, degree, other, say, showTemp } from '../shared/units';
import { StopLine } from '../drawing/Gauge';
import { drawnMarks, markOf, type Mark } from '../drawing/marks';
import { lookOf, StakeLabel } from '../drawing/StakeLabel';
import { YearRing } from '../drawing/YearRing';
import { useOpenJob } from './openJob';
import { TaskDetail } from './TaskDetail';
import css from './yard.module.css';

interface Props {
  id: string;
  onClose: () => void;
  onLog: (t?: Task) => void;
  onCorrect: (e: Entry) => void;
  onEdit: () => void;
}

/** One tree: its facts, its ring, its account, its tasks with all their reasons, its journal. */
export function TreePanel({ id, onClose, onLog, onCorrect, onEdit }: Props) {
  const { orchard, units, meta, plan } = useHere();
  const { settled } = useShown();
  const q = useTreePlan(orchard.slug, id, settled);
  const trees = useTrees(orchard.slug);
  const doc = trees.data?.find((t) => t.id === id);
  const kind = meta.kinds.find((k) => k.slug === doc?.kind);
  if (q.error && !q.data) {
    return (
      <>
        <Button onClick={onClose} size="small">
          Docket
        </Button>
        <Trouble error={q.error} />
      </>
    );
  }
  if (!q.data || !doc || !kind || !plan) return <p className="q">Working out this tree’s year.</p>;
  const s = q.data.summary;
  return (
    <section aria-label={`Tree ${s.code}`}>
      <div className="acts" style={{ justifyContent: 'space-between', marginTop: 0 }}>
        <Button onClick={onClose} size="small">
          Docket
        </Button>
        <span className="acts">
          <Button component={Link} to={`/${orchard.slug}/trees/${encodeURIComponent(id)}/season`} size="small">
            Its season
          </Button>
          <Button component={Link} to={`/${orchard.slug}/trees/${encodeURIComponent(id)}/why`} size="small">
            Something is wrong
          </Button>
          <Button component={Link} to={`/${orchard.slug}/trees/${encodeURIComponent(id)}`} size="small">
            Bench
          </Button>
          <Button onClick={onEdit} size="small">
            Edit
          </Button>
          <Button onClick={() => onLog()} size="small" variant="outlined">
            Log what was seen
          </Button>
        </span>
      </div>
      <h1 style={{ display: 'flex', gap: 10, alignItems: 'center', overflowWrap: 'anywhere' }}>
        <StakeLabel code={s.code} look="full" />
        <bdi className={css.clamp} title={s.name}>
          {s.name ?? s.kind_name}
        </bdi>
      </h1>
      <p className="sm q">
        {s.kind_name}
        {doc.cultivar ? ` ‘${doc.cultivar}’` : ''}, {meta.forms.find((f) => f.slug === s.form)?.name ?? s.form};{' '}
        {s.stage_says}
      </p>
      {s.warnings.map((w) => (
        <div key={w.rule + (w.value ?? '')} className="trouble" style={{ borderColor: 'var(--summer)' }}>
          {w.says}
        </div>
      ))}
      <BigRing data={q.data} from={plan.from} to={plan.to} />
      <dl className="facts">
        <Fact name="Aim" value={s.aim_says} />
        <Fact
          name="Planted"
          value={doc.planted ? `${plain(doc.planted)} ${doc.planted.slice(0, 4)}, season ${String(s.age)}` : 'unknown'}
        />
        <Fact
          name="Height"
          value={
            s.height_m > 0
              ? `${say(s.height_m, 'm', units)}${s.height_by ? ' by its map' : ''}${heightOn(s, plan.day)}, you pick to ${say(s.reach_m, 'm', units)}`
              : 'not measured'
          }
          title={s.height_m > 0 ? other(s.height_m, 'm', units) : ''}
          over={s.height_m > s.reach_m}
        />
        <Fact
          name="Spread"
          value={`${say(s.spread_m, 'm', units)}${s.estimated ? ', estimated' : ''}`}
          title={other(s.spread_m, 'm', units)}
        />
        <Fact
          name="Stock"
          value={[
            doc.class?.replace('-', ' ') ?? 'unknown',
            doc.class_source ? `(${doc.class_source})` : '',
            doc.rootstock ?? '',
          ].join(' ')}
        />
        <Fact name="Roots reach" value={`about ${say(s.roots_m, 'm', units)}`} />
        <Fact name="Bears on" value={kind.bearing} />
        <Fact name="Wood" value={kind.wood} />
      </dl>
      <p className="sm q">
        {upper(kind.bearing_means)}. Reading its stages:{' '}
        {kind.stage_reading.replaceAll('_', ' ').replaceAll(' = ', ' is ')}.
      </p>
      {q.data.roots && (
        <div className="trouble" style={{ borderColor: 'var(--summer)' }}>
          {q.data.roots}
        </div>
      )}
      <h2 className="h3">The year’s account</h2>
      <StopLine account={s.account} />
      {s.account.carried.map((c) => (
        <p key={c.says} className="sm">
          {c.says}
        </p>
      ))}
      <Tasks tasks={q.data.tasks} onLog={onLog} day={q.data.day} />
      {q.data.resists && <p className="sm">{q.data.resists}</p>}
      <Company data={q.data} company={kind.company} />
      <History id={id} onCorrect={onCorrect} />
      <FactsBefore id={id} />
      {doc.notes && (
        <>
          <div className="grp">
            <h2 className="h3">Notes</h2>
          </div>
          <p className="sm" style={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>
            {doc.notes}
          </p>
        </>
      )}
    </section>
  );
}

function upper(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function BigRing({ data, from, to }: { data: TreePlan; from: string; to: string }) {
  const seen = new Set(data.summary.bars.map((b) => b.mark));
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '150px 1fr', alignItems: 'center', gap: 12, margin: '6px 0' }}>
      <svg
        viewBox="0 0 150 150"
        width="150"
        height="150"
        role="img"
        aria-label={`Year ring of ${data.summary.code}; the same windows stand in the list below`}
      >
        <YearRing cx={75} cy={75} r={46} bars={data.summary.bars} from={from} to={to} day={data.day} months />
      </svg>
      <ul className="legend" style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {drawnMarks
          .filter((m) => seen.has(m))
          .map((m) => (
            <li key={m} style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
              <MarkSwatch mark={m} />
              {markOf(m).name}
            </li>
          ))}
      </ul>
    </div>
  );
}

export function MarkSwatch({ mark }: { mark: Mark }) {
  const m = markOf(mark);
  return (
    <svg width={24} height={10} aria-hidden="true">
      {mark === 'pick' ? (
        <path d="M0 2.5H24M0 7.5H24" stroke={m.stroke} strokeWidth={1.8} />
      ) : (
        <path d="M0 5H24" stroke={m.stroke} strokeWidth={8} strokeDasharray={m.dash} />
      )}
    </svg>
  );
}

const stateWords: Record<string, string> = {
  opens: 'opens',
  open: 'open',
  closing: 'closing',
  waits: 'waits',
  done: 'done',
  part: 'part done',
  'looked-nothing-needed': 'looked, nothing needed',
  left: 'left',
  missed: 'missed',
};

function Tasks({ tasks, onLog, day }: { tasks: Task[]; onLog: (t?: Task) => void; day: string }) {
  const [open, setOpen] = useOpenJob();
  return (
    <>
      <div className="grp">
        <h2 className="h3">Its tasks</h2>
        <span className="sm q">{tasks.length}</span>
      </div>
      {tasks.map((t) => (
        <div key={t.id}>
          <button
            type="button"
            className={css.item}
            data-at={t.id}
            aria-expanded={open === t.id}
            onClick={() => setOpen(open === t.id ? '' : t.id)}
          >
            <span>
              <MarkSwatch mark={t.mark} />
            </span>
            <span className={css.what}>
              <b style={{ fontWeight: t.group ? 700 : 400 }}>{t.title}</b>
              {t.optional && <span className="q"> (may be left)</span>}
            </span>
            <span className={css.tm}>{stateWords[t.state] ?? t.state}</span>
            <span className="why">
              {plain(t.opens)} to {plain(t.closes)}
              {t.instead ? `. ${t.instead}` : ''}
            </span>
          </button>
          {open === t.id && <TaskDetail task={t} onLog={onLog} day={day} />}
        </div>
      ))}
    </>
  );
}

function Company({ data, company }: { data: TreePlan; company: string | undefined }) {
  if (!company) return null;
  return (
    <>
      <div className="grp">
        <h2 className="h3">Company in bloom</h2>
      </div>
      <p className="sm q">Wants {company}.</p>
      <p className="sm">
        {data.company.length === 0 && 'None stands here.'}
        {data.company.map((c) => (
          <span key={c.partner} style={{ marginRight: 12 }}>
            <StakeLabel code={c.partner} look={lookOf(c.enough ? 'opening' : 'wait')} /> {count(c.days, 'day')} together
          </span>
        ))}
      </p>
    </>
  );
}

/** A line of the journal in words. */
export function entryWords(e: Entry, titles: Map<string, string>, units: 'metric' | 'us'): string {
  const parts: string[] = [];
  if (e.kind === 'work')
    parts.push(`${titles.get(e.task ?? '') ?? e.task ?? ''}: ${(e.outcome ?? '').replace('-', ' ')}`);
  else if (e.kind === 'observed') parts.push(`Seen: ${(e.stage ?? '').replaceAll('_', ' ')}`);
  else if (e.kind === 'frost-night')
    parts.push(`Frost night, ${e.tmin_c === undefined ? '' : `${showTemp(e.tmin_c, units)} ${degree(units)}`}`);
  else if (e.kind === 'seen') parts.push(`Seen: ${e.agent ?? ''}${e.count ? `, ${String(e.count)}` : ''}`);
  else if (e.kind === 'treatment') parts.push(`Treatment: ${e.treatment ?? ''}`);
  else if (e.kind === 'trouble') parts.push(`Not as meant (${titles.get(e.task ?? '') ?? e.task ?? 'a job'})`);
  else if (e.kind === 'measured') parts.push('Measured');
  if (e.share) parts.push(`${String(Math.round(e.share * 100))} % of the crown`);
  if (e.height_m) parts.push(`height ${say(e.height_m, 'm', units)}`);
  if (e.shoot_cm) parts.push(`shoots ${say(e.shoot_cm, 'cm', units)}`);
  if (e.kilos) parts.push(say(e.kilos, 'kg', units));
  if (e.minutes) parts.push(`${String(e.minutes)} min`);
  if (e.reason) parts.push(e.reason);
  if (e.note) parts.push(e.note);
  return parts.join(', ');
}

function History({ id, onCorrect }: { id: string; onCorrect: (e: Entry) => void }) {
  const { orchard, meta, units } = useHere();
  const { settled } = useShown();
  const [all, setAll] = useState(false);
  const entries = useEntries(orchard.slug, id);
  const titles = new Map(meta.tasks.map((t) => [t.kind, t.title]));
  const list = (entries.data ?? []).filter((e) => e.date <= settled).reverse();
  const few = 8;
  return (
    <>
      <div className="grp">
        <h2 className="h3">Its journal</h2>
        <span className="sm q">{list.length}</span>
      </div>
      {list.length === 0 && <p className="sm q">Nothing logged yet.</p>}
      <ul className="sm" style={{ paddingLeft: 0, listStyle: 'none', margin: 0 }}>
        {list.slice(0, all ? undefined : few).map((e) => (
          <li key={e.id} style={{ padding: '3px 0', overflowWrap: 'anywhere' }} title={long(e.date)}>
            <span className="q">
              {plain(e.date)} {e.date.slice(0, 4)}
              {e.who ? `, ${e.who}` : ''}
            </span>
            <br />
            {entryWords(e, titles, units)}{' '}
            <button
              type="button"
              className="plain sm q"
              style={{ minHeight: 24, padding: '0 6px' }}
              onClick={() => onCorrect(e)}
              aria-label={`Correct the entry of ${plain(e.date)}`}
            >
              correct
            </button>
          </li>
        ))}
      </ul>
      {list.length > few && (
        <Button size="small" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${String(list.length)}`}
        </Button>
      )}
    </>
  );
}

/** What was changed of a tree's form, aim and place, and when. */
function FactsBefore({ id }: { id: string }) {
  const { orchard } = useHere();
  const versions = useTreeVersions(orchard.slug, id);
  const list = versions.data ?? [];
  const changes = list.slice(1).flatMap((v, i) => {
    const was = list[i]?.tree;
    if (!was) return [];
    const said: string[] = [];
    if (was.form !== v.tree.form) said.push(`form from ${was.form ?? 'none'} to ${v.tree.form ?? 'none'}`);
    if (was.aim !== v.tree.aim) said.push(`aim from ${was.aim ?? 'by school'} to ${v.tree.aim ?? 'by school'}`);
    if (was.x !== v.tree.x || was.y !== v.tree.y) said.push('moved on the plan');
    if (!was.gone && v.tree.gone) said.push(`gone: ${v.tree.gone_why ?? ''}`);
    return said.length ? [{ at: v.at.slice(0, 10), said: said.join(', ').replaceAll('-', ' ') }] : [];
  });
  if (!changes.length) return null;
  return (
    <>
      <div className="grp">
        <h2 className="h3">Its facts before</h2>
      </div>
      {changes.map((c) => (
        <p key={c.at + c.said} className="sm">
          <span className="q">{plain(c.at)}</span> {c.said}
        </p>
      ))}
    </>
  );
}

/** The day a height is of, where that is not the one looked at: a tree grows on. */
function heightOn(s: TreeSummary, day: Day): string {
  return s.height_on && s.height_on !== day ? ` of ${plain(s.height_on)} ${s.height_on.slice(0, 4)}` : '';
}
