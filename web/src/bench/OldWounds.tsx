import { useState } from 'react';
import { Num } from '../shared/plain';
import { useHere } from '../shared/orchard';
import { read, say, unitOf } from '../shared/units';
import type { Edit, Limb } from './queries';

interface Props {
  l: Limb;
  busy: boolean;
  onEdit: (edits: Edit[]) => void;
}

type Wound = Limb['wounds'][number];

/** Old cuts on a limb: which have closed, and one that the map does not know. */
export function OldWounds({ l, busy, onEdit }: Props) {
  const { units } = useHere();
  const [at, setAt] = useState('');
  const [wide, setWide] = useState('');
  const atCm = read(at, 'cm', units);
  const mm = read(wide, 'mm', units);
  const write = (wounds: Wound[]) => onEdit([{ op: 'set', id: l.id, limb: { id: l.id, wounds } }]);
  const good = atCm !== undefined && atCm >= 0 && atCm <= l.length_cm && mm !== undefined && mm > 0;
  return (
    <details className="sm">
      <summary>
        Old cuts{l.wounds.length > 0 ? `, ${String(l.wounds.filter((w) => !w.closed).length)} not closed` : ''}
      </summary>
      <ul className="bare">
        {l.wounds.map((w, k) => (
          <li key={`${String(w.at_cm)} ${String(k)}`}>
            {say(w.d_mm, 'mm', units)} wide, {say(w.at_cm, 'cm', units)} from its base
            {w.year ? `, of ${String(w.year)}` : ''}: {w.closed ? 'closed' : 'open'}{' '}
            <button
              type="button"
              className="plain"
              disabled={busy}
              onClick={() => write(l.wounds.map((o, i) => (i === k ? { ...o, closed: !w.closed } : o)))}
            >
              {w.closed ? 'It is open still' : 'It has closed'}
            </button>
          </li>
        ))}
      </ul>
      <div className="limb-fields">
        <Num label={`an old cut at, ${unitOf('cm', units)}`} value={at} onChange={setAt} />
        <Num label={`its width, ${unitOf('mm', units)}`} value={wide} onChange={setWide} />
        <button
          type="button"
          className="plain"
          disabled={busy || !good}
          onClick={() => {
            if (!good) return;
            write([...l.wounds, { at_cm: atCm, d_mm: mm }]);
            setAt('');
            setWide('');
          }}
        >
          Put it on the map
        </button>
      </div>
    </details>
  );
}
