import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import { Field } from '../shared/Field';
import { api, need, type Problem } from '../shared/api';
import { useUnits } from '../shared/orchard';
import { refusalSays } from '../shared/refusal';
import { Trouble } from '../shared/Trouble';
import type { Units } from '../shared/units';
import type { Waiting } from './box';
import { moment } from './network';
import { outbox } from './use';
import css from './outbox.module.css';

/** What to do with what was refused: the person chooses, nothing goes by itself. */
export function Held({ waiting: w }: { waiting: Waiting }) {
  const units = useUnits();
  const [trouble, setTrouble] = useState<unknown>(null);
  const [reason, setReason] = useState('');
  const wantsReason = w.held?.errors?.some((e) => e.code === 'reason_wanted') ?? false;
  const based = typeof w.body.based_on === 'number';
  const act = (run: () => Promise<void>) => () => {
    setTrouble(null);
    run().catch(setTrouble);
  };
  const again = act(async () => {
    const said = reason.trim() ? { ...w.body, reason: reason.trim() } : w.body;
    if (!based) return outbox.retry(w, said);
    const bench = await need(
      api.GET('/api/orchards/{slug}/trees/{id}/map', { params: { path: { slug: w.slug, id: w.tree } } }),
    );
    await outbox.retry(w, { ...said, based_on: bench.revision?.revision ?? 0 });
  });
  const asNote = act(async () => {
    // the day of the work as Vertumna has it: a phone's clock may be wrong
    const { today } = await need(api.GET('/api/meta'));
    const worked = new URLSearchParams(w.path.split('?')[1]).get('day') ?? String(w.body.date ?? today);
    const date = worked < today ? worked : today;
    await outbox.add({
      id: `${w.id}-note`,
      says: `${w.says}, as a note`,
      slug: w.slug,
      tree: w.tree,
      path: `/api/orchards/${encodeURIComponent(w.slug)}/entries`,
      body: {
        id: `${w.id}-note`,
        tree_id: w.tree,
        kind: 'note',
        date,
        note: `${w.says}. ${why(w.held, units)}`,
      },
    });
    await outbox.drop(w.seq);
  });
  return (
    <section className={css.heldback} aria-label={w.says}>
      <p>
        <b>{w.says}</b> <span className="q sm">tapped {moment(w.at)}</span>
      </p>
      <p className="over">{why(w.held, units)}</p>
      <p className="sm">
        {w.held?.status === 409
          ? 'The tree was changed meanwhile, by another phone or at the bench. '
          : 'Vertumna did not take it. '}
        <Link to={`/${w.slug}/trees/${w.tree}`}>Look at the tree as it stands now</Link>
      </p>
      <Trouble error={trouble} holds={trouble ? 'It still waits here.' : ''} />
      {wantsReason && (
        <Field
          size="small"
          fullWidth
          label="Why it was done then"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        />
      )}
      <p className="heldacts">
        <Button variant="outlined" onClick={again} disabled={wantsReason && !reason.trim()}>
          {wantsReason ? 'Log it, with why' : based ? 'Log it on the tree as it stands' : 'Send it again'}
        </Button>
        <Button variant="outlined" onClick={asNote}>
          Keep it as a note
        </Button>
        <Button onClick={act(() => outbox.drop(w.seq))}>Put it away</Button>
      </p>
    </section>
  );
}

function why(p: Problem | undefined, units: Units): string {
  const first = p?.errors?.[0];
  if (first) return `${refusalSays(first, units)}.`;
  return p?.detail ?? p?.title ?? '';
}
