import Button from '@mui/material/Button';
import { useState } from 'react';
import { Choose } from '../shared/Choose';
import { Amount, fieldsOf } from '../shared/fields';
import { useHere } from '../shared/orchard';
import { Select } from '../shared/plain';
import { say, show, unitOf } from '../shared/units';
import type { LimbProps } from './LimbPanel';
import type { Edit, Limb } from './queries';
import css from './bench.module.css';

/** What is typed of a stretch. */
interface Stretch {
  from_cm?: number;
  to_cm?: number;
  count?: number;
}

/** Spurs counted on a stretch, or a stretch seen bare. */
export function Counted({ l, busy, onEdit }: { l: Limb; busy: boolean; onEdit: (e: Edit[]) => void }) {
  const { units } = useHere();
  const [open, setOpen] = useState(false);
  const [d, setD] = useState<Stretch>({});
  const f = fieldsOf(d, setD, units);
  const { from_cm, to_cm, count } = d;
  const good = from_cm !== undefined && to_cm !== undefined && from_cm < to_cm && (count === undefined || count >= 0);
  const write = () => {
    if (!good) return;
    const limb: Edit['limb'] =
      count === undefined
        ? { id: l.id, gaps: [...l.gaps, { from_cm, to_cm }] }
        : { id: l.id, spurs: [...l.spurs, { from_cm, to_cm, count }] };
    onEdit([{ op: 'set', id: l.id, limb }]);
    setOpen(false);
    setD({});
  };
  const told = [
    ...l.spurs.map(
      (s) => `${String(s.count)} spurs from ${show(s.from_cm, 'cm', units)} to ${say(s.to_cm, 'cm', units)}`,
    ),
    ...l.gaps.map((g) => `bare from ${show(g.from_cm, 'cm', units)} to ${say(g.to_cm, 'cm', units)}`),
  ];
  return (
    <div className="sm">
      {told.length > 0 && (
        <p style={{ margin: '4px 0' }}>
          Counted: {told.join('; ')}.{' '}
          <button
            type="button"
            className="plain"
            disabled={busy}
            onClick={() => onEdit([{ op: 'set', id: l.id, clear: ['spurs', 'gaps'] }])}
          >
            Count anew
          </button>
        </p>
      )}
      {open ? (
        <>
          <div className={`${css.cells} three`}>
            {f.amount('from_cm', 'cm', 'From', { size: 'small' })}
            {f.amount('to_cm', 'cm', 'To', { size: 'small' })}
            {f.amount('count', 'count', 'Spurs', { size: 'small', bare: true, helperText: 'empty: bare' })}
          </div>
          <div className="acts">
            <Button size="small" disabled={!good || busy} onClick={write}>
              Write it down
            </Button>
            <Button size="small" onClick={() => setOpen(false)}>
              Leave it
            </Button>
          </div>
        </>
      ) : (
        <Button size="small" onClick={() => setOpen(true)}>
          Count spurs, or note a bare stretch
        </Button>
      )}
    </div>
  );
}

const agents = ['unknown', 'canker', 'blight', 'rot'] as const;

const marks = [
  { kind: 'dead', name: 'Dead' },
  { kind: 'damaged', name: 'Broken' },
  { kind: 'diseased', name: 'Sick' },
  { kind: 'borer', name: 'Borer' },
  { kind: 'weak', name: 'Weak' },
] as const;

const tagNames: Record<string, string> = {
  keep: 'Keep',
  favour: 'Cut it last',
  leader: 'Leads',
  bark: 'Bark in the crotch',
  set: 'End bud seen',
};

export function Seen({ limb: l, busy, rubbing, onRubbing, onEdit }: LimbProps) {
  const has = (kind: string) => l.marks.find((m) => m.kind === kind);
  const sick = has('diseased');
  return (
    <fieldset className="chips">
      <legend>Seen on it</legend>
      {marks.map((m) => {
        const on = has(m.kind);
        return (
          <button
            key={m.kind}
            type="button"
            aria-pressed={!!on}
            disabled={busy}
            onClick={() =>
              onEdit([
                on
                  ? { op: 'unmark', id: l.id, mark: { ...on } }
                  : {
                      op: 'mark',
                      id: l.id,
                      mark: { kind: m.kind, at_cm: m.kind === 'borer' ? l.length_cm / 2 : 0 },
                    },
              ])
            }
          >
            {m.name}
          </button>
        );
      })}
      {l.marks
        .filter((m) => m.kind === 'rubbing')
        .map((m) => (
          <button
            key={m.other}
            type="button"
            aria-pressed="true"
            disabled={busy}
            onClick={() => onEdit([{ op: 'unmark', id: l.id, mark: { ...m } }])}
          >
            Rubs on {m.other}
          </button>
        ))}
      <button type="button" aria-pressed={rubbing} disabled={busy} onClick={() => onRubbing(!rubbing)}>
        {rubbing ? 'Tap the other limb' : 'Rubs on…'}
      </button>
      {(['sprout', 'sucker'] as const).map((f) => (
        <button
          key={f}
          type="button"
          aria-pressed={!!l[f]}
          disabled={busy}
          onClick={() =>
            onEdit([
              l[f] ? { op: 'set', id: l.id, clear: [f] } : { op: 'set', id: l.id, limb: { id: l.id, [f]: true } },
            ])
          }
        >
          {f === 'sprout' ? 'Water sprout' : 'Sucker'}
        </button>
      ))}
      {sick && (
        <label className="sm" style={{ flexBasis: '100%' }}>
          Sickness{' '}
          <Select
            all={agents.map((a) => ({ value: a, name: a }))}
            value={sick.agent ?? 'unknown'}
            disabled={busy}
            onChange={(agent) =>
              onEdit([
                { op: 'unmark', id: l.id, mark: { ...sick } },
                { op: 'mark', id: l.id, mark: { ...sick, agent } },
              ])
            }
          />
        </label>
      )}
      <legend className={css.sub}>For the cut</legend>
      {Object.entries(tagNames).map(([tag, name]) => (
        <button
          key={tag}
          type="button"
          aria-pressed={l.tags.includes(tag)}
          disabled={busy}
          onClick={() => onEdit([{ op: l.tags.includes(tag) ? 'untag' : 'tag', id: l.id, tag }])}
        >
          {name}
        </button>
      ))}
    </fieldset>
  );
}

/** A decision besides keep and cut: a dated future job. */
export function Decided({ limb: l, limbs, busy, onEdit }: LimbProps) {
  const { meta, units } = useHere();
  const was = { due: l.state?.due ?? '', reason: l.state?.reason ?? '' };
  const [d, setD] = useState<{ due?: string; reason: string }>(was);
  const { due, reason } = d;
  const f = fieldsOf(d, setD, units);
  const kind = l.state?.kind;
  const write = (
    next: NonNullable<Limb['state']>['kind'] | undefined,
    more: { due?: string; reason?: string; limb?: string } = {},
  ) => {
    const limb = more.limb ?? l.state?.limb ?? limbs.find((o) => o.parent === l.parent && o.id !== l.id)?.id;
    onEdit([
      next === undefined
        ? { op: 'state', id: l.id }
        : {
            op: 'state',
            id: l.id,
            state: {
              kind: next,
              ...((more.due ?? due) ? { due: more.due ?? due } : {}),
              ...((more.reason ?? reason) ? { reason: more.reason ?? reason } : {}),
              ...(next === 'successor' && limb ? { limb } : {}),
            },
          },
    ]);
  };
  return (
    <div className={css.decided}>
      <Choose
        size="small"
        label="Decided"
        value={kind ?? ''}
        disabled={busy}
        onChange={(v) => write(meta.limb_states.find((s) => s.kind === v)?.kind)}
        helperText={meta.limb_states.find((s) => s.kind === kind)?.job ?? 'nothing: it stays or goes with the slip'}
        all={[{ value: '', name: 'nothing yet' }, ...meta.limb_states.map((s) => ({ value: s.kind, name: s.name }))]}
      />
      {kind && (
        <>
          {kind === 'successor' && (
            <Choose
              size="small"
              label="The limb that follows"
              value={l.state?.limb ?? ''}
              disabled={busy}
              onChange={(v) => write(kind, { limb: v })}
              all={limbs.filter((o) => o.id !== l.id).map((o) => ({ value: o.id, name: o.id }))}
            />
          )}
          {f.day('due', 'Look again on', {
            size: 'small',
            disabled: busy,
            onBlur: () => (due ?? '') !== was.due && write(kind, { due }),
          })}
          {f.text('reason', 'Why', {
            size: 'small',
            disabled: busy,
            onBlur: () => reason !== was.reason && write(kind, { reason }),
          })}
        </>
      )}
    </div>
  );
}

export function CutOff({ l, onEdit, busy }: { l: Limb; onEdit: (e: Edit[]) => void; busy: boolean }) {
  const { units } = useHere();
  const [open, setOpen] = useState(false);
  const [at, setAt] = useState<number | undefined>(0);
  if (!open)
    return (
      <Button size="small" onClick={() => setOpen(true)}>
        It was cut off
      </Button>
    );
  return (
    <span className="acts" style={{ margin: 0 }}>
      <Amount
        label={`Cut at, ${unitOf('cm', units)} from its base`}
        bare
        q="cm"
        units={units}
        size="small"
        value={at}
        error={at === undefined}
        onValue={setAt}
        helperText="0 is the collar"
      />
      <Button
        size="small"
        disabled={busy || at === undefined}
        onClick={() => {
          if (at !== undefined) onEdit([{ op: 'cut', id: l.id, at_cm: at }]);
          setOpen(false);
        }}
      >
        Write it down
      </Button>
      <Button size="small" onClick={() => setOpen(false)}>
        Leave it
      </Button>
    </span>
  );
}
