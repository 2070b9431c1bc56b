import { weekdayLong, type Day } from '../shared/day';
import { StakeLabel } from '../drawing/StakeLabel';
import { minutes, type Days } from './days';
import css from './year.module.css';

/** The same in words: each day with its jobs, in the order of the work, and why each stands there. */
export function DayList({ days, until, open }: { days: Days; until: Day; open: boolean }) {
  const by = new Map<Day, { id: string; codes: string[]; title: string; m: number; says: string }[]>();
  for (const j of days.jobs)
    for (const p of j.pieces) {
      if (p.date >= until) continue;
      const rows = by.get(p.date) ?? [];
      const same = rows.find((r) => r.title === j.title && r.says === j.says);
      if (same) {
        same.codes.push(j.code ?? '');
        same.m += p.minutes;
      } else rows.push({ id: j.task_id, codes: j.code ? [j.code] : [], title: j.title, m: p.minutes, says: j.says });
      by.set(p.date, rows);
    }
  const dates = [...by.keys()].sort();
  return (
    <details className={css.daylist} open={open || undefined}>
      <summary>
        <b>The same in words</b> <span className="q sm">day by day, and why each job stands there</span>
      </summary>
      {dates.length === 0 && <p className="sm q">Nothing is set in these weeks.</p>}
      {dates.map((d) => (
        <section key={d}>
          <h2 className="h3">{weekdayLong(d)}</h2>
          <ol>
            {(by.get(d) ?? []).map((j) => (
              <li key={j.id}>
                {j.codes.map((c) => (
                  <StakeLabel key={c} code={c} look="soft" />
                ))}{' '}
                <b>{j.title}</b>, {minutes(j.m)}
                {j.codes.length > 1 && ' in all'}
                <br />
                <span className="sm q">{j.says}</span>
              </li>
            ))}
          </ol>
        </section>
      ))}
    </details>
  );
}
