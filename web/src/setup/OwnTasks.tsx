import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Choose } from '../shared/Choose';
import { api, ask, need } from '../shared/api';
import { plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useTrees } from '../shared/queries';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { wrote } from '../shared/stale';

/** Tasks of one's own: on a date, again and again, or so many days after a stage of a tree. */
export function OwnTasks() {
  const { orchard, meta } = useHere();
  const { today } = useShown();
  const slug = orchard.slug;
  const client = useQueryClient();
  const trees = useTrees(slug);
  const list = ask.useQuery('get', '/api/orchards/{slug}/own-tasks', { params: { path: { slug } } });
  const [title, setTitle] = useState('');
  const [tree, setTree] = useState('');
  const [stage, setStage] = useState('');
  const [date, setDate] = useState(today);
  const [days, setDays] = useState('0');
  const [every, setEvery] = useState('');
  const done = { onSuccess: () => wrote(client) };
  const add = useMutation({
    mutationFn: () =>
      need(
        api.POST('/api/orchards/{slug}/own-tasks', {
          params: { path: { slug } },
          body: {
            id: '',
            version: 0,
            title,
            for_days: 14,
            ...(tree ? { tree_id: tree } : {}),
            ...(stage ? { stage, offset_days: Number(days) || 0 } : { date, every_days: Number(every) || 0 }),
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
  return (
    <section className="sheetbox" aria-label="Own tasks">
      <h2>Tasks of your own</h2>
      {(list.data ?? []).map((t) => (
        <p key={t.id} className="sm">
          <b>{t.title}</b>{' '}
          {t.date
            ? `from ${plain(t.date)}${t.every_days ? `, every ${String(t.every_days)} days` : ''}`
            : `${String(t.offset_days ?? 0)} days after ${t.stage?.replaceAll('_', ' ') ?? ''}`}
          {t.tree_id ? `, ${trees.data?.find((x) => x.id === t.tree_id)?.code ?? ''}` : ''}
          <Button size="small" onClick={() => remove.mutate(t.id)}>
            Take out
          </Button>
        </p>
      ))}
      <div className="form">
        <div className="pair">
          <TextField label="What" value={title} onChange={(e) => setTitle(e.target.value)} />
          <Choose
            label="On"
            value={tree}
            onChange={(v) => setTree(v)}
            all={[
              { value: '', name: 'the orchard' },
              ...(trees.data ?? []).filter((t) => !t.gone).map((t) => ({ value: t.id, name: `${t.code} ${t.name}` })),
            ]}
          />
        </div>
        <div className="pair">
          <Choose
            label="When"
            value={stage}
            onChange={(v) => setStage(v)}
            all={[
              { value: '', name: 'on a date' },
              ...meta.stages.map((s) => ({ value: s.slug, name: `after ${s.name}`, disabled: !tree })),
            ]}
          />
          {stage ? (
            <TextField
              label="Days after (before: minus)"
              type="number"
              value={days}
              onChange={(e) => setDays(e.target.value)}
            />
          ) : (
            <TextField
              label="Date"
              type="date"
              value={date}
              onChange={(e) => setDate(e.target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          )}
        </div>
        {!stage && (
          <TextField
            label="Again every so many days"
            type="number"
            value={every}
            onChange={(e) => setEvery(e.target.value)}
            helperText="empty: once"
          />
        )}
        <Trouble error={add.error ?? remove.error} />
        <div className="acts">
          <Button
            variant="outlined"
            disabled={!title.trim()}
            onClick={() => add.mutate(undefined, { onSuccess: () => setTitle('') })}
          >
            Add the task
          </Button>
        </div>
      </div>
    </section>
  );
}
