import Button from '@mui/material/Button';
import { useMemo, useState, type MouseEvent } from 'react';
import { StakeLabel } from '../drawing/StakeLabel';
import { Segments, type Segment } from '../shared/Segments';
import { usePadKeys } from '../shared/keys';
import { count } from '../shared/units';
import { Trouble } from '../shared/Trouble';
import type { Pad } from './pad';
import type { FruitLimb } from './queries';
import { sideName } from './names';
import css from './fruit.module.css';

interface Props {
  limb: FruitLimb;
  pad: Pad;
  /** Which of its side limbs is worked on: its place in the list. */
  at: number;
  fixed: boolean;
  onAt: (k: number) => void;
  onDone: (way: Way) => void;
  way: Way;
  onWay: (w: Way) => void;
  code: string;
  /** How far apart fruit stands on the average; empty where the kind has no spacing. */
  apart: string;
  /** It sets in clusters: of each one stays, or two by school. */
  pome: boolean;
}

const capital = (t: string) => t.charAt(0).toUpperCase() + t.slice(1);

export type Way = 'hand' | 'pole' | 'shears';
const ways: readonly Segment<Way>[] = [
  { value: 'hand', name: 'by hand' },
  { value: 'pole', name: 'padded pole' },
  { value: 'shears', name: 'shears' },
];

/** Fruit in fives, as one keeps count on a stick: read by eye, so it carries no text of its own. */
function Strokes({ n }: { n: number }) {
  const shown = Math.min(n, 60);
  const fives = Math.ceil(shown / 5);
  return (
    <svg className={css.strokes} height={20} viewBox={`0 0 ${String(Math.max(1, fives) * 26)} 20`} aria-hidden="true">
      {Array.from({ length: shown }, (_, i) => {
        const x = Math.floor(i / 5) * 26;
        const k = i % 5;
        return k < 4 ? (
          <path key={i} d={`M${String(x + 3 + k * 5)} 3v14`} />
        ) : (
          <path key={i} d={`M${String(x)} 15L${String(x + 21)} 5`} />
        );
      })}
    </svg>
  );
}

/** The counting pad: large buttons for gloves, numbers to be read at arm's length, keys that win over the screens' own. */
export function CountPad(p: Props) {
  const { limb, pad } = p;
  const totals = pad.totals(limb.id, limb.pass);
  const side = limb.laterals[p.at];
  const lateral = side?.id ?? '';
  const here = totals.by.get(lateral) ?? { left: 0, taken: 0 };
  const last = p.at >= limb.laterals.length - 1;
  const [sure, setSure] = useState(false);
  const act = useMemo(() => {
    const take = (n: number) => () => pad.tap(limb.id, limb.pass, lateral, 0, n);
    return {
      left: () => pad.tap(limb.id, limb.pass, lateral, 1, 0),
      one: take(1),
      two: take(2),
      three: take(3),
      undo: () => pad.undo(limb.id),
      next: () => (last ? setSure(true) : p.onAt(p.at + 1)),
    };
  }, [last, lateral, limb.id, limb.pass, p, pad]);
  const keys = useMemo<Record<string, () => void>>(() => {
    const none: Record<string, () => void> = {};
    if (p.fixed) return none;
    return { ' ': act.left, '1': act.one, '2': act.two, '3': act.three, u: act.undo, j: act.next };
  }, [act, p.fixed]);
  usePadKeys(keys);
  // a button pressed by finger or mouse gives the focus back, so that the space bar counts the next fruit left
  const press = (f: () => void) => (e: MouseEvent<HTMLButtonElement>) => {
    if (e.detail > 0) e.currentTarget.blur();
    f();
  };
  const over = totals.left > limb.keep;
  return (
    <section className={css.pad} aria-label="Counting pad">
      <header className={css.line}>
        <h2>
          Count <StakeLabel code={p.code} /> {limb.id}
        </h2>
        <span className="sm q">
          {limb.pass > 1 ? 'second look, ' : ''}
          part {p.at + 1} of {limb.laterals.length}
        </span>
      </header>
      <div className={css['pad-numbers']} role="status" aria-live="polite">
        <div>
          <strong className={over ? 'over' : ''}>{totals.left}</strong> <span>of {limb.keep} left</span>
          <Strokes n={totals.left} />
        </div>
        <div>
          <strong>{totals.taken}</strong> <span>taken</span>
          <Strokes n={totals.taken} />
        </div>
      </div>
      {side && (
        <p className={css['pad-here']}>
          <b>
            {capital(sideName(side, p.at))}: leave {side.keep}
            {side.on > side.keep ? `, take about ${String(side.on - side.keep)}` : ''}.
          </b>{' '}
          <span className="q">
            {here.left} left, {here.taken} taken here.
            {p.apart
              ? ` Leave the largest, sound and well lit, about ${p.apart} apart${p.pome ? '' : ': never more than two together, on a weak shoot one'}.`
              : ''}
            {over ? ' More stand than this limb should carry.' : ''}
          </span>
        </p>
      )}
      <div className={css['pad-keys']}>
        <button type="button" className={css.main} onClick={press(act.left)} disabled={p.fixed}>
          Left one <small>space</small>
        </button>
        <button type="button" onClick={press(act.one)} disabled={p.fixed}>
          Took one <small>1</small>
        </button>
        <button type="button" onClick={press(act.two)} disabled={p.fixed}>
          Took two <small>2</small>
        </button>
        <button type="button" onClick={press(act.three)} disabled={p.fixed}>
          Took three <small>3</small>
        </button>
        <button type="button" onClick={press(act.undo)} disabled={p.fixed || !pad.canUndo(limb.id)}>
          Undo <small>u</small>
        </button>
        <button type="button" className={css.go} onClick={press(act.next)} disabled={p.fixed}>
          {last ? `${limb.id} done` : `${side ? capital(sideName(side, p.at)) : 'Part'} done`} <small>j</small>
        </button>
      </div>
      {sure && (
        <div className={css['pad-sure']} role="group" aria-label={`Finish ${limb.id}`}>
          <p>
            Log {limb.id}: {totals.left} left, {totals.taken} taken, {ways.find((w) => w.value === p.way)?.name}.
          </p>
          <div className="acts">
            <Button
              variant="contained"
              disabled={totals.left + totals.taken === 0}
              onClick={() => {
                setSure(false);
                p.onDone(p.way);
              }}
            >
              Log the limb
            </Button>
            <Button onClick={() => setSure(false)}>Count on</Button>
          </div>
        </div>
      )}
      <Segments label="Thinned" small className={css.thinned} all={ways} value={p.way} onChange={p.onWay} />
      {p.way === 'pole' && (
        <p className="sm">
          Knock off by eye, to the average, the densest places first: they are ringed on the drawing. No ladder for
          thinning.
        </p>
      )}
      {(pad.unsent > 0 || pad.offline) && (
        <p className="sm" role="status">
          {pad.unkept && <b className="over">This browser keeps nothing: leave the page open. </b>}
          {pad.offline
            ? `No network: ${count(pad.unsent, 'tap')} ${pad.unkept ? 'held by this page' : 'kept on this phone'} and sent when it is back.`
            : `Sending ${count(pad.unsent, 'tap')}.`}
        </p>
      )}
      <Trouble
        error={pad.trouble}
        holds={
          pad.trouble
            ? `What was counted is kept${pad.refused > 0 ? `; ${count(pad.refused, 'tap')} could not be taken and no longer wait${pad.refused === 1 ? 's' : ''}` : ''}.`
            : ''
        }
      />
    </section>
  );
}
