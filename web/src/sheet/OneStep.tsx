import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import type { Bench } from '../bench/queries';
import { goingOf } from '../bench/slip/going';
import { usePlaces, type Asking, type Place, type Slip, type Step } from '../bench/slip/queries';
import { StakeLabel } from '../drawing/StakeLabel';
import { heights } from '../drawing/scale';
import { TreeDrawing } from '../drawing/TreeDrawing';
import type { Waiting } from '../outbox/box';
import { useWidth } from '../shared/measure';
import { usePhone } from '../shared/phone';
import { useHere } from '../shared/orchard';
import { Trouble } from '../shared/Trouble';
import { say } from '../shared/units';
import { cutElsewhere, decide } from './commands';
import { choiceOf, movedTo, soFar } from './decided';
import type { Stop } from './queries';
import { StepWords } from './StepWords';
import { StopLine } from './StopLine';
import { Wheel } from './Wheel';
import css from './sheet.module.css';

interface OneProps {
  step: Step;
  n: number;
  steps: readonly Step[];
  slip: Slip;
  asking: Asking;
  bench: Bench;
  stop: Stop;
  waiting: readonly Waiting[];
  began: number;
  measured: Record<string, number>;
  onMeasure: (m: Record<string, number>) => void;
  onOn: () => void;
  onBack: () => void;
}

/** The name a wound has among those measured. */
export const woundOf = (s: Step) => `${s.cut.limb}@${String(s.cut.at_cm)}`;

/** One step fills the screen: the drawing turned to where one stands, the place, the bud, why, and the two acts. */
export function OneStep({
  step: s,
  n,
  steps,
  slip,
  asking,
  bench,
  stop,
  waiting,
  began,
  measured,
  onMeasure,
  onOn,
  onBack,
}: OneProps) {
  const { units } = useHere();
  const [trouble, setTrouble] = useState<unknown>(null);
  // a tap is kept before the next one counts: a step back meanwhile would be followed by the step on
  const [keeping, setKeeping] = useState(false);
  const [other, setOther] = useState(false);
  const [box, width] = useWidth(390);
  const phone = usePhone();
  const { limbs, going } = useMemo(() => goingOf(bench.limbs, slip), [bench.limbs, slip]);
  const choice = choiceOf(s, slip, waiting);
  const moved = movedTo(s, slip, waiting);
  const keep = (tap: Promise<void>, on: boolean) => {
    setTrouble(null);
    setKeeping(true);
    tap
      .then(() => {
        if (on) onOn();
      }, setTrouble)
      .finally(() => setKeeping(false));
  };
  const act = (what: 'taken' | 'left' | 'open', seen?: string) =>
    keep(decide(asking, stop.code, s, what, seen), what !== 'open');
  return (
    <section aria-label={`Step ${String(n)} of ${String(steps.length)}`} className={css.onestep}>
      <div ref={box} className="stepdrawing">
        <TreeDrawing
          limbs={limbs}
          season={bench.facts.map_season}
          units={units}
          findings={[]}
          cuts={[
            {
              n: s.n,
              mark: s.mark,
              limb: (moved?.cut ?? s.cut).limb,
              cm: (moved?.cut ?? s.cut).at_cm,
              taken: choice === 'taken',
            },
          ]}
          chosenCut={s.n}
          going={going}
          bearing={s.stand_deg}
          above={false}
          width={width}
          height={phone ? 236 : 292}
          reachCm={bench.tree.reach_cm}
          reachSays={`Reach ${say(bench.tree.reach_cm / 100, 'm', units)}`}
          chosen={s.cut.limb}
          scale={heights(units)}
          onChoose={() => undefined}
        />
        <p className="youstand">you stand {s.side}</p>
      </div>
      <header>
        <StakeLabel code={stop.code} look="full" /> <span>{stop.name || stop.kind_name}</span>
        <span className="q">
          step {n} of {steps.length} here{began > 0 && <Clock since={began} />}
        </span>
      </header>
      <h1>{s.title}</h1>
      {moved && <p className="over">Cut elsewhere: {moved.title}.</p>}
      <StepWords step={s} units={units} />
      <p className={css.toolline}>
        <b>{s.tool ?? ''}</b>
      </p>
      <StopLine gauge={slip.gauge} off={soFar(steps, slip, waiting)} step={choice === 'taken' ? 0 : s.counted} />
      <Trouble error={trouble} holds={trouble ? 'The step is as it was.' : ''} />
      <div className="act">
        <Button variant="outlined" disabled={keeping} onClick={() => act('left')}>
          Leave it
        </Button>
        <Button variant="contained" disabled={keeping} onClick={() => (choice === 'taken' ? onOn() : act('taken'))}>
          {choice === 'taken' ? 'Cut already: on' : 'Cut made'}
        </Button>
      </div>
      <p className={css.small2}>
        <button type="button" className="plain" disabled={keeping} onClick={onBack}>
          Back a step
        </button>
        <button type="button" className="plain" disabled={keeping} onClick={onOn}>
          Skip for now
        </button>
      </p>
      <details className={css.else1}>
        <summary>Something else</summary>
        <p className={css.small2}>
          <button type="button" className="plain" disabled={keeping} onClick={() => act('left', 'not-found')}>
            Cannot find it
          </button>
          <button type="button" className="plain" disabled={keeping} onClick={() => act('left', 'dead')}>
            It is dead
          </button>
          {choice !== 'open' && (
            <button type="button" className="plain" disabled={keeping} onClick={() => act('open')}>
              {choice === 'taken' ? 'Not cut after all' : 'Not left after all'}
            </button>
          )}
        </p>
        <details className={css.elsewhere} onToggle={(e) => setOther(e.currentTarget.open)}>
          <summary>I cut elsewhere</summary>
          {other && (
            <Elsewhere
              asking={asking}
              step={s}
              disabled={keeping}
              onCut={(p) => keep(cutElsewhere(asking, stop.code, s, p), true)}
            />
          )}
        </details>
        {s.d_mm > 0 && (
          <Wheel
            label="The wound, measured"
            mm={measured[woundOf(s)]}
            mapMM={s.d_mm}
            units={units}
            onChange={(mm) => {
              const { [woundOf(s)]: _, ...rest } = measured;
              onMeasure(mm === undefined ? rest : { ...rest, [woundOf(s)]: mm });
            }}
          />
        )}
      </details>
    </section>
  );
}

const fewPlaces = 8;

/** Where else the limb could be cut: the places nearest to the one on the slip. */
function Elsewhere({
  asking,
  step: s,
  disabled,
  onCut,
}: {
  asking: Asking;
  step: Step;
  disabled: boolean;
  onCut: (p: Place) => void;
}) {
  const { units } = useHere();
  const q = usePlaces(asking, s.cut.limb, s.aim);
  if (q.error && !q.data)
    return (
      <p className="sm">
        The other places of this limb are not on this phone. Leave the step, and log it at the bench.
      </p>
    );
  const off = (p: Place) => Math.abs(p.cut.at_cm - s.cut.at_cm);
  const places = (q.data ?? []).filter((p) => p.cut.kind !== s.cut.kind || off(p) > hereCM);
  return (
    <ul className="bare">
      {[...places]
        .sort((a, b) => off(a) - off(b))
        .slice(0, fewPlaces)
        .map((p) => (
          <li key={`${p.cut.kind}@${String(p.cut.at_cm)}`}>
            <button type="button" className="bordered" disabled={disabled} onClick={() => onCut(p)}>
              <b>{p.title}</b>{' '}
              <span className="q">
                {p.cut.at_cm > 0 ? `${say(p.cut.at_cm, 'cm', units)} from its base, ` : ''}
                {say(p.d_mm, 'mm', units)} thick there
              </span>
            </button>
          </li>
        ))}
    </ul>
  );
}

const hereCM = 0.06;

/** How long one has been at this tree; to be ignored at will. */
function Clock({ since }: { since: number }) {
  const [now, setNow] = useState(since);
  useEffect(() => {
    const t = setInterval(() => setNow(Date.now()), 10_000);
    return () => clearInterval(t);
  }, []);
  const minutes = Math.floor((now - since) / 60_000);
  return minutes < 1 ? null : <span className="num">, {minutes} min</span>;
}
