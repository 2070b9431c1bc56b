import { useState } from 'react';
import { Select } from '../shared/plain';
import { useAddress } from '../shared/address';
import type { Bar, Plan, Task, TreeSummary } from '../shared/api';
import { monthStarts, plain, toNumber } from '../shared/day';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { useTreePlan } from '../shared/queries';
import { useShown } from '../shared/shown';
import { count } from '../shared/units';
import { drawnMarks, markOf } from '../drawing/marks';
import { lookOf, mostPressing, StakeShape } from '../drawing/StakeLabel';
import { inYear, shareOfYear } from '../drawing/time';
import { MarkSwatch } from '../yard/TreePanel';
import { useDays, useOtherSchool, type Chosen, type OtherWindow } from './days';
import { HoursChart } from './HoursChart';
import { lanes } from './lanes';
import { Weeks } from './Weeks';
import css from './year.module.css';

/** The tree year: trees down, weeks across, on the rail's own scale. */
export default function Year() {
  const { plan, orchard, meta } = useHere();
  const { settled } = useShown();
  const [params, put] = useAddress();
  const weeks = params.get('span') === 'weeks';
  const days = useDays(orchard.slug, settled);
  const [chosen, setChosen] = useState('');
  const [care, setCare] = useState(false);
  const [against, setAgainst] = useState('');
  const other = useOtherSchool(orchard.slug, settled, weeks ? '' : against);
  const [ref, width] = useWidth(1280);
  const detail = useTreePlan(orchard.slug, chosen, settled);
  if (!plan) return <p className="page q">Working out the year.</p>;
  const phone = width < 700;
  const left = phone ? 8 : 216;
  const right = phone ? 8 : 24;
  const x = (d: string) => left + shareOfYear(d, plan.from, plan.to) * (width - left - right);
  const hours = plan.trees.flatMap((t) => t.bars).reduce((s, b) => s + b.minutes, 0) / 60;
  return (
    <div ref={ref} className={css.yearprint} style={{ paddingBottom: 32 }}>
      <div style={{ display: 'flex', flexWrap: 'wrap', gap: 18, alignItems: 'center', padding: '10px 24px 8px 20px' }}>
        <h1>Year</h1>
        <span className="sm q">
          {count(plan.trees.length, 'tree')}, about {Math.round(hours)} h of work
        </span>
        <span className={css.yearways} role="group" aria-label="How much of the year">
          {[false, true].map((w) => (
            <button
              key={String(w)}
              type="button"
              aria-pressed={weeks === w}
              onClick={() => put({ span: w ? 'weeks' : undefined })}
            >
              {w ? 'Three weeks' : 'Twelve months'}
            </button>
          ))}
        </span>
        <span className="spacer" />
        {drawnMarks.map((m) => (
          <span key={m} className="sm" style={{ display: 'inline-flex', gap: 6, alignItems: 'center' }}>
            <MarkSwatch mark={m} /> {markOf(m).name}
          </span>
        ))}
        <span className="sm" style={{ display: 'inline-flex', gap: 6, alignItems: 'center' }}>
          <svg width={12} height={16} aria-hidden="true">
            <Flag x={2} y={0} h={16} />
          </svg>
          day set
        </span>
        {!weeks && (
          <label className="sm against">
            hold against{' '}
            <Select
              all={[
                { value: '', name: 'no other school' },
                ...meta.presets
                  .filter((p) => p.slug !== orchard.school.preset)
                  .map((p) => ({ value: p.slug, name: p.name })),
              ]}
              value={against}
              onChange={setAgainst}
            />
          </label>
        )}
        <button type="button" className={`plain sm ${css.print}`} onClick={() => window.print()}>
          Print
        </button>
        {!weeks && (
          <button
            type="button"
            className="plain sm"
            aria-pressed={care}
            onClick={() => setCare(!care)}
            style={{ border: '1px solid var(--rule-strong)' }}
          >
            {care ? 'Hide care' : 'Show care too'}
          </button>
        )}
      </div>
      {plan.trees.length === 0 && <p className="page">No trees yet. Add the first one on the Yard.</p>}
      {weeks ? (
        <Weeks plan={plan} day={settled} width={width} phone={phone} />
      ) : (
        <>
          <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
            {plan.trees.map((t) => (
              <li
                key={t.id}
                style={{ borderTop: chosen === t.id ? '1.5px solid var(--ink)' : '1px solid var(--rule)' }}
              >
                <TreeRow
                  t={t}
                  plan={plan}
                  x={x}
                  width={width}
                  phone={phone}
                  care={care}
                  chosen={chosen === t.id}
                  set={days.data?.jobs ?? []}
                  others={against === '' ? [] : (other.data ?? []).filter((o) => o.tree_id === t.id)}
                  onChoose={() => setChosen(chosen === t.id ? '' : t.id)}
                />
                {chosen === t.id && detail.data?.summary.id === t.id && (
                  <Reasons
                    tasks={detail.data.tasks.filter((k) => care || k.mark !== 'care')}
                    plan={plan}
                    x={x}
                    width={width}
                    left={left}
                    presets={meta.presets}
                    phone={phone}
                  />
                )}
              </li>
            ))}
          </ul>
          <HoursChart plan={plan} days={days.data} x={x} width={width} left={left} />
        </>
      )}
      <p className="nt q" style={{ padding: '8px 20px' }}>
        {plan.local_rules}
      </p>
    </div>
  );
}

interface RowProps {
  t: TreeSummary;
  plan: Plan;
  x: (d: string) => number;
  width: number;
  phone: boolean;
  care: boolean;
  chosen: boolean;
  set: readonly Chosen[];
  others: readonly OtherWindow[];
  onChoose: () => void;
}

/** The day a job is set on: a stroke with a flag. */
function Flag({ x, y, h }: { x: number; y: number; h: number }) {
  return (
    <g aria-hidden="true">
      <path d={`M${String(x)} ${String(y)}v${String(h)}`} stroke="var(--ground)" strokeWidth={4} />
      <path d={`M${String(x)} ${String(y)}v${String(h)}`} stroke="var(--ink)" strokeWidth={2} />
      <path d={`M${String(x)} ${String(y)}h6v5h-6z`} fill="var(--ink)" />
    </g>
  );
}

function TreeRow({ t, plan, x, width, phone, care, chosen, set, others, onChoose }: RowProps) {
  const shown = lanes(
    t.bars.filter((b) => (care || b.mark !== 'care') && inYear(b.opens, b.closes, plan.from, plan.to)),
  );
  const count = Math.max(1, ...shown.map((s) => s.lane + 1));
  const top = phone ? 24 : 4;
  const below = top + count * 22; // the other school's windows stand beneath
  const h = below + (others.length > 0 ? 20 : 2);
  const group = mostPressing(t.bars);
  const list = shown
    .map((s) => {
      const on = set.find((j) => j.task_id === s.bar.id)?.pieces[0]?.date;
      return `${s.bar.title} ${plain(s.bar.opens)} to ${plain(s.bar.closes)}${on ? `, set for ${plain(on)}` : ''}`;
    })
    .concat(others.map((o) => o.says))
    .join('; ');
  return (
    <button
      type="button"
      onClick={onChoose}
      aria-expanded={chosen}
      aria-label={`${t.code} ${t.kind_name} ${t.name ?? ''}: ${list}`}
      style={{
        display: 'block',
        width: '100%',
        background: chosen ? 'var(--leaf-wash)' : 'none',
        border: 0,
        padding: 0,
        cursor: 'pointer',
        textAlign: 'left',
      }}
    >
      <svg width={width} height={h} aria-hidden="true" style={{ display: 'block' }}>
        {monthStarts(plan.from, plan.to).map((m) => (
          <path key={m} d={`M${String(x(m))} 0V${String(h)}`} stroke="var(--rule)" />
        ))}
        <StakeShape code={t.code} look={lookOf(group)} x={phone ? 8 : 20} y={4} />
        <text x={phone ? 44 : 58} y={17} fontSize={14}>
          <tspan fontWeight={700}>{t.kind_name}</tspan> {(t.name ?? '').slice(0, phone ? 20 : 13)}
        </text>
        {shown.map(({ bar, lane }) => (
          <WindowBar
            key={bar.id}
            bar={bar}
            plan={plan}
            x={x}
            y={top + lane * 22}
            flag={set.find((j) => j.task_id === bar.id)?.pieces[0]?.date}
          />
        ))}
        {shown.flatMap(({ bar, lane }) =>
          (set.find((j) => j.task_id === bar.id)?.pieces ?? [])
            .filter((p) => p.date >= plan.from && p.date <= plan.to)
            .map((p) => <Flag key={bar.id + p.date} x={x(p.date)} y={top + lane * 22 - 1} h={21} />),
        )}
        {others[0] && (
          <text x={phone ? 8 : 58} y={below + 11} fontSize={12} style={{ fill: 'var(--quiet)' }}>
            {others[0].says.split(':')[0]}
          </text>
        )}
        {others.map((o) => (
          <OtherBar key={o.task_id} o={o} plan={plan} x={x} y={below} />
        ))}
        <path d={`M${String(x(plan.day))} 0V${String(h)}`} stroke="var(--ink)" strokeDasharray="2 3" />
      </svg>
    </button>
  );
}

/** What the other school would do in place of a job, dashed; struck through where it would not do it. */
function OtherBar({ o, plan, x, y }: { o: OtherWindow; plan: Plan; x: (d: string) => number; y: number }) {
  const own = [...plan.trees.flatMap((t) => t.bars)].find((b) => b.id === o.task_id);
  const span =
    o.opens && o.closes
      ? inYear(o.opens, o.closes, plan.from, plan.to)
      : own && inYear(own.opens, own.closes, plan.from, plan.to);
  if (!span) return null;
  const x0 = x(span[0]);
  const w = Math.max(4, x(span[1]) - x0);
  return (
    <g>
      <rect x={x0} y={y} width={w} height={14} fill="none" stroke={markOf(o.mark).stroke} strokeDasharray="4 2" />
      {o.never && <path d={`M${String(x0)} ${String(y + 14)}l${String(w)} -14`} stroke={markOf(o.mark).stroke} />}
      {w > 60 && (
        <text x={x0 + 4} y={y + 11} fontSize={12} style={{ fill: 'var(--quiet)' }}>
          {o.never ? 'not done' : ''}
        </text>
      )}
    </g>
  );
}

/** One window: its mark's band on top, its word inside, faded when it is settled. */
function WindowBar({
  bar,
  plan,
  x,
  y,
  flag,
}: {
  bar: Bar;
  plan: Plan;
  x: (d: string) => number;
  y: number;
  flag?: string;
}) {
  const span = inYear(bar.opens, bar.closes, plan.from, plan.to);
  if (!span) return null;
  const m = markOf(bar.mark);
  const x0 = x(span[0]);
  const w = Math.max(4, x(span[1]) - x0);
  const settled = /done|looked|left/.test(bar.state);
  const word = settled ? (bar.state === 'left' ? 'left' : 'done') : bar.short;
  const flagged = flag ? x(flag) - x0 : -99;
  const inset = flagged >= -2 && flagged < word.length * 6.6 ? flagged + 10 : 4; // the word stands clear of the flag
  const fits = w > word.length * 6.6 + inset + 4;
  return (
    <g opacity={settled ? 0.55 : 1}>
      <rect
        x={x0}
        y={y}
        width={w}
        height={19}
        fill={m.wash}
        stroke={m.stroke}
        strokeWidth={1}
        strokeDasharray={bar.state === 'waits' ? '3 2' : undefined}
      />
      {bar.mark === 'pick' ? (
        <path d={`M${String(x0)} ${String(y + 3.5)}h${String(w)}`} stroke={m.stroke} strokeWidth={1} />
      ) : (
        <path
          d={`M${String(x0)} ${String(y + 2)}h${String(w)}`}
          stroke={m.stroke}
          strokeWidth={4}
          strokeDasharray={m.dash || undefined}
        />
      )}
      <text
        x={fits ? x0 + inset : x0 + w / 2}
        y={y + 15}
        fontSize={12}
        textAnchor={fits ? 'start' : 'middle'}
        style={{ fill: m.text }}
      >
        {fits ? word : w > 10 && flagged < 0 ? m.letter : ''}
      </text>
    </g>
  );
}

interface ReasonProps {
  tasks: Task[];
  plan: Plan;
  x: (d: string) => number;
  width: number;
  left: number;
  phone: boolean;
  presets: { slug: string; name: string }[];
}

/** Why a tree's windows open and close, and what the other schools would do on the same scale. */
function Reasons({ tasks, plan, x, width, left, presets, phone }: ReasonProps) {
  const others = presets
    .map((p) => ({
      p,
      list: tasks.flatMap((t) => t.others.filter((o) => o.preset === p.slug).map((o) => ({ o, mark: t.mark }))),
    }))
    .filter((r) => r.list.length > 0);
  return (
    <div style={{ background: 'var(--sheet)', padding: '6px 0 10px' }}>
      {others.length > 0 && (
        <svg
          width={width}
          height={others.length * 22 + 6}
          role="img"
          aria-label="What the other schools would do; the same stands in words below"
          style={{ display: 'block' }}
        >
          {others.map(({ p, list }, i) => (
            <g key={p.slug}>
              <text x={phone ? 8 : 58} y={i * 22 + 17} fontSize={13} style={{ fill: 'var(--quiet)' }}>
                {p.name}
              </text>
              {list.map(({ o, mark }) => {
                const span = o.opens && o.closes ? inYear(o.opens, o.closes, plan.from, plan.to) : undefined;
                return span ? (
                  <rect
                    key={o.kind}
                    x={x(span[0])}
                    y={i * 22 + 5}
                    width={Math.max(4, x(span[1]) - x(span[0]))}
                    height={15}
                    fill="none"
                    stroke={markOf(mark).stroke}
                    strokeDasharray="4 2"
                  />
                ) : null;
              })}
            </g>
          ))}
          <path
            d={`M${String(x(plan.day))} 0V${String(others.length * 22 + 6)}`}
            stroke="var(--ink)"
            strokeDasharray="2 3"
          />
        </svg>
      )}
      <div
        style={{
          padding: `0 24px 0 ${String(phone ? 12 : left)}px`,
          display: 'grid',
          gridTemplateColumns: phone ? '1fr' : 'repeat(auto-fill, minmax(300px, 1fr))',
          gap: '4px 24px',
        }}
      >
        {tasks
          .filter((t) => toNumber(t.closes) >= toNumber(plan.from))
          .map((t) => (
            <div key={t.id} className="sm" style={{ padding: '6px 0' }}>
              <b style={{ color: markOf(t.mark).text }}>{t.title}</b>
              <br />
              Opens {t.opens_says}
              <br />
              Closes {t.closes_says}
              <br />
              <span className="q">
                {[...t.held, ...t.reasons.filter((r) => !r.rule.startsWith('aim-') && r.rule !== 'bears-on')]
                  .slice(0, 2)
                  .map((r) => r.says)
                  .join(' ')}
                {t.others.length > 0 && ` ${t.others.map((o) => o.says).join(' ')}`}
              </span>
            </div>
          ))}
      </div>
    </div>
  );
}
