import { useState } from 'react';
import { plain } from '../shared/day';
import { useChanges, type Bench } from './queries';
import css from './bench.module.css';

const causes: Record<string, string> = {
  sketch: 'sketched',
  corrected: 'corrected',
  marked: 'marked',
  cut: 'cut',
  import: 'from a file',
  undo: 'undone',
  grown: 'carried on',
};

interface Props {
  bench: Bench;
  which: { slug: string; id: string; day: string };
}

/** The maps kept of a tree, and what changed since each. */
export function History({ bench, which }: Props) {
  const [against, setAgainst] = useState(0);
  const now = bench.revision?.revision ?? 0;
  const changes = useChanges(which, against, now);
  if (bench.history.length === 0) return null;
  return (
    <details className={css.files}>
      <summary>
        Maps kept <span className="q">({bench.history.length})</span>
      </summary>
      <ul className="bare sm">
        {bench.history.slice(0, 30).map((r) => (
          <li key={r.revision}>
            {plain(r.date)} {r.date.slice(0, 4)}, {causes[r.cause] ?? r.cause}{' '}
            {r.revision === now ? (
              '(shown)'
            ) : (
              <button
                type="button"
                className="plain"
                aria-expanded={against === r.revision}
                onClick={() => setAgainst(against === r.revision ? 0 : r.revision)}
              >
                what changed since
              </button>
            )}
            {against === r.revision && changes.data && (
              <ul className="more bare">
                {changes.data.length === 0 && <li>Nothing.</li>}
                {changes.data.slice(0, 40).map((c) => (
                  <li key={`${c.limb}${c.field}`}>
                    <b>{c.limb}</b>{' '}
                    {c.field === ''
                      ? c.before === 'gone'
                        ? 'is gone'
                        : 'is new'
                      : `${fieldNames[c.field] ?? c.field}: ${c.before || 'none'} to ${c.after || 'none'}`}
                  </li>
                ))}
                {changes.data.length > 40 && <li>and {changes.data.length - 40} more</li>}
              </ul>
            )}
          </li>
        ))}
      </ul>
      <p className="sm q">The rail shows the map as of any day.</p>
    </details>
  );
}

const fieldNames: Record<string, string> = {
  attach_cm: 'starts at, cm',
  azimuth_deg: 'direction',
  angle_base_deg: 'angle',
  angle_tip_deg: 'angle at the tip',
  length_cm: 'length, cm',
  diameter_mm: 'thickness, mm',
  tip_diameter_mm: 'thickness at the tip, mm',
  parent: 'hangs on',
};
