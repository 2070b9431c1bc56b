import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import { plain, type Day } from '../shared/day';
import { first, useSeen, useUnseen, type See, type SeasonOf } from './season';
import { TakeBack } from './TakeBack';
import css from './season.module.css';

/** One tap dates a stage for this tree, or for all of its kind, and moves all that follows; a tap can be taken back. */
export function SeeToday({
  s,
  slug,
  today,
  alike,
}: {
  s: SeasonOf;
  slug: string;
  today: Day;
  alike: readonly { id: string; code: string }[];
}) {
  const seen = useSeen(slug);
  const back = useUnseen(slug);
  const [day, setDay] = useState<Day>();
  const [all, setAll] = useState(false);
  const on = day ?? s.day;
  const told = s.see.filter((v) => v.state !== 'passed');
  const shown = (told.length > 0 ? told : s.see).slice(0, 6);
  const tap = (v: See) =>
    seen.mutate(
      { trees: all ? alike.map((t) => t.id) : [s.tree_id], stage: v.stage, day: on },
      { onSettled: () => setDay(undefined) },
    );
  const future = on > today;
  return (
    <section className="see" aria-label="I see it today">
      <header>
        <h2>I see it {on === today ? 'today' : `on ${plain(on)}`}</h2>
        <span className="sm q">one tap; it moves all that follows</span>
      </header>
      <div className={css.taps}>
        {shown.map((v) => (
          <button
            key={v.stage}
            type="button"
            className={v.state}
            disabled={seen.isPending || future || v.state === 'seen'}
            onClick={() => tap(v)}
          >
            <b>{first(v.name)}</b>
            <small>{v.state === 'seen' && v.date ? `seen ${plain(v.date)}` : v.hint}</small>
          </button>
        ))}
      </div>
      {future && <p className="sm q">What lies ahead cannot be seen: move the day shown back to today.</p>}
      <p className="sm ways">
        {alike.length > 1 && (
          <label>
            <input type="checkbox" checked={all} onChange={(e) => setAll(e.target.checked)} /> all{' '}
            {String(alike.length)} of its kind ({alike.map((t) => t.code).join(', ')})
          </label>
        )}
        <label>
          another day <input type="date" value={on} max={today} onChange={(e) => setDay(e.target.value || undefined)} />
        </label>
      </p>
      <TakeBack
        says={`Logged on ${seen.data?.length === 1 ? 'this tree' : `${String(seen.data?.length)} trees`}.`}
        seen={seen}
        back={back}
      />
      {s.count && (
        <div className={css.countbuds}>
          <p className="sm">
            <b>Count twenty buds</b> by {plain(s.count.closes)}: cut across, a brown heart is dead. {s.count.says}
          </p>
          <Button component={Link} to={`/${slug}/thinning/${s.tree_id}`} variant="outlined">
            Count, {Math.round(s.count.minutes)} min
          </Button>
        </div>
      )}
    </section>
  );
}
