import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, need, Refused, type Schemas } from '../shared/api';
import { plain, type Day } from '../shared/day';
import { fieldsOf } from '../shared/fields';
import { useHere } from '../shared/orchard';
import { useTrees } from '../shared/queries';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { wrote } from '../shared/stale';
import { count } from '../shared/units';

/** A task as it is typed. */
interface Draft {
  title: string;
  tree_id?: string;
  stage?: string;
  date?: Day;
  offset_days: string;
  every_days: string;
}

const blank = (today: Day): Draft => ({ title: '', date: today, offset_days: '0', every_days: '' });

/** When a task is due, as it was set. */
export function whenSays(t: Pick<Schemas['OwnTask'], 'date' | 'every_days' | 'stage' | 'offset_days'>): string {
  if (t.date) return `from ${plain(t.date)}${t.every_days ? `, every ${count(t.every_days, 'day')}` : ''}`;
  const [n, stage] = [t.offset_days ?? 0, t.stage?.replaceAll('_', ' ') ?? ''];
  return n === 0 ? `at ${stage}` : `${count(Math.abs(n), 'day')} ${n < 0 ? 'before' : 'after'} ${stage}`;
}

/** Tasks of one's own: on a date, again and again, or so many days after a stage of a tree. */
export function OwnTasks() {
  const { orchard, meta, units } = useHere();
  const { today } = useShown();
  const slug = orchard.slug;
  const client = useQueryClient();
  const trees = useTrees(slug);
  const list = ask.useQuery('get', '/api/orchards/{slug}/own-tasks', { params: { path: { slug } } });
  const [draft, setDraft] = useState(() => blank(today));
  const done = { onSuccess: () => wrote(client) };
  const add = useMutation({
    mutationFn: () =>
      need(
        api.POST('/api/orchards/{slug}/own-tasks', {
          params: { path: { slug } },
          body: {
            id: '',
            version: 0,
            title: draft.title,
            for_days: 14,
            ...(draft.tree_id ? { tree_id: draft.tree_id } : {}),
            ...(draft.stage
              ? { stage: draft.stage, offset_days: Number(draft.offset_days) || 0 }
              : { ...(draft.date ? { date: draft.date } : {}), every_days: Number(draft.every_days) || 0 }),
          },
        }),
      ),
    ...done,
  });
  const remove = useMutation({
    mutationFn: (id: string) =>
      need(api.DELETE('/api/orchards/{slug}/own-tasks/{id}', { params: { path: { slug, id } } })),
    ...done,
  });
  const field = fieldsOf(draft, setDraft, units, add.error instanceof Refused ? add.error.fields : []);
  return (
    <section className="sheetbox" aria-label="Own tasks">
      <h2>Tasks of your own</h2>
      {(list.data ?? []).map((t) => (
        <p key={t.id} className="sm">
          <b>{t.title}</b> {whenSays(t)}
          {t.tree_id ? `, ${trees.data?.find((x) => x.id === t.tree_id)?.code ?? ''}` : ''}
          <Button size="small" onClick={() => remove.mutate(t.id)}>
            Take out
          </Button>
        </p>
      ))}
      <div className="form">
        <div className="pair">
          {field.text('title', 'What')}
          {field.pick(
            'tree_id',
            'On',
            (trees.data ?? []).filter((t) => !t.gone).map((t) => ({ value: t.id, name: `${t.code} ${t.name}` })),
            { none: 'the orchard' },
          )}
        </div>
        <div className="pair">
          {field.pick(
            'stage',
            'When',
            meta.stages.map((s) => ({ value: s.slug, name: `after ${s.name}`, disabled: !draft.tree_id })),
            { none: 'on a date' },
          )}
          {draft.stage
            ? field.typed('offset_days', 'Days after (before: minus)', { type: 'number' })
            : field.day('date', 'Date')}
        </div>
        {!draft.stage &&
          field.typed('every_days', 'Again every so many days', { type: 'number', helperText: 'empty: once' })}
        <Trouble error={add.error ?? remove.error} />
        <div className="acts">
          <Button
            variant="outlined"
            disabled={!draft.title.trim()}
            onClick={() => add.mutate(undefined, { onSuccess: () => setDraft({ ...draft, title: '' }) })}
          >
            Add the task
          </Button>
        </div>
      </div>
    </section>
  );
}
