import { useState } from 'react';
import { count } from '../shared/units';
import type { Finding } from './queries';

interface Props {
  findings: readonly Finding[];
  chosen: string;
  onChoose: (f: Finding) => void;
}

const steps = [
  '',
  'Sick wood',
  'Suckers and sprouts',
  'Crossing',
  'Wrong ways',
  'Narrow and thick',
  'Height',
  'Width',
  'Light and air',
  'Renewal and load',
];

/** What an experienced eye finds, in the order of work. A chosen one tells its numbers and why it matters. */
export function Findings({ findings, chosen, onChoose }: Props) {
  const [all, setAll] = useState(false);
  const most = 12;
  const list = all ? findings : findings.slice(0, most);
  if (findings.length === 0) return <p className="sm q">Nothing found that an experienced eye would change.</p>;
  return (
    <section aria-label="Findings">
      <h2>
        Findings <small className="q">{findings.length}</small>
      </h2>
      <ol className="findings">
        {list.map((f, i) => {
          const open = f.letter === chosen;
          return (
            <li key={f.letter}>
              {list[i - 1]?.step !== f.step && <h3>{steps[f.step]}</h3>}
              <button type="button" aria-expanded={open} onClick={() => onChoose(f)}>
                <span className="letter" aria-hidden="true">
                  {f.letter}
                </span>
                <span>
                  <b>
                    <span className="visually-hidden">{f.letter}: </span>
                    {f.name} <span className="q">{f.limb}</span>
                  </b>
                  <span className="why">{f.says}</span>
                </span>
              </button>
              {open && (
                <div className="more">
                  <p>{f.why}</p>
                  <p className="q">
                    Where: {f.where}.
                    {f.estimated ? ' It rests on estimated numbers: measure this limb to be sure.' : ''} After{' '}
                    {f.source}.
                  </p>
                </div>
              )}
            </li>
          );
        })}
      </ol>
      {findings.length > most && (
        <button type="button" className="plain" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show ${count(findings.length - most, 'more finding')}`}
        </button>
      )}
    </section>
  );
}
