import Button from '@mui/material/Button';
import { useState, type FormEvent } from 'react';
import { Field } from '../shared/Field';
import { ask, Refused, type Schemas, type Tree } from '../shared/api';
import { useRemoveTree, useSaveTree } from '../shared/queries';
import { between } from '../shared/day';
import { useHere } from '../shared/orchard';
import { OwnChoices } from './OwnChoices';
import { SpotSun } from './SpotSun';
import { fieldsOf } from '../shared/fields';
import { useShown } from '../shared/shown';
import { Several } from '../shared/Several';
import { Trouble, Warnings } from '../shared/Trouble';
import { count, read, say, show, unitOf, type Units } from '../shared/units';
import css from './yard.module.css';

interface Props {
  tree: Tree;
  onChange: (t: Tree) => void;
  onDone: (id?: string) => void;
  /** It stands here no more. */
  onGone: () => void;
}

/** What stands in place of the tree that was edited, as a refusal tells it. */
const isTree = (v: unknown): v is Tree => typeof v === 'object' && v !== null && 'kind' in v && 'code' in v;

export function newTree(): Tree {
  return { id: '', version: 0, code: '', kind: 'apple', x: 1, y: 1 };
}

/** Forms against a wall or on wires. */
const flat = new Set(['wire-tiers', 'flat-fan', 'step-over']);

/** The winter a tree of an age was planted in: nobody knows the day. */
function plantedAt(years: string, today: string, south: boolean): string | undefined {
  const n = Math.round(Number(years));
  if (years.trim() === '' || !Number.isFinite(n) || n < 1 || n > 200) return undefined;
  const winter = (year: number) => `${String(year)}-${south ? '07' : '01'}-15`;
  const year = Number(today.slice(0, 4)) - n;
  return between(winter(year), today) >= n * 365 ? winter(year) : winter(year - 1);
}

const words = <T extends string>(list: readonly T[]) => list.map((v) => ({ value: v, name: v.replaceAll('-', ' ') }));

/** Adds or edits a tree; its place is set on the plan beside, by pointer, keys or numbers. */
export function TreeForm({ tree, onChange, onDone, onGone }: Props) {
  const { orchard, meta, units } = useHere();
  const { today } = useShown();
  const save = useSaveTree(orchard.slug);
  const remove = useRemoveTree(orchard.slug);
  const [typed, setTyped] = useState<Record<string, string | undefined>>({});
  const [going, setGoing] = useState(false);
  const [mistake, setMistake] = useState(false);
  const kind = meta.kinds.find((k) => k.slug === tree.kind);
  const check = ask.useQuery(
    'post',
    '/api/orchards/{slug}/trees/check',
    { params: { path: { slug: orchard.slug } }, body: tree },
    { retry: false },
  );
  const age = tree.planted ? Math.floor(between(tree.planted, today) / 365) : 99;
  const advice = ask.useQuery(
    'get',
    '/api/orchards/{slug}/advice',
    {
      params: {
        path: { slug: orchard.slug },
        query: {
          kind: tree.kind,
          class: tree.class ?? '',
          x: tree.x,
          y: tree.y,
          ...(tree.id && tree.form ? { present: tree.form, age } : {}),
        },
      },
    },
    { retry: false },
  );
  const refused =
    save.error instanceof Refused ? save.error.fields : check.error instanceof Refused ? check.error.fields : [];
  const { text, amount, pick, tick, day, told } = fieldsOf(tree, onChange, units, refused);

  const send = (e: FormEvent) => {
    e.preventDefault();
    save.mutate(tree, { onSuccess: (res) => onDone(res.tree.id) });
  };
  const problem = save.error instanceof Refused && save.error.problem.status === 409 ? save.error.problem : undefined;
  const now = problem?.current;
  const clash = isTree(now) ? now : undefined;
  const stands = problem?.current_version ?? tree.version;

  return (
    <form className="form" onSubmit={send} aria-label={tree.id ? `Edit ${tree.code}` : 'Add a tree'} noValidate>
      <div>
        <h1 className={css.h2}>{tree.id ? `Edit ${tree.code}` : 'A new tree'}</h1>
        <span className="sm q">Press or drag on the plan to place it, or type its distances.</span>
      </div>
      {pick(
        'kind',
        'Kind',
        [...meta.kinds].sort((a, b) => a.name.localeCompare(b.name)).map((k) => ({ value: k.slug, name: k.name })),
      )}
      {kind && kind.low_tree !== 'yes' && (
        <div className="trouble" style={{ borderColor: 'var(--summer)', margin: 0 }}>
          {kind.low_tree === 'no' ? 'Does not suit the low-tree method' : 'Suits a low tree with care'}:{' '}
          {kind.low_tree_note}.
        </div>
      )}
      {kind && <KindFacts kind={kind} cls={tree.class} units={units} />}
      <div className="pair">
        {amount('x', 'm', 'East', { empty: 'as it was' })}
        {amount('y', 'm', 'North', { empty: 'as it was' })}
      </div>
      <div className="pair">
        {text('name', 'Your name for it')}
        {text('cultivar', 'Cultivar', { helperText: 'for your record; when it blooms and ripens stands below' })}
      </div>
      <div className="pair">
        {pick('class', 'Vigour of the stock', words(meta.vigour_classes), { none: 'unknown' })}
        {pick('class_source', 'known from', words(['label', 'memory', 'guess']), { none: 'not said' })}
      </div>
      <div className="pair">
        {day('planted', 'Planted', { most: today, helperText: 'empty: long ago' })}
        <Field
          label="or its age, years"
          value={typed.age ?? (tree.planted ? String(age) : '')}
          onChange={(e) => {
            setTyped({ ...typed, age: e.target.value });
            onChange({ ...tree, planted: plantedAt(e.target.value, today, (orchard.site?.lat ?? 0) < 0) });
          }}
          onBlur={() => setTyped((was) => ({ ...was, age: undefined }))}
          helperText="a guess will do"
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
      </div>
      {text('code', 'Label on its stake')}
      {orchard.site && <SpotSun x={tree.x} y={tree.y} {...(tree.id && { without: tree.id })} />}
      {pick(
        'form',
        'Form',
        meta.forms.map((f) => ({ value: f.slug, name: f.name })),
        { none: 'as advised' },
      )}
      {advice.data && advice.data.length > 0 && (
        <div className="sm">
          <span className="q">Advised here</span>
          <ol style={{ margin: '4px 0 0', paddingLeft: 18 }}>
            {advice.data.map((a) => (
              <li key={a.form}>
                <button
                  type="button"
                  className="plain"
                  style={{ fontWeight: 700, padding: '0 4px', minHeight: 24 }}
                  onClick={() => onChange({ ...tree, form: a.form })}
                >
                  {a.name}
                </button>
                <span className="q">
                  {say(a.height_m, 'm', units)} high, {say(a.ground_m2, 'm2', units)} of ground, about{' '}
                  {say(a.crop_kg, 'kg', units)} and {a.hours_a_year} h a year, full crop in{' '}
                  {count(a.years_to_full_crop, 'year')}: {a.sentence}.{' '}
                  {a.keeps_present_form
                    ? 'An older tree keeps its form: changing costs more than it gives. '
                    : 'Score: '}
                  {a.reasons.map((r) => `${r.says} (${r.points > 0 ? '+' : ''}${String(r.points)})`).join('; ')}
                </span>
              </li>
            ))}
          </ol>
        </div>
      )}
      {pick('aim', 'Aim', words(['build', 'hold', 'restrain', 'restore', 'retire']), { none: 'by age and school' })}
      <div className="pair">
        {amount('height_m', 'm', 'Height')}
        {amount('spread_m', 'm', 'Spread')}
      </div>
      <div className="pair">
        {amount('trunk_mm', 'mm', 'Trunk, across')}
        {pick('ground', 'Stands', words(['soil', 'wall', 'tub']), { none: 'in the soil' })}
      </div>
      {tree.ground === 'tub' && amount('tub_litres', 'litre', 'Tub')}
      <div className="pair" style={{ gap: 0 }}>
        {tick('stake', 'Stake')}
        {tick('mulch', 'Mulch')}
        {tick('wires', 'Wires')}
        {tick('as_whip', 'Planted as a whip')}
      </div>
      {flat.has(tree.form ?? '') && (
        <div className="pair">
          <Field
            label={`Wires at, ${unitOf('cm', units)}`}
            value={typed.wires ?? (tree.wires_cm ?? []).map((w) => show(w, 'cm', units)).join(' ')}
            onChange={(e) => {
              setTyped({ ...typed, wires: e.target.value });
              const heights = e.target.value.split(/[\s;]+/).map((w) => read(w, 'cm', units));
              const known = heights.filter((h): h is number => h !== undefined);
              onChange({ ...tree, wires_cm: known.length > 0 ? known : undefined });
            }}
            onBlur={() => setTyped((was) => ({ ...was, wires: undefined }))}
            helperText="from the ground up, parted by spaces"
            {...told('wires_cm')}
          />
          {amount('arm_cm', 'cm', 'Arms shall reach')}
        </div>
      )}
      <details>
        <summary className="sm q">Timing, wishes, stock, school and notes</summary>
        <div className="form">
          <div className="pair">
            {pick('bloom', 'Blooms', words(['early', 'mid', 'late']), { none: 'mid' })}
            {pick('harvest', 'Ripens', words(['early', 'mid', 'late']), { none: 'mid' })}
          </div>
          <div className="pair">
            {pick('chill', 'Winter chill it needs', words(['low', 'mid', 'high']), { none: 'mid' })}
            {pick('habit', 'Habit', words(['upright', 'spreading', 'weeping']), { none: 'the kind’s' })}
          </div>
          {pick('self_fertile', 'Sets fruit by itself', words(['yes', 'no']), {
            none: `as the kind: ${kind?.self_fertile ?? 'not known'}`,
          })}
          <Several
            legend="Resists, as its label or its years say"
            all={kind?.sicknesses ?? []}
            chosen={tree.resists ?? []}
            onChange={(resists) => onChange({ ...tree, resists })}
          />
          <div className="pair">
            {text('rootstock', 'Rootstock, by name')}
            {text('hole', 'Shares its hole', { helperText: 'the same mark on each tree of one hole' })}
          </div>
          {amount('sun_hours', 'count', 'Hours of sun on its spot, own count on a clear day', {
            bare: true,
            helperText: 'shown beside the computed hours in the light of the yard',
          })}
          {pick('graft', 'Bud or graft', words(['summer', 'spring']), { none: 'no' })}
          <div className="pair" style={{ gap: 0 }}>
            {tick('bag', 'Bag the fruit')}
            {tick('leaves_off', 'Leaves off fruit')}
            {tick('graft_wood', 'Cut grafting wood')}
            {tick('thin_anyway', 'Thin it anyway')}
            {tick('triploid', 'Triploid')}
            {tick('suckering', 'Suckers')}
            {tick('elsewhere', 'A neighbour’s tree')}
          </div>
          <OwnChoices
            meta={meta}
            own={tree.own ?? {}}
            onChange={(own) => onChange({ ...tree, own: Object.keys(own).length ? own : undefined })}
          />
          {text('notes', 'Notes', { multiline: true, minRows: 2 })}
        </div>
      </details>
      <Warnings list={check.data?.warnings ?? []} />
      <Trouble error={save.error ?? remove.error} holds="Nothing was changed; what you typed stays here." />
      {clash && (
        <div className="acts">
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              save.reset();
              onChange({ ...clash, id: tree.id, version: stands });
            }}
          >
            Take theirs
          </Button>
          <Button
            size="small"
            variant="outlined"
            onClick={() => {
              save.reset();
              onChange({ ...tree, version: stands });
            }}
          >
            Keep mine
          </Button>
        </div>
      )}
      <div className="acts">
        <Button type="submit" variant="contained" disabled={save.isPending}>
          {tree.id ? 'Save' : 'Plant it here'}
        </Button>
        <Button onClick={() => onDone()}>Back</Button>
        {tree.id && (
          <>
            <Button color="error" onClick={() => setGoing(true)}>
              It is gone
            </Button>
            <Button color="error" aria-expanded={mistake} onClick={() => setMistake(!mistake)}>
              Entered by mistake
            </Button>
          </>
        )}
      </div>
      {mistake && (
        <div role="group" aria-label="Take it out" className="acts">
          <span className="sm q">
            It goes with its limb map, for good. A tree that stood here is marked gone instead.
          </span>
          <Button
            size="small"
            variant="outlined"
            color="error"
            disabled={remove.isPending}
            onClick={() => remove.mutate(tree.id, { onSuccess: onGone })}
          >
            Take {tree.code} out
          </Button>
          <Button size="small" onClick={() => setMistake(false)}>
            Keep it
          </Button>
        </div>
      )}
      {going && (
        <div role="group" aria-label="Why it is gone" className="acts">
          <span className="sm q">Its journal is kept. Why?</span>
          {(['lost', 'moved', 'removed'] as const).map((why) => (
            <Button
              key={why}
              size="small"
              variant="outlined"
              onClick={() => save.mutate({ ...tree, gone: today, gone_why: why }, { onSuccess: onGone })}
            >
              {why}
            </Button>
          ))}
        </div>
      )}
    </form>
  );
}

/** What one takes on with a kind: how long, how tall, how hard, from when it bears. */
function KindFacts({ kind, cls, units }: { kind: Schemas['KindMeta']; cls: string | undefined; units: Units }) {
  const size =
    kind.sizes.find((s) => s.class === cls) ?? kind.sizes.find((s) => s.class === 'semi-dwarfing') ?? kind.sizes[0];
  const hard = ['', 'easy', 'asks some care', 'asks care', 'asks much care', 'difficult'][kind.difficulty] ?? '';
  return (
    <p className="sm q">
      {upperFirst(hard)}, about {kind.hours_a_year} h a year once grown. Lives about {kind.years_lived} years
      {kind.first_crop.length > 0 && `; first fruit in year ${kind.first_crop}`}.
      {size &&
        ` Left alone it grows ${say(size.height_m, 'm', units)} tall and ${say(size.spread_m, 'm', units)} wide.`}
    </p>
  );
}

const upperFirst = (t: string) => t.charAt(0).toUpperCase() + t.slice(1);
