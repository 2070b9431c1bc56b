import { useReducer } from 'react';
import { isClash } from '../shared/api';
import { useAddress } from '../shared/address';
import { useKeys } from '../shared/keys';
import { usePhone } from '../shared/phone';
import { Segments } from '../shared/Segments';
import { Trouble } from '../shared/Trouble';
import { turnBy, useMarked, useWrites, type Side, type Which } from './at';
import { BenchHead, type ViewOf } from './BenchHead';
import { act, beside, emptyHand } from './hand';
import { LoadPanel } from './LoadPanel';
import { MapSide } from './MapSide';
import { brushes } from './MarkBar';
import type { Bench } from './queries';
import { SketchForm } from './SketchForm';
import { useDecide, useSlip, type Asking, type Season, type Step } from './slip/queries';
import { SlipPanel } from './slip/SlipPanel';
import { Stage } from './Stage';
import { StandBack } from './StandBack';
import css from './bench.module.css';

const sides = [
  { value: 'slip', name: 'Slip' },
  { value: 'map', name: 'Map' },
  { value: 'load', name: 'Load' },
] as const;

interface Props {
  which: Which;
  bench: Bench;
  asking: Asking;
  /** What is asked for; the bench says what is shown. */
  view: ViewOf;
  onView: (v: ViewOf) => void;
  onSeason: (s: Season) => void;
  trouble: unknown;
}

/** The bench of one tree, opened. */
export function Opened({ which, bench, asking, view, onView, onSeason, trouble: unseen }: Props) {
  const [hand, put] = useReducer(act, emptyHand);
  const [search, setAddress] = useAddress();
  const tab = sides.find((s) => s.value === search.get('side'))?.value ?? 'slip';
  const setTab = (t: Side) => setAddress({ side: t === 'slip' ? undefined : t });
  const phone = usePhone();
  const slip = useSlip(asking, bench.mapped && tab === 'slip');
  const decide = useDecide(asking);
  const writes = useWrites(which, bench);
  const limb = bench.limbs.find((l) => l.id === hand.limb);
  const predicted = bench.ahead > 0 || bench.cut;
  const shown = tab === 'slip' && bench.mapped && !predicted ? slip.data : undefined;
  const drawn = useMarked(bench, shown);

  const choose = (next: string) => {
    if (next !== '' && hand.rubbing && limb && next !== limb.id) {
      put({ do: 'rubbing', rubbing: false });
      writes.edit([{ op: 'mark', id: limb.id, mark: { kind: 'rubbing', at_cm: limb.length_cm / 2, other: next } }]);
      return;
    }
    const made = next === '' || predicted ? undefined : brushes.find((b) => b.slug === hand.brush)?.edit(next);
    if (made) writes.edit([made]);
    put({ do: 'limb', limb: next });
  };
  const chooseStep = (s: Step | undefined) => put({ do: 'step', step: s?.n ?? 0, limb: s?.cut.limb ?? '' });
  const steps = slip.data?.steps ?? [];
  const walkOn = (by: number) => {
    if (tab === 'slip' && steps.length > 0) {
      const at = steps.findIndex((s) => s.n === hand.step);
      chooseStep(beside(steps, at, by));
      return;
    }
    const at = bench.findings.findIndex((f) => f.letter === hand.finding);
    const next = beside(bench.findings, at, by);
    if (next && next.letter !== hand.finding) put({ do: 'finding', finding: next.letter, limb: next.limb });
  };
  const decideStep = (choice: 'taken' | 'left') => {
    const s = steps.find((x) => x.n === hand.step);
    if (s && !slip.data?.predicted && !decide.isPending) decide.mutate({ choice, findings: s.findings });
  };
  useKeys({
    '[': () => put({ do: 'turn', by: -turnBy }),
    ']': () => put({ do: 'turn', by: turnBy }),
    j: () => walkOn(1),
    k: () => walkOn(-1),
    x: () => decideStep('taken'),
    l: () => decideStep('left'),
    u: writes.takeBack,
    b: () => put({ do: 'strip', strip: !hand.strip }),
  });

  const at = { which, bench, hand, put, predicted, phone, choose, writes };
  return (
    <div className={tab === 'slip' ? `${css.bench} ${css.slipping}` : css.bench}>
      <StandBack
        bench={bench}
        tops={shown?.tops ?? []}
        season={shown?.season}
        bearing={hand.bearing}
        outlined={hand.outlined}
        onOutline={(outlined) => put({ do: 'outline', outlined })}
        onChoose={choose}
      />
      <div className="stage">
        <BenchHead
          bench={bench}
          which={which}
          view={view}
          onView={onView}
          bearing={hand.bearing}
          above={hand.above}
          onAbove={(above) => put({ do: 'above', above })}
          {...(!predicted && { onCarry: writes.carry })}
          busy={writes.busy}
        />
        <Trouble error={writes.trouble} holds={heldAfter(writes.trouble)} />
        <Trouble error={unseen} holds={unseen ? 'The tree is shown as it stands now.' : ''} />
        {bench.mapped ? (
          <Stage
            {...at}
            tab={tab}
            asking={asking}
            drawn={drawn}
            slip={shown}
            training={!slip.data || !!slip.data.training}
            decide={decide}
            onStep={chooseStep}
          />
        ) : (
          <p className="empty">No map of this tree yet. Six numbers give a first one.</p>
        )}
      </div>
      <div className={`side ${css.benchside}`}>
        {!bench.mapped || hand.anew ? (
          <SketchForm
            key={`${which.id}${String(hand.anew)}`}
            suggest={bench.suggest}
            busy={writes.busy}
            again={hand.anew}
            onSketch={(s) => {
              setTab('map'); // at once: what answers the sketch is its map, not a slip that flashes by
              writes.sketch.mutate(
                { based_on: writes.revision, sketch: s },
                { onSuccess: () => put({ do: 'anew', anew: false }) },
              );
            }}
            {...(hand.anew ? { onCancel: () => put({ do: 'anew', anew: false }) } : {})}
          />
        ) : (
          <>
            <Segments label="Beside the tree" className={css.tabs} all={sides} value={tab} onChange={setTab} />
            {tab === 'slip' && (
              <SlipPanel
                slip={slip.data}
                error={slip.error}
                asking={asking}
                limbs={bench.limbs}
                code={bench.tree.code}
                look={hand.look}
                onLook={(look) => put({ do: 'look', look })}
                step={hand.step}
                decide={decide}
                onStep={chooseStep}
                onSeason={(s) => {
                  chooseStep(undefined);
                  onSeason(s);
                }}
              />
            )}
            {tab === 'load' && <LoadPanel treeId={which.id} chosen={hand.limb} onChoose={choose} />}
          </>
        )}
        <MapSide {...at} shown={tab === 'map'} />
      </div>
    </div>
  );
}

/** What holds after a write that did not go through. */
function heldAfter(trouble: unknown): string {
  if (!trouble) return '';
  return isClash(trouble)
    ? 'The newer map is shown now; what you typed is kept, to write it again.'
    : 'The map is as it was before.';
}
