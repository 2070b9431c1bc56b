import Button from '@mui/material/Button';
import { useCallback, useMemo, useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { useAddress } from '../shared/address';
import { useKeys } from '../shared/keys';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { isClash } from '../shared/api';
import { Trouble } from '../shared/Trouble';
import { say, tall } from '../shared/units';
import { TreeDrawing, type Turnable } from '../drawing/TreeDrawing';
import { WalkRound } from '../drawing/WalkRound';
import { turned, type Vec } from '../drawing/wood';
import { BenchHead, type ViewOf } from './BenchHead';
import { lettersShown, WoodKey } from './beside';
import { BudStrip } from './BudStrip';
import { Files } from './Files';
import { Findings } from './Findings';
import { History } from './History';
import { LimbList } from './LimbList';
import { LimbPanel } from './LimbPanel';
import { LoadPanel } from './LoadPanel';
import { lineOf } from './drawn';
import { brushes, drawBrush, MarkBar } from './MarkBar';
import { Oddities } from './Oddities';
import { QuickLine } from './QuickLine';
import { SketchForm } from './SketchForm';
import { StandBack } from './StandBack';
import { goingOf } from './slip/going';
import { useAfter, useDecide, useSlip, type Asking, type Season, type Step } from './slip/queries';
import { Compare } from './slip/Compare';
import { Held } from './slip/Held';
import { SlipPanel, type Look } from './slip/SlipPanel';
import { Why } from './slip/Why';
import { useBench, useCarry, useEdits, useSketch, useUndoMap, type Bench as BenchData, type Edit } from './queries';

/** What stands beside the tree. */
type Side = 'slip' | 'map' | 'load';

const turnBy = 15;

/** One tree on the bench: stand back, walk round it, read its faults and its buds, correct its map. */
export default function Bench() {
  const { orchard } = useHere();
  const { id = '' } = useParams();
  const { settled } = useShown();
  const which = useMemo(() => ({ slug: orchard.slug, id, day: settled }), [orchard.slug, id, settled]);
  const [view, setView] = useState<ViewOf>({ ahead: 0, cut: false });
  const [season, setSeason] = useState<Season>();
  const now = useBench(which);
  const asking: Asking = { ...which, revision: now.data?.revision?.revision ?? 0, season };
  const later = useBench({ ...which, id: view.ahead > 0 && !view.cut ? id : '' }, view.ahead);
  const after = useAfter(asking, view.ahead, view.cut && now.data?.mapped === true);
  const asked = view.cut ? after : later;
  const bench = (view.cut || view.ahead > 0) && asked.data ? asked : now;
  if (bench.error && !bench.data)
    return (
      <div className="page">
        <Trouble error={bench.error} />
        <Link to={`/${orchard.slug}/trees`}>To the trees</Link>
      </div>
    );
  if (!bench.data) return <p className="page q">Drawing the tree.</p>;
  return (
    <Opened
      key={id}
      which={which}
      bench={bench.data}
      asking={asking}
      view={view}
      onView={setView}
      onSeason={setSeason}
      trouble={asked.error}
    />
  );
}

interface OpenedProps {
  which: { slug: string; id: string; day: string };
  bench: BenchData;
  asking: Asking;
  /** What is asked for; the bench says what is shown. */
  view: ViewOf;
  onView: (v: ViewOf) => void;
  onSeason: (s: Season) => void;
  trouble: unknown;
}

function Opened({ which, bench, asking: slipOf, view, onView, onSeason, trouble: unseen }: OpenedProps) {
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
  const [drawn, setDrawn] = useState('');
  const [anew, setAnew] = useState(false);
  const [search, put] = useAddress();
  const side = search.get('side');
  const tab: Side = side === 'map' || side === 'load' ? side : 'slip';
  const setTab = (t: Side) => put({ side: t === 'slip' ? undefined : t });
  const [step, setStep] = useState(0);
  const [look, setLook] = useState<Look>('');
  const slip = useSlip(slipOf, bench.mapped && tab === 'slip');
  const decide = useDecide(slipOf);
  const drawing = useRef<Turnable>(null);
  const sketch = useSketch(which);
  const edits = useEdits(which);
  const undo = useUndoMap(which);
  const carry = useCarry(which);
  const revision = bench.revision?.revision ?? 0;
  const busy = sketch.isPending || edits.isPending || undo.isPending || carry.isPending;
  const limb = bench.limbs.find((l) => l.id === chosen);
  const predicted = bench.ahead > 0 || bench.cut;
  const slipShown = tab === 'slip' && bench.mapped && !predicted ? slip.data : undefined;
  const marked = slipShown && !slipShown.predicted ? slipShown : undefined;
  const { limbs: drawnLimbs, going } = useMemo(() => goingOf(bench.limbs, marked), [bench.limbs, marked]);
  const atStep = marked?.steps.find((s) => s.n === step);
  const cuts = useMemo(
    () =>
      marked?.steps.map((s, k, list) => ({
        n: s.n,
        mark: list.findIndex((o) => o.mark === s.mark) === k ? s.mark : '', // one number a group
        limb: s.cut.limb,
        cm: s.cut.at_cm,
        taken: s.state === 'taken',
      })),
    [marked],
  );

  const { mutate: writeEdits } = edits;
  const edit = useCallback(
    (list: Edit[], written?: () => void) => {
      writeEdits({ based_on: revision, edits: list }, { onSuccess: () => written?.() });
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
  const chooseStep = (s: Step | undefined) => {
    setStep(s?.n ?? 0);
    if (s) {
      setChosen(s.cut.limb);
      setFinding('');
      setBrush('');
    }
  };
  const walkSteps = (by: number) => {
    const list = slip.data?.steps ?? [];
    const i = list.findIndex((s) => s.n === step);
    chooseStep(list[Math.max(0, Math.min(list.length - 1, i < 0 ? 0 : i + by))]);
  };
  const decideStep = (choice: 'taken' | 'left') => {
    const s = slip.data?.steps.find((x) => x.n === step);
    if (s && !slip.data?.predicted && !decide.isPending) decide.mutate({ choice, findings: s.findings });
  };
  const walkOn = (by: number) => {
    if (tab === 'slip' && (slip.data?.steps.length ?? 0) > 0) walkSteps(by);
    else walkFindings(by);
  };
  const walkFindings = (by: number) => {
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
    j: () => walkOn(1),
    k: () => walkOn(-1),
    x: () => decideStep('taken'),
    l: () => decideStep('left'),
    u: takeBack,
    b: () => chosen !== '' && setStrip(!strip),
  });

  const [box, width] = useWidth(440);
  const phone = typeof window.matchMedia === 'function' && window.matchMedia('(max-width: 700px)').matches;
  const high = phone ? Math.round(window.innerHeight * 0.36) : tab === 'slip' ? 336 : 440;
  const metric = units === 'metric';
  const reachSays = `Reach line ${say(bench.tree.reach_cm / 100, 'm', units)}`;
  const asking = predicted ? undefined : { ...which, revision };
  const trouble = edits.error ?? undo.error ?? carry.error ?? sketch.error;

  return (
    <div className={tab === 'slip' ? 'bench slipping' : 'bench'}>
      <StandBack
        bench={bench}
        tops={slipShown?.tops ?? []}
        season={slipShown?.season}
        bearing={bearing}
        outlined={outlined}
        onOutline={setOutlined}
        onChoose={choose}
      />
      <div className="stage">
        <BenchHead
          bench={bench}
          which={which}
          view={view}
          onView={onView}
          bearing={bearing}
          above={above}
          onAbove={setAbove}
          {...(!predicted && { onCarry: () => carry.mutate(revision) })}
          busy={busy}
        />
        <Trouble
          error={trouble}
          holds={
            isClash(trouble)
              ? 'The newer map is shown now; what you typed is kept, to write it again.'
              : trouble
                ? 'The map is as it was before.'
                : ''
          }
        />
        <Trouble error={unseen} holds={unseen ? 'The tree is shown as it stands now.' : ''} />
        {bench.mapped ? (
          <>
            <div className="drawn">
              <div ref={box} className="treebox">
                <TreeDrawing
                  key={rests}
                  ref={drawing}
                  limbs={drawnLimbs}
                  season={bench.facts.map_season}
                  units={units}
                  findings={lettersShown(bench.findings, marked !== undefined, finding, atStep?.letters)}
                  chosenFinding={finding}
                  cuts={cuts}
                  chosenCut={step}
                  going={going}
                  zones={marked?.gauge.zones}
                  tops={slipShown?.tops}
                  onChooseCut={(n) => chooseStep(marked?.steps.find((s) => s.n === n))}
                  bearing={bearing}
                  above={above}
                  width={width}
                  height={high}
                  reachCm={bench.tree.reach_cm}
                  reachSays={reachSays}
                  chosen={chosen}
                  outline={
                    outlined
                      ? {
                          height: bench.outline.height_m * 100,
                          width: bench.outline.width_m * 100,
                          form: bench.tree.form,
                        }
                      : undefined
                  }
                  scaleSays={(cm) => (metric ? `${String(cm / 100)} m` : `${String(Math.round(cm / 30.48))} ft`)}
                  heightSays={(cm) => tall(cm, units)}
                  scaleStepCm={metric ? (high < 320 ? 100 : 50) : 60.96}
                  onChoose={choose}
                  onMoveTip={
                    predicted || tab !== 'map'
                      ? undefined
                      : (on, to: Vec) => edit([{ op: 'tip', id: on, tip: [to[0], to[1], to[2]] }])
                  }
                  onDrawn={
                    predicted || tab !== 'map' || brush !== drawBrush
                      ? undefined
                      : (d) => {
                          setDrawn(lineOf(d, units));
                          setBrush('');
                        }
                  }
                  onMoveBase={
                    predicted || tab !== 'map' ? undefined : (on, cm) => edit([{ op: 'move', id: on, attach_cm: cm }])
                  }
                />
                {tab === 'slip' && !predicted && chosen !== '' && <Why asking={slipOf} limb={chosen} onLimb={choose} />}
                <WoodKey season={bench.facts.map_season} />
                {predicted ? (
                  <p className="sm" role="status">
                    {bench.ahead === 0
                      ? 'As it stands once the slip is made.'
                      : `Predicted, ${bench.cut ? 'with the slip made' : 'if nothing is cut'}: ${bench.ahead === 1 ? 'next winter' : `in ${String(bench.ahead)} years`}. Dotted limbs are not there yet.`}{' '}
                    The map is corrected on the tree as it stands now.
                  </p>
                ) : tab !== 'map' ? null : (
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
            {tab === 'slip' && look === 'compare' && <Compare asking={slipOf} bearing={bearing} />}
            {tab === 'slip' && !predicted && !strip && slip.data && !slip.data.training && <Held asking={slipOf} />}
            {strip && limb && !predicted && (
              <BudStrip
                which={which}
                limb={limb.id}
                season={bench.facts.map_season}
                revision={revision}
                busy={busy}
                cut={atStep?.cut.limb === limb.id ? { n: atStep.n, cm: atStep.cut.at_cm } : undefined}
                onMoveCut={(cm) =>
                  atStep &&
                  decide.mutate({
                    choice: 'moved',
                    findings: atStep.findings,
                    cut: { limb: limb.id, kind: 'bud', at_cm: Math.round(cm * 100) / 100 },
                  })
                }
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
        {bench.mapped && !anew && (
          <div className="segments tabs" role="group" aria-label="Beside the tree">
            <button type="button" aria-pressed={tab === 'slip'} onClick={() => setTab('slip')}>
              Slip
            </button>
            <button type="button" aria-pressed={tab === 'map'} onClick={() => setTab('map')}>
              Map
            </button>
            <button type="button" aria-pressed={tab === 'load'} onClick={() => setTab('load')}>
              Load
            </button>
          </div>
        )}
        {bench.mapped && !anew && tab === 'slip' ? (
          <SlipPanel
            slip={slip.data}
            error={slip.error}
            asking={slipOf}
            limbs={bench.limbs}
            code={bench.tree.code}
            look={look}
            onLook={setLook}
            step={step}
            decide={decide}
            onStep={chooseStep}
            onSeason={(s) => {
              setStep(0);
              onSeason(s);
            }}
          />
        ) : bench.mapped && !anew && tab === 'load' ? (
          <LoadPanel treeId={which.id} chosen={chosen} onChoose={choose} />
        ) : !bench.mapped || anew ? (
          <SketchForm
            key={`${which.id}${String(anew)}`}
            suggest={bench.suggest}
            busy={busy}
            again={anew}
            onSketch={(s) => {
              setTab('map'); // at once: what answers the sketch is its map, not a slip that flashes by
              sketch.mutate({ based_on: revision, sketch: s }, { onSuccess: () => setAnew(false) });
            }}
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
            {!predicted && (
              <QuickLine
                key={drawn}
                which={which}
                revision={revision}
                selected={chosen}
                draft={drawn}
                busy={busy}
                onEdit={(list, written) =>
                  edit(list, () => {
                    written();
                    setDrawn('');
                  })
                }
              />
            )}
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
        {tab === 'map' && <Oddities list={bench.warnings} onChoose={choose} />}
        {bench.mapped && !anew && tab === 'map' && (
          <div className="acts">
            <Button size="small" onClick={() => setAnew(true)}>
              Sketch it anew
            </Button>
          </div>
        )}
        {(tab === 'map' || !bench.mapped) && (
          <>
            <Files which={which} revision={revision} mapped={bench.mapped} />
            <History bench={bench} which={which} />
          </>
        )}
      </div>
    </div>
  );
}
