import Button from '@mui/material/Button';
import { useCallback, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { plain } from '../shared/day';
import { useKeys } from '../shared/keys';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble, Warnings } from '../shared/Trouble';
import { say } from '../shared/units';
import { StakeLabel } from '../drawing/StakeLabel';
import { TreeDrawing, type Turnable } from '../drawing/TreeDrawing';
import { WalkRound } from '../drawing/WalkRound';
import { compass, turned, type Vec } from '../drawing/wood';
import { BudStrip } from './BudStrip';
import { Files } from './Files';
import { Findings } from './Findings';
import { History } from './History';
import { LimbList } from './LimbList';
import { LimbPanel } from './LimbPanel';
import { brushes, MarkBar } from './MarkBar';
import { QuickLine } from './QuickLine';
import { SketchForm } from './SketchForm';
import { BackToTree, StandBack } from './StandBack';
import { useBench, useEdits, useSketch, useUndoMap, type Bench as BenchData, type Edit } from './queries';

const turnBy = 15;

/** One tree on the bench: stand back, walk round it, read its faults and its buds, correct its map. */
export default function Bench() {
  const { orchard } = useHere();
  const { id = '' } = useParams();
  const { settled } = useShown();
  const which = useMemo(() => ({ slug: orchard.slug, id, day: settled }), [orchard.slug, id, settled]);
  const [ahead, setAhead] = useState(0);
  const now = useBench(which);
  const later = useBench({ ...which, id: ahead > 0 ? id : '' }, ahead);
  const bench = ahead > 0 && later.data ? later : now;
  if (bench.error && !bench.data)
    return (
      <div className="page">
        <Trouble error={bench.error} />
        <Link to={`/${orchard.slug}/trees`}>To the trees</Link>
      </div>
    );
  if (!bench.data) return <p className="page q">Drawing the tree.</p>;
  return <Opened key={id} which={which} bench={bench.data} ahead={ahead} onAhead={setAhead} />;
}

interface OpenedProps {
  which: { slug: string; id: string; day: string };
  bench: BenchData;
  /** Winters on: what is asked for; the bench says what is shown. */
  ahead: number;
  onAhead: (winters: number) => void;
}

const views = [
  { ahead: 0, name: 'Now' },
  { ahead: 1, name: 'Next winter' },
  { ahead: 3, name: 'In three years' },
];

function Opened({ which, bench, ahead, onAhead }: OpenedProps) {
  const { units } = useHere();
  const [chosen, setChosen] = useState('');
  const [finding, setFinding] = useState('');
  const [bearing, setBearing] = useState(205);
  const [rests, setRests] = useState(0); // a drawing that was turned is drawn anew when it comes to rest
  const [above, setAbove] = useState(false);
  const [outlined, setOutlined] = useState(false);
  const [strip, setStrip] = useState(false);
  const [brush, setBrush] = useState('');
  const [rubbing, setRubbing] = useState(false);
  const [anew, setAnew] = useState(false);
  const drawing = useRef<Turnable>(null);
  const sketch = useSketch(which);
  const edits = useEdits(which);
  const undo = useUndoMap(which);
  const revision = bench.revision?.revision ?? 0;
  const busy = sketch.isPending || edits.isPending || undo.isPending;
  const limb = bench.limbs.find((l) => l.id === chosen);
  const predicted = bench.ahead > 0;

  const { mutate: writeEdits } = edits;
  const edit = useCallback(
    (list: Edit[]) => {
      writeEdits({ based_on: revision, edits: list });
    },
    [writeEdits, revision],
  );
  const takeBack = () => {
    if (bench.can_undo && !busy) undo.mutate(revision);
  };
  const choose = (next: string) => {
    if (next !== '' && rubbing && limb && next !== limb.id) {
      setRubbing(false);
      edit([{ op: 'mark', id: limb.id, mark: { kind: 'rubbing', at_cm: limb.length_cm / 2, other: next } }]);
      return;
    }
    if (next !== '' && brush !== '' && !predicted) {
      const made = brushes.find((b) => b.slug === brush)?.edit(next);
      if (made) edit([made]);
    }
    setChosen(next);
    setFinding('');
    setRubbing(false);
    if (next === '') setStrip(false);
  };
  const chooseFinding = (letter: string, on: string) => {
    setFinding(letter === finding ? '' : letter);
    setChosen(on);
  };
  const step = (by: number) => {
    const list = bench.findings;
    const i = list.findIndex((f) => f.letter === finding);
    const next = list[Math.max(0, Math.min(list.length - 1, i < 0 ? 0 : i + by))];
    if (next) {
      setFinding(next.letter);
      setChosen(next.limb);
    }
  };
  const turn = (by: number) => setBearing((b) => turned(b, by));
  useKeys({
    '[': () => turn(-turnBy),
    ']': () => turn(turnBy),
    j: () => step(1),
    k: () => step(-1),
    u: takeBack,
    b: () => chosen !== '' && setStrip(!strip),
  });

  const [box, width] = useWidth<HTMLDivElement>(440);
  const phone = typeof window.matchMedia === 'function' && window.matchMedia('(max-width: 700px)').matches;
  const high = phone ? Math.round(window.innerHeight * 0.36) : 440;
  const metric = units === 'metric';
  const reachSays = `Reach line ${say(bench.tree.reach_cm / 100, 'm', units)}`;
  const asking = predicted ? undefined : { ...which, revision };
  const trouble = edits.error ?? undo.error ?? sketch.error;

  return (
    <div className="bench">
      <StandBack bench={bench} bearing={bearing} outlined={outlined} onOutline={setOutlined} onChoose={choose} />
      <div className="stage">
        <header className="benchhead">
          <StakeLabel code={bench.tree.code} look="full" />
          <h1>
            {bench.tree.kind_name} {bench.tree.name ? `‘${bench.tree.name}’` : ''}
          </h1>
          <p className="sm q">
            {above
              ? 'seen from above, north up'
              : `seen from ${String(Math.round(bearing))}°, looking ${compass(bearing + 180)}`}
            {bench.revision ? `; map of ${plain(bench.revision.date)} ${bench.revision.date.slice(0, 4)}` : ''};{' '}
            <BackToTree bench={bench} />
          </p>
          {bench.mapped && (
            <div className="segments" role="group" aria-label="When">
              {views.map((v) => (
                <button key={v.ahead} type="button" aria-pressed={ahead === v.ahead} onClick={() => onAhead(v.ahead)}>
                  {v.name}
                </button>
              ))}
            </div>
          )}
          {bench.mapped && (
            <div className="segments" role="group" aria-label="View">
              <button type="button" aria-pressed={!above} onClick={() => setAbove(false)}>
                From the ground
              </button>
              <button type="button" aria-pressed={above} onClick={() => setAbove(true)}>
                From above
              </button>
            </div>
          )}
        </header>
        <Trouble error={trouble} holds={trouble ? 'The map is as it was before.' : ''} />
        {bench.mapped ? (
          <>
            <div className="drawn">
              <div ref={box} className="treebox">
                <TreeDrawing
                  key={rests}
                  ref={drawing}
                  limbs={bench.limbs}
                  season={bench.facts.map_season}
                  findings={bench.findings}
                  chosenFinding={finding}
                  bearing={bearing}
                  above={above}
                  width={width}
                  height={high}
                  reachCm={bench.tree.reach_cm}
                  reachSays={reachSays}
                  chosen={chosen}
                  outline={
                    outlined ? { height: bench.outline.height_m * 100, width: bench.outline.width_m * 100 } : undefined
                  }
                  scaleSays={(cm) => (metric ? `${String(cm / 100)} m` : `${String(Math.round(cm / 30.48))} ft`)}
                  scaleStepCm={metric ? (high < 320 ? 100 : 50) : 60.96}
                  onChoose={choose}
                  onMoveTip={
                    predicted ? undefined : (on, to: Vec) => edit([{ op: 'tip', id: on, tip: [to[0], to[1], to[2]] }])
                  }
                  onMoveBase={predicted ? undefined : (on, cm) => edit([{ op: 'move', id: on, attach_cm: cm }])}
                />
                <WoodKey season={bench.facts.map_season} />
                {predicted ? (
                  <p className="sm" role="status">
                    Predicted, if nothing is cut:{' '}
                    {bench.ahead === 1 ? 'next winter' : `in ${String(bench.ahead)} years`}. Dotted limbs are not there
                    yet. The map is corrected on the tree as it stands now.
                  </p>
                ) : (
                  <MarkBar
                    brush={brush}
                    onBrush={setBrush}
                    canUndo={bench.can_undo && !busy}
                    onUndo={takeBack}
                    chosen={limb}
                  />
                )}
              </div>
              <div className="walk">
                <div className="dialrow">
                  <button
                    type="button"
                    className="keycap"
                    aria-label="Walk round to the left"
                    onClick={() => turn(-turnBy)}
                  >
                    [
                  </button>
                  <WalkRound
                    limbs={bench.limbs}
                    bearing={bearing}
                    size={phone ? 116 : 172}
                    onTurning={(b) => drawing.current?.turn(b)}
                    onTurn={(b) => {
                      setBearing(b);
                      setRests((n) => n + 1);
                    }}
                  />
                  <button
                    type="button"
                    className="keycap"
                    aria-label="Walk round to the right"
                    onClick={() => turn(turnBy)}
                  >
                    ]
                  </button>
                </div>
                {!phone && (
                  <Findings
                    findings={bench.findings}
                    chosen={finding}
                    asking={asking}
                    onChoose={(f) => chooseFinding(f.letter, f.limb)}
                  />
                )}
              </div>
            </div>
            {strip && limb && !predicted && (
              <BudStrip
                which={which}
                limb={limb.id}
                season={bench.facts.map_season}
                revision={revision}
                busy={busy}
                onEdit={edit}
                onClose={() => setStrip(false)}
              />
            )}
          </>
        ) : (
          <p className="empty">No map of this tree yet. Six numbers give a first one.</p>
        )}
      </div>
      <div className="side benchside">
        {!bench.mapped || anew ? (
          <SketchForm
            key={`${which.id}${String(anew)}`}
            suggest={bench.suggest}
            busy={busy}
            again={anew}
            onSketch={(s) => sketch.mutate({ based_on: revision, sketch: s }, { onSuccess: () => setAnew(false) })}
            {...(anew ? { onCancel: () => setAnew(false) } : {})}
          />
        ) : (
          <>
            {limb && !predicted && (
              <LimbPanel
                key={limb.id}
                limb={limb}
                limbs={bench.limbs}
                busy={busy}
                rubbing={rubbing}
                onRubbing={setRubbing}
                onEdit={edit}
                onChoose={choose}
                onBuds={() => setStrip(true)}
              />
            )}
            {!predicted && <QuickLine which={which} revision={revision} selected={chosen} busy={busy} onEdit={edit} />}
            {phone && (
              <Findings
                findings={bench.findings}
                chosen={finding}
                asking={asking}
                onChoose={(f) => chooseFinding(f.letter, f.limb)}
              />
            )}
            <LimbList limbs={bench.limbs} chosen={chosen} onChoose={choose} />
          </>
        )}
        <Warnings list={bench.warnings} />
        {bench.mapped && !anew && (
          <div className="acts">
            <Button size="small" onClick={() => setAnew(true)}>
              Sketch it anew
            </Button>
          </div>
        )}
        <Files which={which} revision={revision} mapped={bench.mapped} />
        <History bench={bench} which={which} />
      </div>
    </div>
  );
}

function WoodKey({ season }: { season: string }) {
  const rows: [string, string][] = [
    ['var(--wood-old)', 'older'],
    ['var(--wood-two)', 'two years'],
    ['var(--wood-last)', 'last year’s'],
    ...(season === 'summer' ? ([['var(--wood-this)', 'this year’s']] as [string, string][]) : []),
  ];
  return (
    <p className="woodkey sm q">
      {rows.map(([c, name]) => (
        <span key={name}>
          <svg width={22} height={8} aria-hidden="true">
            <rect width={22} height={8} fill={c} />
          </svg>
          {name}
        </span>
      ))}
      <span>
        <svg width={22} height={8} aria-hidden="true">
          <rect x={0.6} y={0.6} width={20.8} height={6.8} fill="none" stroke="var(--wood-dead)" strokeDasharray="3 2" />
        </svg>
        dead
      </span>
      <span>
        <svg width={22} height={8} aria-hidden="true">
          <rect x={0.5} y={0.5} width={21} height={7} fill="url(#hatch)" stroke="var(--wood-old)" />
        </svg>
        estimated
      </span>
    </p>
  );
}
