import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import { useHere } from '../../shared/orchard';
import { percent, say } from '../../shared/units';
import type { Group, Step } from './queries';
import css from '../bench.module.css';

interface Props {
  g: Group;
  steps: readonly Step[];
  /** One of its steps is chosen: it stands open. */
  open: boolean;
  fixed: boolean;
  busy: boolean;
  onAct: (choice: 'taken' | 'left' | 'open') => void;
  children: ReactNode;
}

/** Thin wood of one place and reason: one step, that opens into its limbs. */
export function GroupItem({ g, steps, open, fixed, busy, onAct, children }: Props) {
  const [unfolded, setUnfolded] = useState(false);
  const shown = open || unfolded;
  const { units } = useHere();
  const tools = [...new Set(steps.flatMap((s) => (s.tool ? [s.tool] : [])))];
  const taken = steps.every((s) => s.state === 'taken');
  const low = Math.min(...steps.map((s) => s.place?.[2] ?? 0)) / 100;
  const high = Math.max(...steps.map((s) => s.place?.[2] ?? 0)) / 100;
  return (
    <li className={shown ? 'step group open' : 'step group'}>
      <button type="button" className={css.stephead} aria-expanded={shown} onClick={() => setUnfolded(!unfolded)}>
        <span className={taken ? 'n taken' : 'n'}>{steps[0]?.mark}</span>
        <span>
          <b>{g.title}</b>
          <span className="why">
            {say(low, 'm', units)} to {say(high, 'm', units)} up; {Math.ceil(g.minutes)} min
            {tools.length > 0 && ` with the ${tools.join(' and ')}`}.
          </span>
        </span>
        <span className="num">{percent(g.share)}</span>
      </button>
      {shown && (
        <>
          {!fixed && (
            <div className="pair">
              <Button variant="outlined" disabled={busy} onClick={() => onAct('left')}>
                Leave all
              </Button>
              <Button variant="outlined" disabled={busy} onClick={() => onAct(taken ? 'open' : 'taken')}>
                {taken ? 'Taken' : 'Cut all'}
              </Button>
            </div>
          )}
          <ol className={`steps ${css.inner}`}>{children}</ol>
        </>
      )}
    </li>
  );
}
