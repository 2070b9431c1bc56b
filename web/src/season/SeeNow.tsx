import { useState } from 'react';
import type { Docket } from '../shared/api';
import { useSeen, useUnseen } from './season';
import { TakeBack } from './TakeBack';
import css from './season.module.css';

/** What may be seen on the trees about now: one tap dates it, for one tree or all of its kind, and moves what follows. */
export function SeeNow({ docket, slug }: { docket: Docket; slug: string }) {
  const seen = useSeen(slug);
  const back = useUnseen(slug);
  const [done, setDone] = useState('');
  if (docket.see.length === 0 && !done) return null;
  const tap = (says: string, stage: string, trees: readonly string[]) => {
    back.reset();
    seen.mutate({ trees, stage, day: docket.day }, { onSuccess: () => setDone(says) });
  };
  return (
    <section className={css.seenow} aria-label="Do you see it?">
      <div className="grp">
        <h2 className="h3">Do you see it?</h2>
        <span className="sm q">a tap moves what follows</span>
      </div>
      <TakeBack says={done && `${done}: logged.`} seen={seen} back={back} />
      <ul className="bare">
        {docket.see.map((g) => (
          <li key={g.says}>
            <span>
              <b>{g.says}</b> <span className="q sm">{g.hint}</span>
            </span>
            <span className="acts">
              {g.trees.length > 1 && (
                <button
                  type="button"
                  className="plain"
                  disabled={seen.isPending}
                  onClick={() =>
                    tap(
                      g.says,
                      g.stage,
                      g.trees.map((t) => t.id),
                    )
                  }
                >
                  on all
                </button>
              )}
              {g.trees.map((t) => (
                <button
                  key={t.id}
                  type="button"
                  className="plain"
                  aria-label={`${g.says}, seen today on ${t.code}`}
                  disabled={seen.isPending}
                  onClick={() => tap(`${g.says} on ${t.code}`, g.stage, [t.id])}
                >
                  {t.code}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
