import Button from '@mui/material/Button';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { keptPicture } from '../drawing/Beneath';
import { Segments } from '../shared/Segments';
import { useAddress } from '../shared/address';
import type { Entry, Feature, Tree } from '../shared/api';
import { useReturn } from '../shared/focus';
import { useDocket, useTrees, useYardLight } from '../shared/queries';
import { useKeys } from '../shared/keys';
import { useHere } from '../shared/orchard';
import { SeeNow } from '../season/SeeNow';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { count, say, type Units } from '../shared/units';
import { drawnMarks, markOf } from '../drawing/marks';
import type { Extent } from '../drawing/PlanFrame';
import { extentOf, YardPlan } from '../drawing/YardPlan';
import { Docket } from './Docket';
import { LightPanel, type Spot } from './LightPanel';
import { LogPanel, type Also, type Job } from './LogPanel';
import { newTree, TreeForm } from './TreeForm';
import { MarkSwatch, TreePanel } from './TreePanel';
import { WeatherStrip } from './WeatherStrip';
import css from './yard.module.css';

type Logging = { task?: Job | undefined; treeId: string; correct?: Entry; also?: Also[] | undefined };

const middleOf = (e: Extent) => ({
  x: Math.round(((e.x0 + e.x1) / 2) * 10) / 10,
  y: Math.round(((e.y0 + e.y1) / 2) * 10) / 10,
});

/** The plan of the plot with what to do beside it. */
export default function Yard() {
  const { orchard, plan, planError, units, meta } = useHere();
  const { settled, today } = useShown();
  const [params, put] = useAddress();
  const selected = params.get('tree') ?? '';
  const docket = useDocket(orchard.slug, plan ? settled : '');
  const trees = useTrees(orchard.slug);
  const lit = params.get('layer') === 'light';
  const light = useYardLight(orchard.slug, settled, lit && plan !== undefined);
  const [hover, setHover] = useState('');
  const [spot, setSpot] = useState<Spot | null>(null);
  const layer = (on: boolean) => put({ layer: on ? 'light' : undefined });
  const [logging, setLogging] = useState<Logging | null>(null);
  const [editing, setEditing] = useState<Tree | null>(null);

  const editingId = editing?.id;
  const placing = editing !== null;
  const panel = useRef<HTMLDivElement>(null);
  useReturn(placing || logging !== null, panel);
  const beneath = useMemo(() => (placing ? keptPicture(orchard.slug) : null), [placing, orchard.slug]);
  useEffect(() => {
    const main = document.querySelector('main');
    if (main && (logging || editingId !== undefined || selected)) main.scrollTop = 0; // a form, a panel begins at its beginning
  }, [logging, editingId, selected]);

  const opened = useLocation().state?.opened === true;
  const go = useNavigate();
  /** Opening a tree is a step, which Back takes back; closing one is that step back. */
  const select = (id: string) => {
    setLogging(null);
    const closes = id === '' || id === selected;
    if (closes && opened) {
      void go(-1);
      return;
    }
    put(
      { tree: closes ? undefined : id },
      closes ? { replace: true } : { replace: selected !== '', state: { opened: selected === '' || opened } },
    );
  };
  // a new orchard opens with its first tree in hand
  const first = params.get('plant') === 'first' && !!plan;
  const [begun, setBegun] = useState(false);
  if (first && !begun && plan.trees.length === 0 && !editing) {
    setBegun(true);
    const e = extentOf(orchard, plan.trees);
    setEditing({ ...newTree(), ...middleOf(e) });
  }
  const keys = useMemo(
    () => ({
      Escape: () => {
        if (selected && !editing && !logging) select(''); // a form in hand keeps what was typed
      },
    }),
    [logging, selected, editing, opened], // oxlint-disable-line react/exhaustive-deps -- what select reads
  );
  useKeys(keys);
  if (!plan)
    return planError ? (
      <div className="page">
        <Trouble error={planError} />
      </div>
    ) : (
      <p className="page q">Working out the year.</p>
    );

  const jobOf = (e: Entry): Job | undefined => {
    if (e.kind !== 'work') return undefined;
    const facts = meta.tasks.find((t) => t.kind === e.task);
    return { id: e.task_id ?? '', kind: e.task ?? '', title: facts?.title ?? e.task ?? '', cut: facts?.cut ?? false };
  };
  const codeOf = (id: string) => trees.data?.find((t) => t.id === id)?.code ?? '';
  const kind = meta.kinds.find((k) => k.slug === editing?.kind);
  const spread =
    editing?.spread_m ?? kind?.sizes.find((s) => s.class === (editing?.class ?? 'semi-dwarfing'))?.distance_m ?? 2;
  const ghost = editing
    ? { id: editing.id, x: editing.x, y: editing.y, spreadM: spread, form: editing.form ?? '', code: editing.code }
    : undefined;
  const plant = () => {
    setLogging(null);
    setEditing({ ...newTree(), ...middleOf(extentOf(orchard, plan.trees)) });
  };

  let side;
  if (editing) {
    side = (
      <TreeForm
        tree={editing}
        onChange={setEditing}
        onDone={(id) => {
          setEditing(null);
          if (id && id !== selected) select(id);
        }}
        onGone={() => {
          setEditing(null);
          select('');
        }}
      />
    );
  } else if (logging) {
    side = (
      <LogPanel
        key={logging.correct?.id ?? logging.task?.id ?? logging.treeId}
        task={logging.task}
        correct={logging.correct}
        also={logging.also}
        treeId={logging.treeId}
        treeCode={codeOf(logging.treeId)}
        onDone={() => setLogging(null)}
      />
    );
  } else if (lit && light.data) {
    side = (
      <LightPanel
        light={light.data}
        day={settled}
        asked={hover || selected}
        onAsk={select}
        spot={spot}
        onSpot={setSpot}
      />
    );
  } else if (lit) {
    side = light.error ? <Trouble error={light.error} /> : <p className="q">Letting the sun go round the yard.</p>;
  } else if (selected) {
    side = (
      <TreePanel
        id={selected}
        onClose={() => select('')}
        onLog={(t) => setLogging({ task: t, treeId: selected })}
        onCorrect={(e) => setLogging({ task: jobOf(e), treeId: selected, correct: e })}
        onEdit={() => setEditing(trees.data?.find((t) => t.id === selected) ?? null)}
      />
    );
  } else if (docket.data) {
    side = (
      <Docket
        docket={docket.data}
        onLog={(t, also) =>
          setLogging({
            task: t,
            treeId: t.tree_id ?? '',
            also: also?.map((a) => ({ taskId: a.id, treeId: a.tree_id ?? '', code: a.code ?? '' })),
          })
        }
        onTree={select}
      />
    );
  } else {
    side = <Trouble error={docket.error} />;
  }

  const above = plan.trees.filter((t) => t.height_m > t.reach_m + 0.05).length;
  return (
    <div className={`${css.two}${logging ? ` ${css.logging}` : ''}${editing || lit ? '' : ' ask'}`}>
      <div className={css.yardgrid}>
        <div style={{ minWidth: 0 }}>
          {plan.trees.length > 0 && !editing && (
            <Segments
              label="The plan shows"
              small
              className={css.layers}
              all={[
                { value: false, name: 'Work' },
                { value: true, name: 'Light' },
              ]}
              value={lit}
              onChange={layer}
            />
          )}
          <YardPlan
            light={lit ? light.data : undefined}
            asked={hover || selected}
            onHover={lit ? setHover : undefined}
            spot={lit ? spot : null}
            onSpot={lit ? (x, y) => setSpot({ x, y }) : undefined}
            orchard={orchard}
            plan={plan}
            units={units}
            selected={selected}
            onSelect={select}
            ghost={ghost}
            beneath={beneath}
            onGhost={editing ? (x, y) => setEditing({ ...editing, x, y }) : undefined}
          />
          {docket.data && docket.data.day === today && !editing && !lit && (
            <SeeNow docket={docket.data} slug={orchard.slug} />
          )}
          {plan.trees.length > 0 && !editing && !lit && <WeatherStrip slug={orchard.slug} units={units} />}
          {plan.trees.length > 0 && !editing && (
            <details className={css['phone-only']}>
              <summary className="sm q">The plot, and a new tree</summary>
              <OnThePlot features={orchard.plot.features} units={units} />
              <Button size="small" variant="outlined" onClick={plant}>
                Add a tree
              </Button>
            </details>
          )}
          {plan.trees.length === 0 && !editing && (
            <p>
              No trees yet. Pace out the first one.{' '}
              <Button variant="contained" size="small" onClick={plant}>
                Add a tree
              </Button>
            </p>
          )}
        </div>
        <aside className="legend">
          <h2 className={css.clamp} title={orchard.name}>
            {orchard.name}
          </h2>
          <p className="q" style={{ margin: '4px 0 10px' }}>
            {count(plan.trees.length, 'tree')}
            <br />
            Reach line {say(plan.reach_m, 'm', units)}
            {plan.reach_known ? '' : ', guessed'}
            <br />
            <span className="nt">{plan.reach_says}</span>
            <br />
            {above} stand above it
            <br />
            {plan.day_hours} h of daylight
          </p>
          {plan.set_aside.map((says) => (
            <div key={says} className="trouble" role="alert">
              {says}
            </div>
          ))}
          {plan.trees.length > 0 && !editing && (
            <Button size="small" variant="outlined" onClick={plant}>
              Add a tree
            </Button>
          )}
          <div className="grp">
            <h2 className="h3">Year ring</h2>
          </div>
          {drawnMarks.map((m) => (
            <div key={m} style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
              <MarkSwatch mark={m} /> {markOf(m).name}
            </div>
          ))}
          <p className="q" style={{ marginTop: 6 }}>
            The top is 1 {plan.south ? 'May' : 'November'}; the pointer is the day shown, filled when a window is open.
          </p>
          <div className="grp">
            <h2 className="h3">Crown and height</h2>
          </div>
          <Key />
          <OnThePlot features={orchard.plot.features} units={units} />
        </aside>
      </div>
      <div className="side" ref={panel} tabIndex={-1}>
        {side}
      </div>
    </div>
  );
}

function Key() {
  const { units } = useHere();
  return (
    <>
      {(['measured', 'estimated'] as const).map((k) => (
        <div key={k} style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
          <svg width={28} height={16} aria-hidden="true">
            <rect
              x={1}
              y={1}
              width={26}
              height={14}
              rx={7}
              fill={k === 'measured' ? 'var(--leaf-wash)' : 'url(#hatch-leaf)'}
              stroke="var(--leaf)"
            />
          </svg>
          {k}
        </div>
      ))}
      <p className="q" style={{ marginTop: 4 }}>
        Staff: a tick every {say(1, 'm', units)}, the bar is your reach, hollow wood stands above it.
      </p>
    </>
  );
}

const compass = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];

/** What stands on the plot, in words: the same as the plan shows. */
function OnThePlot({ features, units }: { features: Feature[]; units: Units }) {
  if (!features.length) return null;
  return (
    <>
      <div className="grp">
        <h2 className="h3">On the plot</h2>
      </div>
      <ul style={{ listStyle: 'none', margin: 0, padding: 0 }}>
        {features.map((f) => (
          <li key={f.id} className="sm">
            {f.name || f.kind.replace('-', ' ')}
            <span className="q">
              {f.height_m ? `, ${say(f.height_m, 'm', units)} high` : ''}
              {f.kind === 'wall' || f.kind === 'fence'
                ? `, faces ${compass[Math.round((f.faces_deg ?? 0) / 45) % 8] ?? ''}`
                : ''}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
