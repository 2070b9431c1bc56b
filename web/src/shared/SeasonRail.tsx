import { useCallback, type KeyboardEvent, type PointerEvent } from 'react';
import type { Plan } from './api';
import {
  addDays,
  between,
  fromNumber,
  isDay,
  long,
  monthName,
  monthStarts,
  plain,
  short,
  toNumber,
  withYear,
  type Day,
} from './day';
import { useWidth } from './measure';
import { useHandle, useShown } from './shown';
import { markOf, type Mark } from '../drawing/marks';
import { shareOfYear } from '../drawing/time';
import css from './shared.module.css';

const bandColours: Record<string, string> = {
  Dormancy: '--winter',
  Bloom: '--spring',
  Growth: '--leaf',
  Ripening: '--autumn',
};
const bandText: Record<string, string> = {
  Dormancy: '--winter-text',
  Bloom: '--spring-text',
  Growth: '--leaf',
  Ripening: '--autumn-text',
};

/** The same day of another year. */
const yearOn = (d: Day, n: number): Day => {
  const to = `${String(Number(d.slice(0, 4)) + n)}${d.slice(4)}`;
  return isDay(to) ? to : addDays(d, n * 365);
};

const steps = [
  { mark: '«', says: 'A year back', to: (d: Day) => yearOn(d, -1) },
  { mark: '‹‹', says: 'A week back', to: (d: Day) => addDays(d, -7) },
  { mark: '‹', says: 'A day back', to: (d: Day) => addDays(d, -1) },
  { mark: '›', says: 'A day on', to: (d: Day) => addDays(d, 1) },
  { mark: '››', says: 'A week on', to: (d: Day) => addDays(d, 7) },
  { mark: '»', says: 'A year on', to: (d: Day) => yearOn(d, 1) },
] as const;

/** The tree year as a place: drag the handle and every screen shows that day. */
export function SeasonRail({ plan }: { plan: Plan }) {
  const { setDay, today } = useShown();
  const day = useHandle();
  const [ref, width, el] = useWidth(1040);
  const length = between(plan.from, plan.to) + 1;
  const x = (d: Day) => shareOfYear(d, plan.from, plan.to) * width;
  const at = Math.min(Math.max(x(day), 0), width);

  const pick = useCallback(
    (e: PointerEvent<HTMLElement>) => {
      const box = el?.getBoundingClientRect();
      if (!box) return;
      const share = Math.min(Math.max((e.clientX - box.left) / box.width, 0), 0.99999);
      setDay(addDays(plan.from, Math.min(length - 1, Math.round(share * length))));
    },
    [length, plan.from, el, setDay],
  );
  const move = (e: PointerEvent<HTMLElement>) => {
    if (e.currentTarget.hasPointerCapture(e.pointerId)) pick(e);
  };
  const down = (e: PointerEvent<HTMLElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    pick(e);
  };
  const keys = (e: KeyboardEvent) => {
    const step: Record<string, number> = {
      ArrowLeft: -1,
      ArrowDown: -1,
      ArrowRight: 1,
      ArrowUp: 1,
      PageDown: -30,
      PageUp: 30,
    };
    const by = step[e.key];
    if (by !== undefined) setDay(addDays(day, by));
    else if (e.key === 'Home') setDay(plan.from);
    else if (e.key === 'End') setDay(plan.to);
    else return;
    e.preventDefault();
  };

  return (
    <nav className={css.rail} aria-label="Season">
      <div className={css.where}>
        <b>{plan.stage_says}</b>
        <span title={plan.next_says}>{plan.next_says}</span>
      </div>
      <div className="steps">
        {steps.map((b) => (
          <button key={b.says} type="button" className="plain" aria-label={b.says} onClick={() => setDay(b.to(day))}>
            {b.mark}
          </button>
        ))}
        <b>{withYear(day)}</b>
        {day !== today && (
          <button type="button" className="plain" onClick={() => setDay(today)}>
            Today
          </button>
        )}
      </div>
      <div className={css.scale} ref={ref} onPointerDown={down} onPointerMove={move} data-testid="rail">
        <svg width={width} height={56} aria-hidden="true">
          <RailDefs />
          <path d={`M0 31.5H${String(width)}`} stroke="var(--ink)" strokeWidth={1} />
          {plan.bands.map((b) => (
            <g key={b.name}>
              <rect
                x={x(b.from)}
                y={19}
                width={Math.max(0, x(b.to) - x(b.from))}
                height={12}
                fill={`url(#band-${b.name})`}
              />
              {x(b.to) - x(b.from) > 54 && (
                <text
                  x={(x(b.from) + x(b.to)) / 2}
                  y={29}
                  textAnchor="middle"
                  fontSize={12}
                  style={{ fill: `var(${bandText[b.name] ?? '--quiet'})` }}
                >
                  {b.name}
                </text>
              )}
            </g>
          ))}
          {monthStarts(plan.from, plan.to).map((m) => (
            <g key={m}>
              <path d={`M${String(x(m) + 0.5)} 4V31`} stroke="var(--rule-strong)" strokeWidth={0.8} />
              <text x={x(m) + 5} y={15} fontSize={12}>
                {width > 600 ? monthName(m) : monthName(m).slice(0, 1)}
              </text>
            </g>
          ))}
          {[plan.spring_equinox, plan.autumn_equinox].map((d) => (
            <path key={d} d={`M${String(x(d))} 5v9`} stroke="var(--ink)" strokeWidth={1.2} />
          ))}
          <circle cx={x(plan.winter_solstice)} cy={10} r={4} fill="var(--ground)" stroke="var(--ink)" />
          <circle cx={x(plan.summer_solstice)} cy={10} r={4} fill="var(--summer)" stroke="var(--ink)" />
          {plan.frost.map((f) => (
            <path
              key={f.day}
              d={`M${String(x(f.day))} 32v${String(2 + 7 * f.risk)}`}
              stroke="var(--winter)"
              strokeWidth={1}
            />
          ))}
          {workStrokes(plan).map((s) => (
            <path
              key={s.key}
              d={`M${String(x(s.day))} 56v${String(-4 * Math.min(3, s.trees))}`}
              stroke={markOf(s.mark).stroke}
              strokeWidth={3}
            />
          ))}
          {today >= plan.from && today <= plan.to && today !== day && (
            <path d={`M${String(x(today))} 3v50`} stroke="var(--ink)" strokeWidth={1} strokeDasharray="2 3" />
          )}
        </svg>
        <button
          type="button"
          className={css.handle}
          style={{ left: at }}
          role="slider"
          aria-label="Day shown"
          aria-valuemin={0}
          aria-valuemax={length - 1}
          aria-valuenow={between(plan.from, day)}
          aria-valuetext={long(day)}
          onKeyDown={keys}
        >
          <svg width={60} height={56} viewBox="-30 0 60 56" aria-hidden="true">
            <path d="M-28 0H28V15H8L0 22L-8 15H-28Z" fill="var(--ink)" />
            <path d="M0 22V56" stroke="var(--ink)" strokeWidth={2} />
            <text x={0} y={12} textAnchor="middle" fontSize={12.5} fontWeight={700} style={{ fill: 'var(--ground)' }}>
              {short(day)}
            </text>
          </svg>
        </button>
      </div>
      <span className="visually-hidden" aria-live="polite">
        {plain(day)}: {plan.stage_says}. {plan.next_says}
      </span>
    </nav>
  );
}

/** Where work stands: one stroke a week and mark at the middle of its windows, four pixels a tree. */
function workStrokes(plan: Plan) {
  const weeks = new Map<string, { key: string; day: Day; mark: Mark; trees: number }>();
  for (const t of plan.trees) {
    for (const b of t.bars) {
      if (b.mark === 'care' || b.closes < plan.from || b.opens > plan.to) continue;
      const mid = Math.round((toNumber(b.opens) + toNumber(b.closes)) / 2);
      const week = Math.floor(mid / 7);
      const key = `${String(week)}${b.mark}`;
      const seen = weeks.get(key);
      if (seen) seen.trees += 1;
      else weeks.set(key, { key, day: fromNumber(week * 7 + (b.mark.length % 5)), mark: b.mark, trees: 1 });
    }
  }
  return [...weeks.values()].filter((s) => s.day >= plan.from && s.day <= plan.to);
}

function RailDefs() {
  return (
    <defs>
      {Object.entries(bandColours).map(([name, colour]) => (
        <linearGradient key={name} id={`band-${name}`}>
          <stop offset="0" stopColor={`var(${colour})`} stopOpacity={0} />
          <stop offset=".12" stopColor={`var(${colour})`} stopOpacity={0.2} />
          <stop offset=".88" stopColor={`var(${colour})`} stopOpacity={0.2} />
          <stop offset="1" stopColor={`var(${colour})`} stopOpacity={0} />
        </linearGradient>
      ))}
    </defs>
  );
}
