import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import type { Asking, Slip, Step } from '../bench/slip/queries';
import type { Waiting } from '../outbox/box';
import { useHere } from '../shared/orchard';
import { Trouble } from '../shared/Trouble';
import { count, percent, plainNumber, say } from '../shared/units';
import { finish } from './commands';
import { choiceOf, finished, movedTo, soFar } from './decided';
import { woundOf } from './OneStep';

interface Props {
  steps: readonly Step[];
  slip: Slip;
  asking: Asking;
  code: string;
  waiting: readonly Waiting[];
  began: number;
  measured: Record<string, number>;
  onBack: () => void;
}

/** The end of a tree: what was cut becomes one entry, and the map follows. */
export function Finish({ steps, slip, asking, code, waiting, began, measured, onBack }: Props) {
  const { units } = useHere();
  const [now] = useState(() => Date.now());
  const spent = began > 0 ? Math.max(1, Math.round((now - began) / 60_000)) : 0;
  const [minutes, setMinutes] = useState(spent > 0 ? String(spent) : '');
  const [trouble, setTrouble] = useState<unknown>(null);
  const [sent, setSent] = useState(false);
  const cut = steps.filter((s) => choiceOf(s, slip, waiting) === 'taken');
  const leftOut = steps.length - cut.length;
  if (sent || finished(waiting))
    return (
      <p role="status">
        <b>{code} is finished.</b>{' '}
        {finished(waiting) ? 'The cuts wait on this phone to be sent.' : 'The cuts are logged and the map follows.'}
      </p>
    );
  const submit = () => {
    setTrouble(null);
    const mins = plainNumber(minutes);
    finish(
      asking,
      code,
      cut.map((s) => ({
        cut: movedTo(s, slip, waiting)?.cut ?? s.cut,
        ...(measured[woundOf(s)] ? { d_mm: measured[woundOf(s)] } : {}),
      })),
      Number.isFinite(mins) ? mins : 0,
    ).then(() => setSent(true), setTrouble);
  };
  return (
    <>
      <p>
        {cut.length} of {count(steps.length, 'step')} cut, {percent(soFar(steps, slip, waiting))} of the crown.
        {leftOut > 0 && ` ${count(leftOut, 'step')} left: a later slip takes them up.`}
      </p>
      <ul className="sm">
        {cut.map((s) => (
          <li key={s.n}>
            {movedTo(s, slip, waiting)?.title ?? s.title}
            {measured[woundOf(s)] ? `, measured ${say(measured[woundOf(s)] ?? 0, 'mm', units)}` : ''}
          </li>
        ))}
      </ul>
      {cut.length > 0 && slip.clear_up.length > 0 && (
        <details className="sm">
          <summary>Before you go to the next tree</summary>
          <ul>
            {slip.clear_up.map((s) => (
              <li key={s}>{s}</li>
            ))}
          </ul>
        </details>
      )}
      <Field
        size="small"
        label="Minutes"
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      />
      <Trouble error={trouble} holds={trouble ? 'Nothing was logged yet.' : ''} />
      <div className="act">
        <Button variant="outlined" onClick={onBack}>
          Back a step
        </Button>
        <Button variant="contained" disabled={cut.length === 0} onClick={submit}>
          Finish this tree
        </Button>
      </div>
    </>
  );
}
