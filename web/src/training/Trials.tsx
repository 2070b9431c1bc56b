import { Heads } from '../shared/Heads';
import { plain } from '../shared/day';
import type { Grafted, Trial } from './queries';

/** What was tried on the tree, against what was left alone. */
export function Trials({ trials }: { trials: readonly Trial[] }) {
  if (trials.length === 0) return null;
  return (
    <section aria-label="Trials">
      <h2>Trials</h2>
      {trials.map((t) => (
        <article key={t.date + t.task}>
          <h2 className="h3">
            {plain(t.date)} <small className="q">{t.date.slice(0, 4)}</small>
          </h2>
          <table className="list sm">
            <Heads of={['Arm', 'Marked', ['Broke', 'n']]} />
            <tbody>
              {t.arms.map((a) => (
                <tr key={a.tag}>
                  <td>
                    {a.what}
                    {a.planned && a.done && a.planned !== a.done && (
                      <small className="q">
                        {' '}
                        planned {a.planned}, done {a.done}
                      </small>
                    )}
                  </td>
                  <td>{a.tag}</td>
                  <td className="n num">
                    {a.zones.map((z) => `${z.zone} ${String(z.broke)} of ${String(z.buds)}`).join(', ')}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <ul className="bare sm">
            {t.says.map((s) => (
              <li key={s}>{s}</li>
            ))}
            {t.left_out && <li className="q">Left out: {t.left_out}.</li>}
          </ul>
        </article>
      ))}
    </section>
  );
}

/** Grafts made on the tree and from its wood, and what took. */
export function Grafts({ grafts }: { grafts: readonly Grafted[] }) {
  if (grafts.length === 0) return null;
  return (
    <section aria-label="Grafts">
      <h2>Grafts</h2>
      <ul className="bare sm">
        {grafts.map((g) => (
          <li key={g.date + g.says}>
            <span className="q num">
              {plain(g.date)} {g.date.slice(0, 4)}
            </span>{' '}
            {g.says}
          </li>
        ))}
      </ul>
    </section>
  );
}
