import { useRef } from 'react';
import { heights } from '../drawing/scale';
import { TreeDrawing, type Turnable } from '../drawing/TreeDrawing';
import { WalkRound } from '../drawing/WalkRound';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { say, tall, tight } from '../shared/units';
import { turnBy, type At, type Drawn, type Side } from './at';
import { lettersShown, WoodKey } from './beside';
import { BudStrip } from './BudStrip';
import { lineOf } from './drawn';
import { Findings } from './Findings';
import { drawBrush, MarkBar } from './MarkBar';
import { Compare } from './slip/Compare';
import { Held } from './slip/Held';
import type { Asking, Slip, Step, useDecide } from './slip/queries';
import { Why } from './slip/Why';
import css from './bench.module.css';

interface Props extends At {
  tab: Side;
  asking: Asking;
  drawn: Drawn;
  /** The slip beside the tree as it stands. */
  slip: Slip | undefined;
  /** Its frame is still built, or nothing is known of it yet: no years are told. */
  training: boolean;
  decide: ReturnType<typeof useDecide>;
  onStep: (s: Step | undefined) => void;
}

/** The tree as it is drawn: seen from where one stands, with its findings, or with the cuts of its slip. */
export function Stage(p: Props) {
  const { which, bench, hand, put, predicted, phone, choose, writes, tab, asking, drawn, slip, decide } = p;
  const { marked } = drawn;
  const { units } = useHere();
  const drawing = useRef<Turnable>(null);
  const [box, width] = useWidth(440);
  const high = phone ? Math.round(window.innerHeight * 0.36) : tab === 'slip' ? 336 : 440;
  const limb = bench.limbs.find((l) => l.id === hand.limb);
  const atStep = marked?.steps.find((s) => s.n === hand.step);
  const corrected = !predicted && tab === 'map';
  return (
    <>
      <div className={css.drawn}>
        <div ref={box} className={css.treebox}>
          <TreeDrawing
            key={hand.rests}
            ref={drawing}
            limbs={drawn.limbs}
            season={bench.facts.map_season}
            units={units}
            findings={lettersShown(bench.findings, marked !== undefined, hand.finding, atStep?.letters)}
            chosenFinding={hand.finding}
            cuts={drawn.cuts}
            chosenCut={hand.step}
            going={drawn.going}
            zones={marked?.gauge.zones}
            tops={slip?.tops}
            onChooseCut={(n) => p.onStep(marked?.steps.find((s) => s.n === n))}
            bearing={hand.bearing}
            above={hand.above}
            width={width}
            height={high}
            reachCm={bench.tree.reach_cm}
            reachSays={`Reach line ${say(bench.tree.reach_cm / 100, 'm', units)}`}
            chosen={hand.limb}
            outline={
              hand.outlined
                ? { height: bench.outline.height_m * 100, width: bench.outline.width_m * 100, form: bench.tree.form }
                : undefined
            }
            scale={heights(units, high < 320 ? 100 : 50)}
            heightSays={(cm) => (units === 'metric' ? tall : tight)(cm, units)}
            onChoose={choose}
            onMoveTip={
              corrected ? (on, to) => writes.edit([{ op: 'tip', id: on, tip: [to[0], to[1], to[2]] }]) : undefined
            }
            onDrawn={
              corrected && hand.brush === drawBrush ? (d) => put({ do: 'drawn', line: lineOf(d, units) }) : undefined
            }
            onMoveBase={corrected ? (on, cm) => writes.edit([{ op: 'move', id: on, attach_cm: cm }]) : undefined}
          />
          {tab === 'slip' && !predicted && hand.limb !== '' && <Why asking={asking} limb={hand.limb} onLimb={choose} />}
          <WoodKey season={bench.facts.map_season} />
          {predicted && (
            <p className="sm" role="status">
              {bench.ahead === 0
                ? 'As it stands once the slip is made.'
                : `Predicted, ${bench.cut ? 'with the slip made' : 'if nothing is cut'}: ${bench.ahead === 1 ? 'next winter' : `in ${String(bench.ahead)} years`}. Dotted limbs are not there yet.`}{' '}
              The map is corrected on the tree as it stands now.
            </p>
          )}
          {corrected && (
            <MarkBar
              brush={hand.brush}
              onBrush={(brush) => put({ do: 'brush', brush })}
              canUndo={bench.can_undo && !writes.busy}
              onUndo={writes.takeBack}
              chosen={limb}
            />
          )}
        </div>
        <div className={css.walk}>
          <div className={css.dialrow}>
            <button
              type="button"
              className={css.keycap}
              aria-label="Walk round to the left"
              onClick={() => put({ do: 'turn', by: -turnBy })}
            >
              [
            </button>
            <WalkRound
              limbs={bench.limbs}
              bearing={hand.bearing}
              size={phone ? 116 : 172}
              onTurning={(b) => drawing.current?.turn(b)}
              onTurn={(bearing) => put({ do: 'rest', bearing })}
            />
            <button
              type="button"
              className={css.keycap}
              aria-label="Walk round to the right"
              onClick={() => put({ do: 'turn', by: turnBy })}
            >
              ]
            </button>
          </div>
          {!phone && <FindingsOf {...p} />}
        </div>
      </div>
      {tab === 'slip' && hand.look === 'compare' && <Compare asking={asking} bearing={hand.bearing} />}
      {tab === 'slip' && !predicted && !hand.strip && !p.training && <Held asking={asking} />}
      {hand.strip && limb && !predicted && (
        <BudStrip
          which={which}
          limb={limb.id}
          season={bench.facts.map_season}
          revision={writes.revision}
          busy={writes.busy}
          cut={atStep?.cut.limb === limb.id ? { n: atStep.n, cm: atStep.cut.at_cm } : undefined}
          onMoveCut={(cm) =>
            atStep &&
            decide.mutate({
              choice: 'moved',
              findings: atStep.findings,
              cut: { limb: limb.id, kind: 'bud', at_cm: Math.round(cm * 100) / 100 },
            })
          }
          onEdit={writes.edit}
          onClose={() => put({ do: 'strip', strip: false })}
        />
      )}
    </>
  );
}

/** The tree's findings; on the tree as it stands, with the ways to answer one. */
export function FindingsOf({ which, bench, hand, put, predicted, writes }: At) {
  return (
    <Findings
      findings={bench.findings}
      chosen={hand.finding}
      asking={predicted ? undefined : { ...which, revision: writes.revision }}
      onChoose={(f) => put({ do: 'finding', finding: f.letter, limb: f.limb })}
    />
  );
}
