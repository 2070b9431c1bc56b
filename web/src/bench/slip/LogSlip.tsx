import Button from '@mui/material/Button';
import { useState, type FormEvent } from 'react';
import { Field } from '../../shared/Field';
import { useHere } from '../../shared/orchard';
import { Trouble } from '../../shared/Trouble';
import { count, plainNumber, read, show, unitOf } from '../../shared/units';
import { useOfferUndo } from '../../shared/undo';
import { useLogSlip, type Asking, type Slip } from './queries';
import css from '../bench.module.css';

interface Props {
  slip: Slip;
  asking: Asking;
  code: string;
  onDone: () => void;
}

/** What was cut, as it was cut: all or part of the slip, with the wounds as the caliper has them. */
export function LogSlip({ slip, asking, code, onDone }: Props) {
  const { units } = useHere();
  const log = useLogSlip(asking);
  const offer = useOfferUndo();
  const [without, setWithout] = useState<ReadonlySet<number>>(new Set());
  const [mm, setMM] = useState<Record<number, string>>({});
  const [minutes, setMinutes] = useState(String(Math.round(slip.minutes)));
  const [reason, setReason] = useState('');
  const done = slip.steps.filter((s) => !without.has(s.n));
  const submit = (e: FormEvent) => {
    e.preventDefault();
    const cuts = done.map((s) => {
      const d = read(mm[s.n] ?? '', 'mm', units);
      return { cut: s.cut, ...(d === undefined ? {} : { d_mm: d }) };
    });
    const spent = plainNumber(minutes);
    log.mutate(
      {
        based_on: slip.revision,
        cuts,
        ...(Number.isFinite(spent) && spent > 0 ? { minutes: spent } : {}),
        ...(reason.trim() ? { reason: reason.trim() } : {}),
      },
      {
        onSuccess: (out) => {
          offer({ id: out.entry.id, says: `${code}: ${count(cuts.length, 'cut')} logged` });
          onDone();
        },
      },
    );
  };
  return (
    <form className={css.logslip} onSubmit={submit} aria-label="Log what was cut">
      <h2 className="h3">Log what was cut</h2>
      <p className="sm q">
        Untick what was left. A wound measured by caliper corrects the share; empty, the map’s thickness counts.
      </p>
      <ul className="bare">
        {slip.steps.map((s) => (
          <li key={s.n}>
            <label className={css.tick}>
              <input
                type="checkbox"
                checked={!without.has(s.n)}
                onChange={() => {
                  const next = new Set(without);
                  if (!next.delete(s.n)) next.add(s.n);
                  setWithout(next);
                }}
              />
              <span>
                {s.n} {s.title}
              </span>
            </label>
            <Field
              size="small"
              label={`Wound of step ${String(s.n)}, ${unitOf('mm', units)}`}
              placeholder={show(s.d_mm, 'mm', units)}
              value={mm[s.n] ?? ''}
              onChange={(e) => setMM({ ...mm, [s.n]: e.target.value })}
              slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            />
          </li>
        ))}
      </ul>
      <div className="pair">
        <Field size="small" label="Minutes" value={minutes} onChange={(e) => setMinutes(e.target.value)} />
        <Field
          size="small"
          label="If outside its window: why"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      </div>
      <Trouble error={log.error} holds={log.error ? 'The map and the journal are as they were.' : ''} />
      <div className="pair">
        <Button variant="outlined" onClick={onDone}>
          Not yet
        </Button>
        <Button type="submit" variant="contained" disabled={log.isPending || done.length === 0}>
          Log {done.length} of {slip.steps.length}
        </Button>
      </div>
    </form>
  );
}
