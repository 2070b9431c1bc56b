import Button from '@mui/material/Button';
import { Link } from 'react-router';
import type { Task } from '../shared/api';
import { Told } from '../help/Told';
import { plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { percent } from '../shared/units';
import { shares, type Job } from './LogPanel';

const thinning = (below: string) => (slug: string, id: string) =>
  `/${slug}/thinning/${encodeURIComponent(id)}${below ? `?below=${below}` : ''}`;
const bench = (side: string) => (slug: string, id: string) =>
  `/${slug}/trees/${encodeURIComponent(id)}${side ? `?side=${side}` : ''}`;

const training = (slug: string, id: string) => `/${slug}/trees/${encodeURIComponent(id)}/training`;

/** Where the numbers of a job are worked out: its words and its address. */
const workplaces: Record<string, readonly [string, (slug: string, id: string) => string]> = {
  'count-set': ['Count it', thinning('count')],
  'frost-count': ['Count the buds', thinning('frost')],
  thin: ['To the counting pad', thinning('')],
  'second-look': ['To the counting pad', thinning('')],
  harvest: ['Weight and number', thinning('harvest')],
  prop: ['What its limbs carry', bench('load')],
  'dormant-cut': ['To its slip', bench('')],
  'height-cut': ['To its slip', bench('')],
  'summer-cut': ['To its slip', bench('')],
  'restraining-cut': ['To its slip', bench('')],
  'summer-shoots': ['To its slip', bench('')],
  'carried-limbs': ['To its slip', bench('')],
  'planting-cut': ['Planting day', training],
  'scaffold-choice': ['Choose on its training page', training],
  notching: ['Which buds', training],
  'notch-look': ['The trial', training],
  bend: ['Which limbs, with what', training],
  'check-ties': ['To the device', training],
  'take-off': ['To the device', training],
  'release-test': ['To the device', training],
  'frame-cut': ['Its frame', training],
  'frame-summer': ['Its frame', training],
  'tie-arms': ['Its arms', training],
  'strip-fruit': ['Its frame', training],
};

/** Why, until when, how good the day is, what other schools would do, and the cautions: all of a task's evidence. */
export function TaskDetail({
  task,
  onLog,
  day,
}: {
  task: Task;
  onLog: (t: Task & Pick<Job, 'went'>) => void;
  day: string;
}) {
  const grade = task.grades.find((g) => (!g.from || g.from <= day) && (!g.to || day <= g.to));
  const { orchard } = useHere();
  const place = workplaces[task.kind];
  const settled = /done|looked|left/.test(task.state);
  return (
    <div className="more">
      {(task.steps?.length ?? 0) > 0 && (
        <ol className="steps sm" aria-label="What to look for, in the order of the work">
          {task.steps?.map((w) => (
            <li key={w}>
              <Told>{w}</Told>
            </li>
          ))}
        </ol>
      )}
      <dl>
        <dt>Opens</dt>
        <dd>
          <Told>{task.opens_says}</Told>
        </dd>
        <dt>Closes</dt>
        <dd>
          <Told>{task.closes_says}</Told>
        </dd>
        {grade && (
          <>
            <dt>{plain(day)}</dt>
            <dd>{grade.says}</dd>
          </>
        )}
        <dt>Work</dt>
        <dd>
          {task.minutes_says}
          {task.minutes_estimated ? ', estimated' : ''}
          {task.share ? `; up to ${percent(task.share)} of the crown` : ''}
        </dd>
      </dl>
      {task.held.map((h) => (
        <p key={h.rule}>
          <b>
            <Told>{h.says}</Told>
          </b>
        </p>
      ))}
      {task.instead && (
        <p>
          <b>{task.instead}</b>
        </p>
      )}
      <ul>
        {task.reasons.map((r, i) => (
          <li key={r.rule + String(i)}>
            <Told>{r.says}</Told>
          </li>
        ))}
      </ul>
      {task.trouble && <p className="over">Last time: {task.trouble}</p>}
      {task.others.length > 0 && (
        <>
          <p className="q" style={{ margin: 0 }}>
            Other schools
          </p>
          <ul>
            {task.others.map((o) => (
              <li key={o.preset}>{o.says}</li>
            ))}
          </ul>
        </>
      )}
      <details>
        <summary className="q">Cautions</summary>
        <ul>
          {task.cautions.map((c) => (
            <li key={c}>
              <Told>{c}</Told>
            </li>
          ))}
        </ul>
      </details>
      {!settled && task.cut && task.opens <= day && (
        <div className="chips" role="group" aria-label="Log it with the share of the crown that went">
          <span className="sm q">Log</span>
          {shares.map((n) => (
            <button key={n} type="button" onClick={() => onLog({ ...task, went: n })}>
              {n} %
            </button>
          ))}
        </div>
      )}
      {!settled && (
        <div className="acts">
          <Button size="small" variant="outlined" onClick={() => onLog(task)}>
            Log it
          </Button>
          {place && task.tree_id && (
            <Link className="sm" to={place[1](orchard.slug, task.tree_id)}>
              {place[0]}
            </Link>
          )}
        </div>
      )}
    </div>
  );
}
