import { useState } from 'react';
import { Told } from '../help/Told';
import { Trouble } from '../shared/Trouble';
import { count } from '../shared/units';
import { useWays, type Finding } from './queries';
import css from './bench.module.css';

interface Props {
  findings: readonly Finding[];
  chosen: string;
  onChoose: (f: Finding) => void;
  /** Where to ask for the ways to cut; none: nothing is cut on this tree (it is predicted). */
  asking?: { slug: string; id: string; day: string; revision: number } | undefined;
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
export function Findings({ findings, chosen, onChoose, asking }: Props) {
  const [all, setAll] = useState(false);
  const most = 12;
  const list = all ? findings : findings.slice(0, most);
  if (findings.length === 0) return <p className="sm q">Nothing found that an experienced eye would change.</p>;
  return (
    <section aria-label="Findings">
      <h2>
        Findings <small className="q">{findings.length}</small>
      </h2>
      <ol className={css.findings}>
        {list.map((f, i) => {
          const open = f.letter === chosen;
          return (
            <li key={f.letter}>
              {list[i - 1]?.step !== f.step && <h2 className="h3">{steps[f.step]}</h2>}
              <button type="button" aria-expanded={open} onClick={() => onChoose(f)}>
                <span className={css.letter} aria-hidden="true">
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
                  <p>
                    <Told>{f.why}</Told>
                  </p>
                  <p className="q">
                    Where: {f.where}.
                    {f.estimated ? ' It rests on estimated numbers: measure this limb to be sure.' : ''} After{' '}
                    {f.source}.
                  </p>
                  {asking && <Ways f={f} asking={asking} />}
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

/** How it could be answered: the best cut and its runners-up, each with its place and its cost. Leaving it is as easy. */
function Ways({ f, asking }: { f: Finding; asking: NonNullable<Props['asking']> }) {
  const q = useWays(asking, asking.revision, f.limb, f.aim ?? '', f.at_cm);
  if (!f.aim) return <p>No cut answers this: thin the fruit, prop or tie.</p>;
  if (q.error) return <Trouble error={q.error} />;
  if (!q.data) return null;
  if (q.data.length === 0) return <p>No safe cut here; leave it, and look again next season.</p>;
  return (
    <ol className="ways" aria-label="Ways to cut it">
      {q.data.map((w) => (
        <li key={w.kind + String(w.at_cm)}>
          <b>{w.title}</b>, {w.where}. <span className="q">Takes {w.cost}.</span>{' '}
          {w.reasons.length > 0 && <span className="q">{w.reasons.join('; ')}.</span>}
          {w.cautions.map((c) => (
            <div key={c} className="over">
              {c}
            </div>
          ))}
        </li>
      ))}
    </ol>
  );
}
