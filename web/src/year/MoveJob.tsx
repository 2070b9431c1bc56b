import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import type { Bar } from '../shared/api';
import { addDays, between, onWeekday, weekdayLong, type Day } from '../shared/day';
import { minutes, shownDays, useDayCosts, type Chosen, type DayCost } from './days';
import { at, type Grid } from './WeeksSky';
import css from './year.module.css';

const levels: Record<string, string> = { better: 'better', possible: 'can be done', harmful: 'harmful' };

/** A job being moved: how good each day is for it, what the day under the hand costs, and two equal ways out. */
export function MoveJob({
  slug,
  today,
  bar,
  job,
  grid,
  busy,
  onSet,
  onLeave,
}: {
  slug: string;
  today: Day;
  bar: Bar;
  job: Chosen | undefined;
  grid: Grid;
  busy: boolean;
  onSet: (day?: Day) => void;
  onLeave: () => void;
}) {
  const costs = useDayCosts(slug, today, bar.id);
  const was = job?.pieces[0]?.date ?? today;
  const [to, setTo] = useState(was);
  const handle = useRef<HTMLButtonElement>(null);
  useEffect(() => handle.current?.focus(), []);
  const last = addDays(grid.from, shownDays - 1);
  const by = new Map((costs.data ?? []).map((c) => [c.date, c]));
  const cost = by.get(to);
  const go = (d: Day) => setTo(d < today ? today : d > last ? last : d);
  const under = (clientX: number, box: DOMRect) =>
    go(addDays(grid.from, Math.floor((clientX - box.left - grid.left) / grid.col)));
  return (
    <div
      className={css.move}
      role="group"
      aria-label={`Move ${bar.title}`}
      onPointerMove={(e) => {
        if (e.buttons === 1 && e.currentTarget.hasPointerCapture(e.pointerId))
          under(e.clientX, e.currentTarget.getBoundingClientRect());
      }}
    >
      <Grades costs={costs.data ?? []} grid={grid} to={to} was={was} last={last} />
      <button
        ref={handle}
        type="button"
        className={css.grip}
        style={{ left: at(grid, to) + grid.col / 2 }}
        aria-label={`${bar.title} on ${weekdayLong(to)}. Arrow keys move it a day, Enter sets it, Escape leaves it`}
        onPointerDown={(e) => e.currentTarget.parentElement?.setPointerCapture(e.pointerId)}
        onKeyDown={(e) => {
          if (e.key === 'ArrowRight') go(addDays(to, 1));
          else if (e.key === 'ArrowLeft') go(addDays(to, -1));
          else if (e.key === 'Escape') onLeave();
          else if (e.key === 'Enter' && cost?.open && to !== was) onSet(to);
          else return;
          e.preventDefault();
        }}
      >
        {bar.short} {minutes(Math.round(bar.minutes))}
      </button>
      <div className={css.costs}>
        <div className="acts">
          <Button variant="contained" disabled={busy || !cost?.open} onClick={() => onSet(to)}>
            Set {onWeekday(to)}
          </Button>
          <Button variant="outlined" onClick={onLeave}>
            Leave it
          </Button>
          {job?.set && (
            <Button variant="text" disabled={busy} onClick={() => onSet()}>
              Let the planner choose
            </Button>
          )}
        </div>
        <div className={css.told} aria-live="polite">
          {cost ? (
            <>
              <b className={cost.open ? undefined : 'over'}>{weekdayLong(to)}</b>
              <br />
              {cost.tree}
              <br />
              {cost.weather}
              <br />
              <span className={/more than|keep free/.test(cost.time) ? 'over' : undefined}>{cost.time}</span>
            </>
          ) : (
            'Working out what each day costs.'
          )}
          <br />
          <span className="q">{job?.says}</span>
        </div>
      </div>
    </div>
  );
}

/** How good each day is in the window: thick leaf better, thin can be done, hatched harmful; a gap is forbidden or closed. */
function Grades({
  costs,
  grid,
  to,
  was,
  last,
}: {
  costs: readonly DayCost[];
  grid: Grid;
  to: Day;
  was: Day;
  last: Day;
}) {
  const shown = costs.filter((c) => c.date >= grid.from && c.date <= last);
  const h = 44;
  return (
    <svg width={grid.width} height={h} aria-hidden="true">
      <rect x={at(grid, to)} y={0} width={grid.col} height={h} fill="var(--leaf-wash)" />
      <text x={grid.left - 8} y={h - 7} fontSize={12} textAnchor="end" style={{ fill: 'var(--quiet)' }}>
        how good the day is for it
      </text>
      {shown.map((c) => {
        const x = at(grid, c.date) + 1;
        const w = grid.col - 2;
        const y = h - 12;
        if (c.level === 'forbidden') return null;
        if (c.level === 'harmful')
          return (
            <path
              key={c.date}
              d={`M${String(x)} ${String(y)}h${String(w)}`}
              stroke="var(--autumn)"
              strokeWidth={5}
              strokeDasharray="2 2"
            />
          );
        return (
          <path
            key={c.date}
            d={`M${String(x)} ${String(y)}h${String(w)}`}
            stroke={c.open ? 'var(--leaf)' : 'var(--rule-strong)'}
            strokeWidth={c.level === 'better' ? 5 : 1.8}
          >
            <title>{levels[c.level]}</title>
          </path>
        );
      })}
      {between(was, to) !== 0 && (
        <path
          d={`M${String(at(grid, was) + grid.col / 2)} ${String(14)}H${String(at(grid, to) + grid.col / 2)}`}
          stroke="var(--ink)"
          strokeDasharray="2 3"
        />
      )}
    </svg>
  );
}
