import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Docket as DocketData, Task } from '../shared/api';
import { onWeekday, plain, short } from '../shared/day';
import { lookOf, StakeLabel } from '../drawing/StakeLabel';
import { useOpenJob } from './openJob';
import { TaskDetail } from './TaskDetail';
import css from './yard.module.css';

interface Props {
  docket: DocketData;
  onLog: (t: Task, also?: Task[]) => void;
  onTree: (id: string) => void;
}

const groups = [
  { key: 'now', title: 'Do now' },
  { key: 'closing', title: 'Closing soon' },
  { key: 'opening', title: 'Opening soon' },
  { key: 'wait', title: 'Wait' },
  { key: 'missed', title: 'Missed' },
  { key: 'anytime', title: 'Any time' },
] as const;

/** Jobs of one kind on several trees stand in one row; cuts and the like keep a row each. */
function rows(tasks: Task[]): Task[][] {
  const out: Task[][] = [];
  const byKind = new Map<string, Task[]>();
  for (const t of tasks) {
    const key = t.cut || !t.tree_id ? t.id : t.kind + t.title;
    const row = byKind.get(key);
    if (row) row.push(t);
    else {
      const fresh = [t];
      byKind.set(key, fresh);
      out.push(fresh);
    }
  }
  return out;
}

/** What to do about the day shown, for each tree, why, until when, and what must wait. */
export function Docket({ docket, onLog, onTree }: Props) {
  const [open, setOpen] = useOpenJob();
  const empty = groups.every((g) => docket[g.key].length === 0);
  return (
    <section aria-label="Docket">
      <div style={{ display: 'flex', justifyContent: 'space-between', alignItems: 'baseline' }}>
        <h1>Docket</h1>
        <span className="sm q">{docket.minutes > 0 ? `${docket.minutes_says} of work due` : 'no work due'}</span>
      </div>
      {empty && <p className="q">Nothing asks for you about this day. Drag the rail to see what comes.</p>}
      {groups.map((g) => {
        const list = rows(docket[g.key]);
        if (!list.length) return null;
        return (
          <div key={g.key} data-group={g.key}>
            <div className="grp">
              <h2 className="h3">{g.title}</h2>
              <span className="sm q">{docket[g.key].length}</span>
            </div>
            {list.map((row) => (
              <Row
                key={row[0]?.id}
                row={row}
                group={g.key}
                open={open}
                setOpen={setOpen}
                onLog={onLog}
                onTree={onTree}
                day={docket.day}
              />
            ))}
          </div>
        );
      })}
      <p className="nt q" style={{ marginTop: 16 }}>
        {docket.local_rules}
      </p>
    </section>
  );
}

interface RowProps {
  row: Task[];
  group: string;
  open: string;
  setOpen: (id: string) => void;
  onLog: (t: Task, also?: Task[]) => void;
  onTree: (id: string) => void;
  day: string;
}

function when(t: Task, group: string): string {
  if (group === 'opening' || group === 'wait')
    return t.state === 'waits' && t.opens <= t.closes && group === 'wait' ? '' : `opens ${short(t.opens)}`;
  if (group === 'missed') return `closed ${short(t.closes)}`;
  if (group === 'anytime') return `until ${short(t.closes)}`;
  return group === 'closing' ? `closes ${short(t.closes)}` : t.minutes_says;
}

function why(t: Task, group: string, day: string): string {
  if (group === 'missed') return t.instead ?? '';
  const first =
    group === 'wait'
      ? (t.held[0] ?? t.reasons[0])
      : (t.reasons.find((r) => !r.rule.startsWith('aim-')) ?? t.reasons[0]);
  const set = t.set_for && !t.weather && t.set_for !== day ? `Set for ${onWeekday(t.set_for)}.` : '';
  const says = [t.weather, set, first?.says].filter(Boolean).join(' ');
  const until = plain(t.closes);
  return group === 'now' && !says.includes(until) ? `${says} Until ${until}.` : says;
}

function Row({ row, group, open, setOpen, onLog, onTree, day }: RowProps) {
  const [first] = row;
  const [chosen, setChosen] = useState('');
  if (!first) return null;
  const task = row.find((t) => t.id === chosen) ?? first;
  const expanded = open === first.id;
  const many = row.length > 1;
  return (
    <>
      <button
        type="button"
        className={css.item}
        data-at={first.id}
        aria-expanded={expanded}
        onClick={() => setOpen(expanded ? '' : first.id)}
      >
        <span>
          {first.code ? <StakeLabel code={many ? `${String(row.length)}×` : first.code} look={lookOf(group)} /> : null}
        </span>
        <span className={css.what}>
          <b>{first.title}</b>
          {first.optional && <span className="q"> (may be left)</span>}
          {!many && first.code ? (
            <>
              , {first.kind_name}
              {first.tree_name ? (
                <>
                  {' '}
                  ‘<bdi>{first.tree_name}</bdi>’
                </>
              ) : null}
            </>
          ) : null}
          {many ? <span className="q">, {row.map((t) => t.code).join(' ')}</span> : ''}
        </span>
        <span className={css.tm}>{when(first, group)}</span>
        <span className="why">{why(first, group, day)}</span>
      </button>
      {expanded && (
        <>
          {(many || task.tree_id) && (
            <div className="codes" style={{ paddingLeft: 6 }}>
              {row.map((t) => (
                <button
                  key={t.id}
                  type="button"
                  className="plain"
                  aria-pressed={t.id === task.id}
                  onClick={() => (many ? setChosen(t.id) : onTree(t.tree_id ?? ''))}
                  title={many ? undefined : 'Open the tree'}
                >
                  <StakeLabel code={t.code ?? ''} look={t.id === task.id ? 'full' : 'line'} />
                  {!many && <span className="sm q">open the tree</span>}
                </button>
              ))}
            </div>
          )}
          {many && (
            <div className="acts" style={{ paddingLeft: 8 }}>
              <Button size="small" variant="outlined" onClick={() => onLog(first, row.slice(1))}>
                Log all {row.length}
              </Button>
              <Button size="small" onClick={() => onTree(task.tree_id ?? '')}>
                Open {task.code}
              </Button>
            </div>
          )}
          <TaskDetail task={task} onLog={onLog} day={day} />
        </>
      )}
    </>
  );
}
