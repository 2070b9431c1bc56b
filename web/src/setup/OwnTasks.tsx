import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, need } from '../shared/api';
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
  const list = useQuery({
    queryKey: ['own', slug],
    queryFn: () => need(api.GET('/api/orchards/{slug}/own-tasks', { params: { path: { slug } } })),
  });
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
          <TextField
            select
            label="On"
            value={tree}
            onChange={(e) => setTree(e.target.value)}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value="">the orchard</MenuItem>
            {(trees.data ?? [])
              .filter((t) => !t.gone)
              .map((t) => (
                <MenuItem key={t.id} value={t.id}>
                  {t.code} {t.name}
                </MenuItem>
              ))}
          </TextField>
        </div>
        <div className="pair">
          <TextField
            select
            label="When"
            value={stage}
            onChange={(e) => setStage(e.target.value)}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value="">on a date</MenuItem>
            {meta.stages.map((s) => (
              <MenuItem key={s.slug} value={s.slug} disabled={!tree}>
                after {s.name}
              </MenuItem>
            ))}
          </TextField>
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
