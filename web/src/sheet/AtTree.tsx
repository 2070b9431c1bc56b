import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useBench } from '../bench/queries';
import { goingOf } from '../bench/slip/going';
import { LogSlip } from '../bench/slip/LogSlip';
import { useDecide, useSlip, type Asking, type Slip, type Step } from '../bench/slip/queries';
import { StakeLabel } from '../drawing/StakeLabel';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { percent, say } from '../shared/units';
import { useSheet, type Stop } from './queries';
import './sheet.css';

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
  const error = sheet.error ?? bench.error ?? slip.error;
  if (error && !sheet.data)
    return (
      <div className="page">
        <Trouble error={error} />
      </div>
    );
  if (!sheet.data || (withSlip && !slip.data)) return <p className="page q">Laying out this tree.</p>;
  const stops = sheet.data.stops;
  const at = stops.findIndex((s) => s.tree_id === id);
  const next = at >= 0 ? stops[at + 1] : undefined;
  return (
    <div className="attree">
      <nav className="stops" aria-label="Trees of the walk">
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
      {!stop ? (
        <p className="page">
          Nothing is due at this tree today. <Link to={`/${orchard.slug}/sheet`}>To the sheet</Link>
        </p>
      ) : (
        <Tree key={id} stop={stop} slip={slip.data} asking={asking} limbs={bench.data} next={next} />
      )}
    </div>
  );
}

interface TreeProps {
  stop: Stop;
  slip: Slip | undefined;
  asking: Asking;
  limbs: ReturnType<typeof useBench>['data'];
  next: Stop | undefined;
}

function Tree({ stop, slip, asking, limbs: bench, next }: TreeProps) {
  const { orchard } = useHere();
  const [n, setN] = useState(0); // 0: stand back
  const [logging, setLogging] = useState(false);
  const steps = slip && !slip.predicted ? slip.steps : [];
  const others = stop.jobs.filter((j) => !j.slip);
  const step = n > 0 ? steps[n - 1] : undefined;
  return (
    <>
      {step && slip && bench ? (
        <OneStep
          step={step}
          of={steps.length}
          slip={slip}
          asking={asking}
          bench={bench}
          onOn={() => setN(n + 1)}
          onBack={() => setN(n - 1)}
          stop={stop}
        />
      ) : n === 0 ? (
        <section aria-label="Stand back" className="standback1">
          <header>
            <StakeLabel code={stop.code} look="full" /> <b>{stop.name || stop.kind_name}</b>{' '}
            <span className="q">{stop.kind_name}</span>
          </header>
          <h1>Stand back and look</h1>
          <ul>
            {stop.facts.map((f) => (
              <li key={f}>{f}</li>
            ))}
          </ul>
          <p className="q">Walk round it once. The first step is never a cut.</p>
          {others.length > 0 && (
            <ul className="bare otherjobs">
              {others.map((j) => (
                <li key={j.task}>
                  <b>{j.title}</b> <span className="q">{j.minutes} min</span>
                  <p className="sm">{j.says}</p>
                  <Link to={`/${orchard.slug}/yard?tree=${stop.tree_id}&task=${j.task}`}>Log it</Link>
                </li>
              ))}
            </ul>
          )}
          <div className="act one">
            {steps.length > 0 ? (
              <Button variant="contained" onClick={() => setN(1)}>
                {steps.length === 1 ? 'To the one step' : `To the ${String(steps.length)} steps`}
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
      ) : (
        <section aria-label="Finish" className="standback1">
          <h1>Stand back once more</h1>
          <p>
            {steps.filter((s) => s.state === 'taken').length} of {steps.length} steps are marked as cut.
          </p>
          {slip && logging ? (
            <LogSlip slip={slip} asking={asking} code={stop.code} onDone={() => setLogging(false)} />
          ) : (
            <div className="act">
              <Button variant="outlined" onClick={() => setN(steps.length)}>
                Back a step
              </Button>
              <Button variant="contained" onClick={() => setLogging(true)}>
                Finish this tree
              </Button>
            </div>
          )}
          {stop.clean && <p className="over">{stop.clean}</p>}
          {next && (
            <p>
              <Link to={`/${orchard.slug}/sheet/${encodeURIComponent(next.tree_id)}`}>On to {next.code}</Link>
            </p>
          )}
        </section>
      )}
    </>
  );
}

interface OneProps {
  step: Step;
  of: number;
  slip: Slip;
  asking: Asking;
  bench: NonNullable<TreeProps['limbs']>;
  stop: Stop;
  onOn: () => void;
  onBack: () => void;
}

/** One step fills the screen: the drawing turned to where one stands, the place, the bud, why, and the two acts. */
function OneStep({ step: s, of, slip, asking, bench, stop, onOn, onBack }: OneProps) {
  const { units } = useHere();
  const decide = useDecide(asking);
  const [box, width] = useWidth<HTMLDivElement>(390);
  const phone = typeof window.matchMedia === 'function' && window.matchMedia('(max-width: 700px)').matches;
  const { limbs, going } = useMemo(() => goingOf(bench.limbs, slip), [bench.limbs, slip]);
  const act = (choice: 'taken' | 'left') =>
    decide.mutate({ choice, findings: s.findings }, { onSuccess: choice === 'taken' ? onOn : undefined });
  const g = slip.gauge;
  const limit = g.exempt ? 1 : g.limit;
  const sofar = slip.steps.filter((x) => x.state === 'taken').reduce((sum, x) => sum + x.counted, g.winter + g.summer);
  return (
    <section aria-label={`Step ${String(s.n)} of ${String(of)}`} className="onestep">
      <div ref={box} className="stepdrawing">
        <TreeDrawing
          limbs={limbs}
          season={bench.facts.map_season}
          findings={[]}
          cuts={[{ n: s.n, mark: s.mark, limb: s.cut.limb, cm: s.cut.at_cm, taken: s.state === 'taken' }]}
          chosenCut={s.n}
          going={going}
          bearing={s.stand_deg}
          above={false}
          width={width}
          height={phone ? 248 : 292}
          reachCm={bench.tree.reach_cm}
          reachSays={`Reach ${say(bench.tree.reach_cm / 100, 'm', units)}`}
          chosen={s.cut.limb}
          scaleSays={(cm) => say(cm / 100, 'm', units)}
          scaleStepCm={50}
          onChoose={() => undefined}
        />
        <p className="youstand">you stand {s.side}</p>
      </div>
      <header>
        <StakeLabel code={stop.code} look="full" /> <span>{stop.name || stop.kind_name}</span>
        <span className="q">
          step {s.n} of {of} here
        </span>
      </header>
      <h1>{s.title}</h1>
      <p className="where">
        <b>
          {say((s.place?.[2] ?? 0) / 100, 'm', units)} up, {s.side} side{s.on_body ? `, ${s.on_body}` : ''}.
        </b>{' '}
        {s.how} {s.bud ?? ''}
      </p>
      <p className="q">{s.why}</p>
      {s.cautions.map((c) => (
        <p key={c} className="over">
          {c}
        </p>
      ))}
      <p className="toolline">
        <b>{s.tool ?? ''}</b>
      </p>
      <svg
        viewBox="0 0 340 34"
        className="stopline"
        role="img"
        aria-label={`${percent(sofar)} cut, this ${percent(s.counted)}, stop at ${percent(limit)}`}
      >
        <rect x={0} y={4} width={260} height={16} fill="var(--sheet)" stroke="var(--rule-strong)" />
        <rect x={0} y={4} width={Math.min(260, (sofar / (limit * 1.3)) * 260)} height={16} fill="var(--wood-old)" />
        <rect
          x={Math.min(260, (sofar / (limit * 1.3)) * 260)}
          y={4}
          width={Math.max(0, Math.min(260, (s.counted / (limit * 1.3)) * 260))}
          height={16}
          fill="var(--autumn)"
          opacity={0.6}
        />
        <path d="M200 0V24M194 0h12" stroke="var(--ink)" strokeWidth={4} />
        <text x={200} y={34} fontSize={12} textAnchor="middle">
          stop {percent(limit)}
        </text>
        <text x={340} y={17} fontSize={14} fontWeight={700} textAnchor="end">
          {percent(Math.max(0, limit - sofar - s.counted))} left
        </text>
      </svg>
      <Trouble error={decide.error} holds={decide.error ? 'The step is as it was.' : ''} />
      <div className="act">
        <Button variant="outlined" disabled={decide.isPending} onClick={() => act('left')}>
          Leave it
        </Button>
        <Button
          variant="contained"
          disabled={decide.isPending}
          onClick={() => (s.state === 'taken' ? onOn() : act('taken'))}
        >
          {s.state === 'taken' ? 'Cut already: on' : 'Cut made'}
        </Button>
      </div>
      <p className="small2">
        <button type="button" className="plain" onClick={onBack}>
          Back a step
        </button>
        <button type="button" className="plain" onClick={onOn}>
          Skip for now
        </button>
      </p>
    </section>
  );
}
