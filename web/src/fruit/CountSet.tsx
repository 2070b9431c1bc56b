import Button from '@mui/material/Button';
import { useState } from 'react';
import { Num } from '../shared/plain';
import { Segments } from '../shared/Segments';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { count, plainNumber } from '../shared/units';
import { useLogFruit, type Fruit } from './queries';
import { Logged } from './forms';
import css from './fruit.module.css';

const looks = [
  { value: 'none', name: 'none' },
  { value: 'few', name: 'few' },
  { value: 'right', name: 'about right' },
  { value: 'many', name: 'too many' },
  { value: 'crowded', name: 'crowded' },
] as const;

/** Counting the set: two or three limbs, as fruit or as clusters, or a look for those who do not count. */
export function CountSet({ fruit }: { fruit: Fruit }) {
  const { orchard } = useHere();
  const { today } = useShown();
  const log = useLogFruit(orchard.slug);
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [clusters, setClusters] = useState(false);
  const [per, setPer] = useState('');
  const [glance, setGlance] = useState<(typeof looks)[number]['value']>();
  const p = plainNumber(per);
  const counts = fruit.limbs.flatMap((l) => {
    const text = typed[l.id]?.trim() ?? '';
    const n = Number(text);
    if (text === '' || !Number.isFinite(n)) return [];
    return [clusters ? { limb: l.id, fruit: 0, clusters: n, per_cluster: p } : { limb: l.id, fruit: n }];
  });
  const wanted = new Set(fruit.to_count);
  const send = () =>
    log.mutate(
      {
        date: today,
        tree_id: fruit.tree.id,
        kind: 'work',
        task: 'count-set',
        outcome: 'done',
        fruiting: counts.length > 0 ? { counts } : glance ? { glance } : {},
      },
      {
        onSuccess: () => {
          setTyped({});
          setGlance(undefined);
        },
      },
    );
  return (
    <section aria-label="Count the set" className={`${css.form} form`}>
      <header className={css.line}>
        <h2 className="h3">Count the set</h2>
        <span className="sm q">
          {fruit.to_count.length > 0
            ? `count ${fruit.to_count.join(', ')}: spread over the sizes`
            : 'enough was counted; count again when drop is over'}
        </span>
      </header>
      {fruit.pome && (
        <Segments
          label="Count as"
          small
          all={[
            { value: false, name: 'fruit' },
            { value: true, name: 'clusters' },
          ]}
          value={clusters}
          onChange={setClusters}
        />
      )}
      <div className="limb-fields">
        {fruit.limbs.map((l) => (
          <Num
            key={l.id}
            label={`${l.id}${wanted.has(l.id) ? ' (next)' : ''}`}
            value={typed[l.id] ?? ''}
            onChange={(v) => setTyped((t) => ({ ...t, [l.id]: v }))}
            hint={l.on !== undefined ? `${l.counted ? 'counted' : 'about'} ${String(l.on)}` : ''}
          />
        ))}
        {clusters && <Num label="fruit in a cluster" value={per} onChange={setPer} hint="mean of ten" />}
      </div>
      <fieldset className={css.glance}>
        <legend className="sm">Or a look, for those who will not count</legend>
        <Segments small all={looks} value={glance} onChange={(k) => setGlance(glance === k ? undefined : k)} />
      </fieldset>
      <div className="acts">
        <Button
          variant="outlined"
          disabled={log.isPending || (counts.length === 0 && !glance) || (clusters && counts.length > 0 && !(p > 0))}
          onClick={send}
        >
          {counts.length > 0 ? `Log ${count(counts.length, 'limb')}` : 'Log the look'}
        </Button>
        {fruit.count && <span className="sm">{fruit.count_says}</span>}
      </div>
      <Trouble error={log.error} holds={log.error ? 'What you typed is kept.' : ''} />
      <Logged answer={log.data} says={fruit.count_says ?? 'Logged.'} />
    </section>
  );
}
