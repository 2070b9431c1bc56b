import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import { useAccess } from '../access/queries';
import type { Asking } from '../bench/slip/queries';
import { plain } from '../shared/day';
import { Trouble } from '../shared/Trouble';
import { useHere } from '../shared/orchard';
import { count, say } from '../shared/units';
import { useAskHelper, useHelperLinks, useTakeIn, useWithdraw, type LinkOf } from './queries';
import css from './helper.module.css';

const saysOf = { taken: 'cut', left: 'left', 'could-not': 'could not', note: 'note' } as const;

/** Giving this slip to somebody, and taking in what they did. */
export function HelperLinks({ asking }: { asking: Asking }) {
  const [open, setOpen] = useState(false);
  const links = useHelperLinks(asking, true);
  const waiting = (links.data ?? []).reduce((sum, l) => sum + l.waiting, 0);
  return (
    <details className="behind" open={open || waiting > 0} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>
        A helper for this tree{waiting > 0 && <b className="over"> {count(waiting, 'answer')} waiting for you</b>}
      </summary>
      <Trouble error={links.error} />
      <Ask asking={asking} />
      {(links.data ?? []).map((l) => (
        <OneLink key={l.id} link={l} asking={asking} />
      ))}
    </details>
  );
}

function Ask({ asking }: { asking: Asking }) {
  const ask = useAskHelper(asking);
  const access = useAccess();
  const [days, setDays] = useState('7');
  const [note, setNote] = useState('');
  const path = ask.data?.path;
  const n = Number(days);
  return (
    <>
      <p className="sm q">
        A link to this tree and this slip, for a friend or a hired tree worker: they see no other tree and no names, and
        what they tap waits here until you take it in.
      </p>
      <Field
        size="small"
        fullWidth
        margin="dense"
        label="What else they should know"
        value={note}
        onChange={(e) => setNote(e.target.value)}
      />
      <Field
        size="small"
        margin="dense"
        label="Days it is open"
        value={days}
        onChange={(e) => setDays(e.target.value)}
      />{' '}
      <Button
        variant="outlined"
        disabled={ask.isPending || !Number.isInteger(n) || n < 1 || n > 60}
        onClick={() => ask.mutate({ days: n, ...(note.trim() ? { note: note.trim() } : {}) })}
      >
        Make a link
      </Button>
      <Trouble error={ask.error} />
      {path && (
        <p role="status">
          Give this to them; it is told only now:{' '}
          <a href={path} className={css.helperurl}>
            {window.location.origin}
            {path}
          </a>
          {access.data?.here && !access.data.guarded && (
            <span className="q sm">
              {' '}
              Only this machine reaches it yet; Settings, Access, says how the phones of the house do.
            </span>
          )}
        </p>
      )}
    </>
  );
}

function OneLink({ link: l, asking }: { link: LinkOf; asking: Asking }) {
  const { units } = useHere();
  const withdraw = useWithdraw(asking);
  const takeIn = useTakeIn(asking);
  const word = l.answers.findLast((a) => a.step === 0);
  const said = l.steps.filter((s) => s.answer);
  return (
    <section className={css.helperlink} aria-label={`Link of ${plain(l.created.slice(0, 10))}`}>
      <p>
        <b>Given {plain(l.created.slice(0, 10))}</b>{' '}
        <span className="q sm">
          {l.withdrawn ? 'withdrawn' : l.over ? 'ended' : `open until ${plain(l.expires.slice(0, 10))}`}
          {said.length === 0 && !word ? '; nothing answered yet' : ''}
        </span>
      </p>
      <ul className="bare sm">
        {said.map(({ n, title, answer: a }) => (
          <li key={n}>
            {n} {title}: <b>{a ? saysOf[a.choice] : ''}</b>
            {a?.d_mm ? `, ${say(a.d_mm, 'mm', units)}` : ''}
            {a?.note ? `, “${a.note}”` : ''}{' '}
            {a?.entry ? (
              <span className="q">taken in</span>
            ) : (
              <button
                type="button"
                className="plain"
                disabled={takeIn.isPending}
                onClick={() => takeIn.mutate({ link: l.id, steps: [n] })}
              >
                Take it in
              </button>
            )}
          </li>
        ))}
        {word && (
          <li>
            “{word.note}” {word.entry && <span className="q">taken in</span>}
          </li>
        )}
      </ul>
      <Trouble error={takeIn.error ?? withdraw.error} holds={takeIn.error ? 'The answers still wait here.' : ''} />
      <p className="heldacts">
        {l.waiting > 0 && (
          <Button
            variant="contained"
            disabled={takeIn.isPending}
            onClick={() => takeIn.mutate({ link: l.id, steps: [] })}
          >
            Take all in
          </Button>
        )}
        {!l.over && (
          <Button variant="outlined" onClick={() => withdraw.mutate(l.id)}>
            Withdraw the link
          </Button>
        )}
      </p>
    </section>
  );
}
