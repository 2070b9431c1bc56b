import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { Told } from '../../help/Told';
import { useHere } from '../../shared/orchard';
import { percent, say } from '../../shared/units';
import { MoveCut } from './MoveCut';
import type { Asking, CutAt, Step } from './queries';
import css from '../bench.module.css';

interface Props {
  s: Step;
  /** What it is numbered with: its group's number, and inside a group a letter; its own where it is not given. */
  no?: string;
  open: boolean;
  asking: Asking;
  busy: boolean;
  /** A forecast is looked at, not decided. */
  fixed: boolean;
  onOpen: () => void;
  onTake: () => void;
  onLeave: () => void;
  onMove: (to: CutAt) => void;
}

/** One step: what and where in a line; open, all it costs, and the two acts of equal size. */
export function StepItem({ s, no, open, asking, busy, fixed, onOpen, onTake, onLeave, onMove }: Props) {
  const { units } = useHere();
  const [moving, setMoving] = useState(false);
  const [sure, setSure] = useState(false);
  const item = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (open) item.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  const take = () => {
    if (s.forever && s.state !== 'taken' && !sure) setSure(true);
    else {
      setSure(false);
      onTake();
    }
  };
  return (
    <li ref={item} className={open ? 'step open' : 'step'} data-step={s.n}>
      <button type="button" className={css.stephead} aria-expanded={open} onClick={onOpen}>
        <span className={s.state === 'taken' ? 'n taken' : 'n'}>{no ?? s.n}</span>
        <span>
          <b>{s.title}</b>{' '}
          {s.letters.slice(0, 3).map((l) => (
            <span key={l} className={`${css.letter} ${css.small}`}>
              {l}
            </span>
          ))}
          {s.letters.length > 3 && <span className="q sm"> and {s.letters.length - 3} more</span>}
          <span className="why">
            {s.where}; {s.cost}.
          </span>
        </span>
        <span className="num">{s.counted > 0 || s.share < 0.005 ? percent(s.share) : `${percent(s.share)}, free`}</span>
      </button>
      {open && (
        <div className="stepbody">
          <p>
            <Told>{`${s.how} ${s.bud ?? ''}`}</Told>
          </p>
          {s.spread && <p>{s.spread}</p>}
          <p>
            <b>Why:</b> <Told>{`${s.names.join(', ')}. ${s.why}`}</Told>
          </p>
          <ul className={css.price} aria-label="What it costs">
            {s.price.map((p) => (
              <li key={p}>
                <Told>{p}</Told>
              </li>
            ))}
            <li>
              {percent(s.left_after)} is left before the stop line after this step
              {s.aim === 'lower' && s.gain_cm >= 10 ? `; the top comes ${say(s.gain_cm, 'cm', units)} lower` : ''}.
            </li>
          </ul>
          {s.cautions.map((c) => (
            <div key={c} className="over">
              {c}
            </div>
          ))}
          {!fixed && (
            <>
              <div className="pair">
                <Button variant="outlined" onClick={onLeave} disabled={busy}>
                  Leave it
                </Button>
                <Button variant="contained" onClick={take} disabled={busy}>
                  {s.state === 'taken' ? 'Taken' : sure ? 'Sure: it never grows back' : 'Cut it'}
                </Button>
              </div>
              <button type="button" className="plain" aria-expanded={moving} onClick={() => setMoving(!moving)}>
                Move the cut, or see what else would do
              </button>
              {moving && (
                <MoveCut
                  s={s}
                  asking={asking}
                  onMove={(to) => {
                    setMoving(false);
                    onMove(to);
                  }}
                />
              )}
            </>
          )}
        </div>
      )}
    </li>
  );
}
