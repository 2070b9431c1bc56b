import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { Link } from 'react-router';
import { padsWaiting } from '../fruit/pad';
import { count } from '../shared/units';
import type { State, Waiting } from './box';
import { Held } from './Held';
import { brief, moment, useKeptSince } from './network';
import { outbox, useOutbox } from './use';
import { useNewer } from './version';
import css from './outbox.module.css';

const stuckSays: Record<State['stuck'], string> = {
  '': 'They are being sent.',
  'no-answer': 'No network: they are sent by themselves, in this order, once Vertumna answers.',
  busy: 'Vertumna is busy or out of order; they are sent again by themselves.',
  'signed-out': 'Sign in, and they are sent.',
};

/** What lies on this phone and is not yet with the program: shown only while there is something to say. */
export function OutboxWords() {
  const { waiting, stuck, unkept } = useOutbox();
  const since = useKeptSince();
  const newer = useNewer();
  const [open, setOpen] = useState(false);
  const pads = padsWaiting();
  const held = waiting.filter((w) => w.held);
  const n = waiting.length - held.length + pads.reduce((sum, p) => sum + p.n, 0);
  return (
    <>
      {(since !== '' || n > 0 || held.length > 0) && (
        <p className={`late ${css.outboxline}`} role="status">
          {since !== '' && <span>No network: as kept {brief(since)}; taps are sent later. </span>}
          {n > 0 && <b>{count(n, 'tap')} waiting</b>}
          {held.length > 0 && <b className="over"> {held.length} asking for you</b>}{' '}
          {unkept && <span className="over">This browser keeps nothing: leave the page open. </span>}
          {n + held.length > 0 && (
            <button type="button" className="plain" onClick={() => setOpen(true)}>
              Show them
            </button>
          )}
        </p>
      )}
      {newer && (
        <p className="late" role="status">
          A newer Vertumna lies ready.{' '}
          <button type="button" className="plain" onClick={newer}>
            Take it
          </button>
        </p>
      )}
      <Dialog open={open} onClose={() => setOpen(false)} fullWidth>
        <DialogTitle>On this phone</DialogTitle>
        <DialogContent>
          {waiting.length + pads.length === 0 && <p>Nothing waits: all is with Vertumna.</p>}
          {held.map((w) => (
            <Held key={w.seq} waiting={w} />
          ))}
          {waiting.length > held.length && <p>{stuckSays[stuck]}</p>}
          <ol>
            {waiting
              .filter((w) => !w.held)
              .map((w) => (
                <Line key={w.seq} waiting={w} />
              ))}
          </ol>
          {pads.map((p) => (
            <p key={p.slug + p.id}>
              {count(p.n, 'tap')} of a count:{' '}
              <Link to={`/${p.slug}/thinning/${p.id}`} onClick={() => setOpen(false)}>
                open that pad to send them
              </Link>
            </p>
          ))}
        </DialogContent>
        <DialogActions>
          <Button onClick={() => void outbox.flush()}>Send now</Button>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

function Line({ waiting: w }: { waiting: Waiting }) {
  return (
    <li>
      {w.says} <span className="q sm">{moment(w.at)}</span>
    </li>
  );
}
