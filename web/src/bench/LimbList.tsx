import { useState } from 'react';
import { Heads } from '../shared/Heads';
import { useHere } from '../shared/orchard';
import { say, show } from '../shared/units';
import { compass } from '../drawing/wood';
import type { Limb } from './queries';
import css from './bench.module.css';

interface Props {
  limbs: readonly Limb[];
  chosen: string;
  onChoose: (id: string) => void;
}

const most = 20;

/** The drawing as a list: every limb with its numbers and how they are known. */
export function LimbList({ limbs, chosen, onChoose }: Props) {
  const { units } = useHere();
  const [all, setAll] = useState(false);
  const rows = all ? limbs : limbs.slice(0, most);
  return (
    <details className={css.files}>
      <summary>
        Limbs as a list <span className="q">({limbs.length})</span>
      </summary>
      <table className="list">
        <Heads of={['Limb', 'To', ['Long', 'n'], ['Thick', 'n'], 'Known']} />
        <tbody>
          {rows.map((l) => (
            <tr key={l.id} aria-selected={l.id === chosen}>
              <th scope="row">
                <button type="button" className="plain" onClick={() => onChoose(l.id)}>
                  {l.id}
                </button>
              </th>
              <td>{compass(l.azimuth_deg)}</td>
              <td className="n">{say(l.length_cm, 'cm', units)}</td>
              <td className="n">{show(l.diameter_mm, 'mm', units)}</td>
              <td>
                {l.source}
                {l.marks.map((m) => `, ${m.kind}`).join('')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {limbs.length > most && (
        <button type="button" className="plain" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show all ${String(limbs.length)}`}
        </button>
      )}
    </details>
  );
}
