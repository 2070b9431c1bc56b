import { useState } from 'react';
import { percent } from '../../shared/units';
import type { Waiting } from './queries';
import css from '../bench.module.css';

const most = 4;

interface Props {
  title: string;
  list: readonly Waiting[];
  act?: { name: string; onAct: (w: Waiting) => void } | undefined;
}

/** What is not cut now, and why; with what a year's waiting would cost. */
export function Waits({ title, list, act }: Props) {
  const [all, setAll] = useState(false);
  if (list.length === 0) return null;
  const shown = all ? list : list.slice(0, most);
  return (
    <section aria-label={title}>
      <h2 className="h3">
        {title} <small className="q">{list.length}</small>
      </h2>
      <ul className={`bare ${css.waits}`}>
        {shown.map((w) => (
          <li key={w.finding.code + w.finding.limb}>
            <b>{w.finding.limb}</b> {w.letter && <span className={`${css.letter} ${css.small}`}>{w.letter}</span>}{' '}
            {w.name}
            {w.cut ? (
              <span className="q">
                ; {w.cut}
                {w.share ? `, ${percent(w.share)}` : ''}
              </span>
            ) : null}
            <span className="why">
              {w.why_says}. {w.price}
            </span>
            {act && (
              <button type="button" className="plain" onClick={() => act.onAct(w)}>
                {act.name}
              </button>
            )}
          </li>
        ))}
      </ul>
      {list.length > most && (
        <button type="button" className="plain" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show ${String(list.length - most)} more`}
        </button>
      )}
    </section>
  );
}
