import { useState } from 'react';
import type { Bar, Plan, TreeSummary } from '../shared/api';
import { addDays, plain, short, type Day } from '../shared/day';
import { useHere } from '../shared/orchard';
import { Trouble } from '../shared/Trouble';
import { markOf } from '../drawing/marks';
import { lookOf, mostPressing, StakeLabel } from '../drawing/StakeLabel';
import { useSky } from '../yard/WeatherStrip';
import { DayHours } from './DayHours';
import { DayList } from './DayList';
import { minutes, monday, shownDays, useDays, useSetDay, type Chosen, type Days, type Dropped } from './days';
import { MoveJob } from './MoveJob';
import { at, FitRows, WeeksSky, type Grid } from './WeeksSky';
import { lanes } from './lanes';
import css from './year.module.css';

const laneHeight = 26; // a flag is something to take hold of

/** Three weeks from a week's Monday: the weather, each tree's windows, the day each job is set on, and the hours. */
export function Weeks({ plan, day, width, phone }: { plan: Plan; day: Day; width: number; phone: boolean }) {
  const { orchard } = useHere();
  const asked = useDays(orchard.slug, day);
  const sky = useSky(orchard.slug);
  const set = useSetDay(orchard.slug);
  const [moving, setMoving] = useState('');
  const days = asked.data;
  if (asked.error) return <Trouble error={asked.error} holds="The twelve months stand as they were." />;
  if (!days || days.day !== day) return <p className="page q">Choosing the days.</p>;
  const left = 216;
  const grid: Grid = { from: monday(day), left, col: (width - left - 24) / shownDays, width };
  const now = sky.data?.day === day ? sky.data : undefined;
  const move = (task: string, to?: Day) =>
    set.mutate(to ? { task_id: task, day: to } : { task_id: task }, { onSuccess: () => setMoving('') });
  const row = {
    grid,
    days,
    today: day,
    moving,
    onMove: setMoving,
    onSet: move,
    slug: orchard.slug,
    busy: set.isPending,
  };
  return (
    <section className="weeks" aria-label="Three weeks">
      <p className={`sm q ${css.says} says`}>{days.says}</p>
      {set.error && <Trouble error={set.error} holds="The days stand as they were." />}
      {!phone && (
        <>
          <WeeksSky grid={grid} sky={now} days={days} today={day} units={orchard.units} />
          <FitRows grid={grid} sky={now} />
          <ul className={`bare ${css.rows} rows`}>
            {plan.trees.map((t) => (
              <Row key={t.id} owner={t} bars={t.bars} {...row} />
            ))}
            {plan.orchard.length > 0 && <Row bars={plan.orchard} {...row} />}
          </ul>
          <DayHours grid={grid} days={days} />
        </>
      )}
      {phone && <DayHours grid={{ ...grid, left: 40, col: (width - 48) / shownDays }} days={days} />}
      <Waiting days={days} until={addDays(grid.from, shownDays)} />
      <LeftOut days={days} busy={set.isPending} onSet={move} />
      <DayList days={days} until={addDays(grid.from, shownDays)} open={phone} />
    </section>
  );
}

interface RowProps {
  owner?: TreeSummary;
  bars: readonly Bar[];
  grid: Grid;
  days: Days;
  today: Day;
  moving: string;
  onMove: (task: string) => void;
  onSet: (task: string, day?: Day) => void;
  slug: string;
  busy: boolean;
}

const settled = /done|looked|left|missed/;

function Row({ owner, bars, grid, days, today, moving, onMove, onSet, slug, busy }: RowProps) {
  const last = addDays(grid.from, shownDays - 1);
  const near = bars.filter((b) => b.closes >= grid.from && b.opens <= last && !settled.test(b.state));
  const laid = lanes(near);
  const chosen = new Map(days.jobs.map((j) => [j.task_id, j]));
  const left = new Map(days.dropped.map((j) => [j.task_id, j]));
  const done = days.done.filter((d) => (d.tree_id ?? '') === (owner?.id ?? ''));
  if (laid.length === 0 && done.length === 0) return null;
  const h = Math.max(1, ...laid.map((l) => l.lane + 1)) * laneHeight + 2;
  const open = near.find((b) => b.id === moving);
  return (
    <li className={open ? css.opened : undefined}>
      <div className="row" style={{ height: h }}>
        <span className="head">
          {owner ? (
            <>
              <StakeLabel code={owner.code} look={lookOf(mostPressing(owner.bars))} /> {owner.kind_name}{' '}
              <span className="q sm">{owner.name}</span>
            </>
          ) : (
            <b>Orchard</b>
          )}
        </span>
        <svg width={grid.width} height={h} aria-hidden="true">
          {Array.from({ length: shownDays + 1 }, (_, i) => (
            <path
              key={i}
              d={`M${String(grid.left + i * grid.col)} 0V${String(h)}`}
              stroke={i % 7 === 0 ? 'var(--rule-strong)' : 'var(--rule)'}
            />
          ))}
          <rect x={at(grid, today)} y={0} width={grid.col} height={h} fill="var(--sheet)" />
          {laid.map(({ bar, lane }) => (
            <WeekBar key={bar.id} bar={bar} y={lane * laneHeight + 5} grid={grid} last={last} />
          ))}
          {done.map((d) => (
            <g key={d.task_id + d.date} transform={`translate(${String(at(grid, d.date) + 6)} 2)`}>
              <path d="M0 0V17M3 9l3 3.5 6-8" fill="none" stroke="var(--quiet)" strokeWidth={1.6} />
            </g>
          ))}
        </svg>
        {laid.map(({ bar, lane }) => (
          <Flags
            key={bar.id}
            bar={bar}
            job={chosen.get(bar.id)}
            dropped={left.get(bar.id)}
            y={lane * laneHeight}
            grid={grid}
            last={last}
            onMove={() => onMove(moving === bar.id ? '' : bar.id)}
            on={moving === bar.id}
            code={owner?.code ?? ''}
          />
        ))}
      </div>
      {open && (
        <MoveJob
          key={open.id}
          slug={slug}
          today={today}
          bar={open}
          job={chosen.get(open.id)}
          grid={grid}
          busy={busy}
          onSet={(d) => onSet(open.id, d)}
          onLeave={() => onMove('')}
        />
      )}
    </li>
  );
}

/** A window within the three weeks: its mark's band on top; care is a plain dotted bar. */
function WeekBar({ bar, y, grid, last }: { bar: Bar; y: number; grid: Grid; last: Day }) {
  const m = markOf(bar.mark);
  const end = grid.left + shownDays * grid.col;
  const x0 = Math.max(grid.left, at(grid, bar.opens));
  const x1 = Math.min(end, at(grid, addDays(bar.closes, 1)));
  const care = bar.mark === 'care';
  const closes = bar.closes <= last ? `closes ${short(bar.closes)}` : '';
  const opens = bar.opens > grid.from && bar.opens <= last;
  return (
    <g fontSize={12}>
      <rect
        x={x0}
        y={y}
        width={Math.max(3, x1 - x0)}
        height={16}
        fill={care ? 'var(--sheet)' : m.wash}
        stroke={m.stroke}
        strokeDasharray={care || bar.state === 'waits' ? '2 2' : undefined}
      />
      {!care && (
        <path
          d={`M${String(x0)} ${String(y + 1.5)}H${String(x1)}`}
          stroke={m.stroke}
          strokeWidth={3}
          strokeDasharray={m.dash || undefined}
        />
      )}
      {x1 - x0 > bar.short.length * 6.4 + 10 && (
        <text x={x0 + 5} y={y + 13} style={{ fill: m.text }}>
          {bar.short}
        </text>
      )}
      {closes && x1 - x0 > 190 && (
        <text x={x1 - 5} y={y + 13} textAnchor="end" style={{ fill: m.text }}>
          {closes}
        </text>
      )}
      {opens && x0 - grid.left > 110 && (
        <text x={x0 - 6} y={y + 13} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
          opens {short(bar.opens)}
        </text>
      )}
    </g>
  );
}

interface FlagProps {
  bar: Bar;
  job: Chosen | undefined;
  dropped: Dropped | undefined;
  y: number;
  grid: Grid;
  last: Day;
  on: boolean;
  onMove: () => void;
  code: string;
}

/** The days a job is set on, as flags one can take hold of; a dropped one stands dotted where it would fit. */
function Flags({ bar, job, dropped, y, grid, last, on, onMove, code }: FlagProps) {
  const where = (d: Day) => ({ left: at(grid, d) + 2, top: y });
  return (
    <>
      {job?.pieces
        .filter((p) => p.date >= grid.from && p.date <= last)
        .map((p) => (
          <button
            key={p.date}
            type="button"
            className={job.set ? `${css.flag} held` : css.flag}
            style={where(p.date)}
            aria-pressed={on}
            aria-label={`${code} ${bar.title}, ${plain(p.date)}, ${minutes(p.minutes)}${job.set ? ', set by you' : ''}: move it`}
            title={`${bar.title}: ${job.says}`}
            onClick={onMove}
          >
            {grid.col > 38 ? minutes(p.minutes).replace(' min', '′') : ''}
          </button>
        ))}
      {dropped?.fits && dropped.fits >= grid.from && dropped.fits <= last && (
        <button
          type="button"
          className={`${css.flag} ${css.gone}`}
          style={where(dropped.fits)}
          aria-pressed={on}
          aria-label={`${code} ${bar.title}: dropped; find it a day`}
          title={dropped.why}
          onClick={onMove}
        >
          dropped
        </button>
      )}
    </>
  );
}

/** Jobs that something else comes before, with what. */
function Waiting({ days, until }: { days: Days; until: Day }) {
  const near = days.waiting.filter((w) => w.opens < until);
  if (near.length === 0) return null;
  return (
    <section className={css.waiting}>
      <h2>Waits</h2>
      <ul className="bare sm">
        {near.map((w) => (
          <li key={w.task_id}>
            {w.code && <StakeLabel code={w.code} look="soft" />} <b>{w.title}</b> <span className="q">{w.says}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What does not fit, least harm first, with what that costs and what would hold it. */
function LeftOut({ days, busy, onSet }: { days: Days; busy: boolean; onSet: (task: string, day?: Day) => void }) {
  if (days.dropped.length === 0) return null;
  return (
    <section className={css.leftout} aria-label="What is dropped">
      <h2>What is dropped, and what it costs</h2>
      <p className="sm q">Least harm first.</p>
      <ul className="bare">
        {days.dropped.map((d) => (
          <li key={d.task_id}>
            <header>
              {d.code && <StakeLabel code={d.code} look="soft" />} <b>{d.title}</b>
              <span className="q sm">{minutes(d.left)}</span>
            </header>
            <p className="sm">{d.why}</p>
            <p className="sm over">{d.costs}</p>
            {d.fits && (
              <p className="sm">
                {d.room_says}{' '}
                <button type="button" className="plain" disabled={busy} onClick={() => onSet(d.task_id, d.fits)}>
                  Take that time
                </button>
              </p>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
