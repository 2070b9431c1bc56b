import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useBench, type Bench } from '../bench/queries';
import { useSlip, type Asking, type Slip } from '../bench/slip/queries';
import { StakeLabel } from '../drawing/StakeLabel';
import { Told } from '../help/Told';
import { useWaitingFor } from '../outbox/use';
import { useAddress } from '../shared/address';
import { useKept } from '../shared/kept';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { count, percent } from '../shared/units';
import { did } from './commands';
import { cameSince, finished, pausesOf, soFar } from './decided';
import { Finish } from './Finish';
import { OneStep } from './OneStep';
import { useSheet, type SheetJob, type Stop } from './queries';
import css from './sheet.module.css';

/** At a tree: stand back, then one step at a time, the stop line always in sight. */
export default function AtTree() {
  const { orchard } = useHere();
  const { id = '' } = useParams();
  const { settled } = useShown();
  const sheet = useSheet(orchard.slug, settled, 0);
  const which = useMemo(() => ({ slug: orchard.slug, id, day: settled }), [orchard.slug, id, settled]);
  const bench = useBench(which);
  const asking: Asking = { ...which, revision: bench.data?.revision?.revision ?? 0, season: undefined };
  const stop = sheet.data?.stops.find((s) => s.tree_id === id);
  const withSlip = stop?.jobs.some((j) => j.slip) ?? false;
  const slip = useSlip(asking, withSlip && bench.data?.mapped === true);
  const [params] = useAddress();
  const onPaper = Number(params.get('map') ?? NaN); // the map that a printed page was made from
  const [sun, setSun] = useKept('yard-sun', false);
  const [left, setLeft] = useKept('yard-left', false);
  useAwake();
  useEffect(() => {
    document.documentElement.toggleAttribute('data-sun', sun);
    return () => document.documentElement.removeAttribute('data-sun');
  }, [sun]);
  const error = sheet.error ?? bench.error ?? slip.error;
  if (error && (!sheet.data || (withSlip && !slip.data)))
    return (
      <div className="page">
        <Trouble
          error={error}
          holds="Without a network only a day that was put on this phone opens: the sheet lists them, at its foot."
        />
      </div>
    );
  if (!sheet.data || (withSlip && !slip.data)) return <p className="page q">Laying out this tree.</p>;
  const stops = sheet.data.stops;
  const at = stops.findIndex((s) => s.tree_id === id);
  const next = at >= 0 ? stops[at + 1] : undefined;
  return (
    <div className={left ? `attree ${css.lefthand}` : 'attree'}>
      <nav className={css.stops} aria-label="Trees of the walk">
        <Link to={`/${orchard.slug}/sheet`}>Sheet</Link>
        {stops.map((s) => (
          <Link
            key={s.tree_id}
            to={`/${orchard.slug}/sheet/${encodeURIComponent(s.tree_id)}`}
            aria-current={s.tree_id === id ? 'step' : undefined}
          >
            {s.code}
          </Link>
        ))}
      </nav>
      {bench.data?.revision && Number.isInteger(onPaper) && onPaper !== bench.data.revision.revision && (
        <p className={`over ${css.standback1}`} role="status">
          The page in your hand is of map {onPaper}; the tree is at map {bench.data.revision.revision} now. Go by what
          stands here, and print it anew.
        </p>
      )}
      {!stop ? (
        <p className="page">
          Nothing is due at this tree today. <Link to={`/${orchard.slug}/sheet`}>To the sheet</Link>
        </p>
      ) : (
        <Tree key={id} stop={stop} slip={slip.data} asking={asking} bench={bench.data} next={next} day={settled} />
      )}
      <p className={css.small2}>
        <button type="button" className="plain" aria-pressed={sun} onClick={() => setSun(!sun)}>
          {sun ? 'Ordinary light' : 'Bright sun'}
        </button>
        <button type="button" className="plain" aria-pressed={left} onClick={() => setLeft(!left)}>
          {left ? 'Right hand' : 'Left hand'}
        </button>
      </p>
    </div>
  );
}

/** Keeps the screen lit while one works, where the browser can. */
function useAwake() {
  useEffect(() => {
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      navigator.wakeLock.request('screen').then(
        (l) => {
          if (over) void l.release();
          else lock = l;
        },
        () => undefined, // a low battery, or not allowed: the phone sleeps as it does
      );
    };
    ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
}

interface TreeProps {
  stop: Stop;
  slip: Slip | undefined;
  asking: Asking;
  bench: Bench | undefined;
  next: Stop | undefined;
  day: string;
}

type Where = { at: 'back' } | { at: 'step'; n: number } | { at: 'pause'; n: number } | { at: 'end' };

function Tree({ stop, slip, asking, bench, next, day }: TreeProps) {
  const { orchard } = useHere();
  const waiting = useWaitingFor(asking.slug, asking.id);
  const [where, setWhere] = useState<Where>({ at: 'back' });
  const [began, setBegan] = useState(0);
  // the steps as they were when the walk round the tree began: an answer that comes meanwhile shifts nothing under the hand
  const [steps, setSteps] = useState(() => (slip && !slip.predicted ? slip.steps : []));
  const limbs = bench?.limbs;
  const pauses = useMemo(() => pausesOf(steps, limbs ?? []), [steps, limbs]);
  const [measured, setMeasured] = useKept<Record<string, number>>(`wounds-${asking.id}-${String(asking.revision)}`, {});
  const over = finished(waiting);
  const go = (n: number) => setWhere(n < 1 ? { at: 'back' } : n > steps.length ? { at: 'end' } : { at: 'step', n });
  const on = (n: number) => (pauses.has(n) ? setWhere({ at: 'pause', n }) : go(n + 1));
  const start = () => {
    setBegan(Date.now());
    go(1);
  };
  const step = where.at === 'step' ? steps[where.n - 1] : undefined;
  if (step && slip && bench && where.at === 'step')
    return (
      <OneStep
        key={where.n}
        step={step}
        n={where.n}
        steps={steps}
        slip={slip}
        asking={asking}
        bench={bench}
        stop={stop}
        waiting={waiting}
        began={began}
        measured={measured}
        onMeasure={setMeasured}
        onOn={() => on(where.n)}
        onBack={() => go(where.n - 1)}
      />
    );
  if (where.at === 'pause' && slip)
    return (
      <section aria-label="Pause and look" className={css.standback1}>
        <h1>Step back and look</h1>
        <p>
          {where.n} of {count(steps.length, 'step')} behind you, {percent(soFar(steps, slip, waiting))} of the crown off
          here. Is it lighter inside? Does one limb lean over another? You may stop: what is left waits for a later
          slip.
        </p>
        <div className="act">
          <Button variant="outlined" onClick={() => setWhere({ at: 'end' })}>
            Stop here
          </Button>
          <Button variant="contained" onClick={() => go(where.n + 1)}>
            On to step {where.n + 1}
          </Button>
        </div>
        <p className={css.small2}>
          <button type="button" className="plain" onClick={() => go(where.n)}>
            Back a step
          </button>
        </p>
      </section>
    );
  const more = slip ? cameSince(steps, slip) : [];
  if (where.at === 'end' && slip)
    return (
      <section aria-label="Finish" className={css.standback1}>
        <h1>Stand back once more</h1>
        {more.length > 0 && !over && (
          <p>
            What you left is answered by other cuts:{' '}
            <button
              type="button"
              className="plain"
              onClick={() => {
                setSteps([...steps, ...more]);
                setWhere({ at: 'step', n: steps.length + 1 });
              }}
            >
              {more.length === 1 ? 'one more step' : `${String(more.length)} more steps`}
            </button>
          </p>
        )}
        <Finish
          steps={steps}
          slip={slip}
          asking={asking}
          code={stop.code}
          waiting={waiting}
          began={began}
          measured={measured}
          onBack={() => go(steps.length)}
        />
        {stop.clean && <p className="over">{stop.clean}</p>}
        {next && (
          <p>
            <Link to={`/${orchard.slug}/sheet/${encodeURIComponent(next.tree_id)}`}>On to {next.code}</Link>
          </p>
        )}
      </section>
    );
  return (
    <StandBack
      stop={stop}
      steps={over ? 0 : steps.length}
      over={over}
      next={next}
      day={day}
      waiting={waiting}
      onStart={start}
    />
  );
}

interface BackProps {
  stop: Stop;
  steps: number;
  over: boolean;
  next: Stop | undefined;
  day: string;
  waiting: ReturnType<typeof useWaitingFor>;
  onStart: () => void;
}

/** Before the first step: what matters at this tree today, and the jobs that are no cuts. */
function StandBack({ stop, steps, over, next, day, waiting, onStart }: BackProps) {
  const { orchard } = useHere();
  const others = stop.jobs.filter((j) => !j.slip);
  return (
    <section aria-label="Stand back" className={css.standback1}>
      <header>
        <StakeLabel code={stop.code} look="full" /> <b>{stop.name || stop.kind_name}</b>{' '}
        <span className="q">{stop.kind_name}</span>
      </header>
      <h1>Stand back and look</h1>
      <ul>
        {stop.facts.map((f) => (
          <li key={f}>
            <Told>{f}</Told>
          </li>
        ))}
      </ul>
      <p className="q">Walk round it once. The first step is never a cut.</p>
      {over && <p>Finished on this phone; the cuts wait to be sent.</p>}
      {others.length > 0 && (
        <ul className={`bare ${css.otherjobs}`}>
          {others.map((j) => (
            <OtherJob
              key={j.task}
              job={j}
              stop={stop}
              day={day}
              waits={waiting.some((w) => w.body.task_id === j.task)}
            />
          ))}
        </ul>
      )}
      <div className={`act ${css.one}`}>
        {steps > 0 ? (
          <Button variant="contained" onClick={onStart}>
            {steps === 1 ? 'To the one step' : `To the ${String(steps)} steps`}
          </Button>
        ) : next ? (
          <Button
            component={Link}
            to={`/${orchard.slug}/sheet/${encodeURIComponent(next.tree_id)}`}
            variant="contained"
          >
            On to {next.code}
          </Button>
        ) : (
          <Button component={Link} to={`/${orchard.slug}/sheet`} variant="contained">
            To the sheet
          </Button>
        )}
      </div>
    </section>
  );
}

/** Jobs whose log asks for an answer of its own: a device is looked at, fruit is counted. */
const answered = new Set([
  'check-ties',
  'release-test',
  'take-off',
  'count-set',
  'frost-count',
  'notch-look',
  'stored-look',
  'graft-look',
  'measure-height',
  'harvest',
]);

function OtherJob({ job: j, stop, day, waits }: { job: SheetJob; stop: Stop; day: string; waits: boolean }) {
  const { orchard } = useHere();
  const counts = j.kind === 'thin' || j.kind === 'second-look' || j.kind === 'count-set';
  return (
    <li>
      <b>{j.title}</b> <span className="q">{j.minutes} min</span>
      <p className="sm">
        <Told>{j.says}</Told>
      </p>
      <p className={css.jobacts}>
        {waits ? (
          <b role="status">Done; it waits to be sent.</b>
        ) : (
          !answered.has(j.kind) && (
            <Button variant="outlined" onClick={() => void did(orchard.slug, day, stop, j)}>
              Done
            </Button>
          )
        )}
        {counts && <Link to={`/${orchard.slug}/thinning/${stop.tree_id}`}>To the count pad</Link>}
        <Link to={`/${orchard.slug}/yard?tree=${stop.tree_id}&task=${j.task}`}>Log it in full</Link>
      </p>
    </li>
  );
}
