import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import { Field } from '../shared/Field';
import { Select } from '../shared/plain';
import { useHere } from '../shared/orchard';
import { other, percent, read, say, show, unitOf, type Quantity } from '../shared/units';
import { compass } from '../drawing/wood';
import { OldWounds } from './OldWounds';
import { Counted, CutOff, Decided, Seen } from './limbNotes';
import type { Edit, Limb } from './queries';
import css from './bench.module.css';

const LayPhone = lazy(() => import('./phone/LayPhone'));
const AngleOfPicture = lazy(() => import('../shared/AngleOfPicture'));

export interface LimbProps {
  limb: Limb;
  limbs: readonly Limb[];
  busy: boolean;
  /** The person is choosing the limb this one rubs on. */
  rubbing: boolean;
  onRubbing: (on: boolean) => void;
  onEdit: (edits: Edit[]) => void;
  onChoose: (id: string) => void;
  onBuds: () => void;
}

type Field = 'attach_cm' | 'azimuth_deg' | 'angle_base_deg' | 'angle_tip_deg' | 'length_cm' | 'diameter_mm';

const fields: { field: Field; name: string; quantity: Quantity | 'deg'; hint: string }[] = [
  { field: 'attach_cm', name: 'Starts at', quantity: 'cm', hint: 'along what carries it, from its base' },
  { field: 'azimuth_deg', name: 'Direction', quantity: 'deg', hint: 'compass: 0 north, 90 east' },
  { field: 'angle_base_deg', name: 'Angle', quantity: 'deg', hint: 'from vertical at the base: 0 up, 90 level' },
  { field: 'angle_tip_deg', name: 'At the tip', quantity: 'deg', hint: 'from vertical at the tip' },
  { field: 'length_cm', name: 'Length', quantity: 'cm', hint: 'along the limb' },
  { field: 'diameter_mm', name: 'Thickness', quantity: 'mm', hint: 'at the base' },
];

/** One limb: its numbers with how they are known, what was seen on it, what is decided about it. */
export function LimbPanel(p: LimbProps) {
  const { units } = useHere();
  const l = p.limb;
  const [eye, setEye] = useState(false);
  const set = (limb: Omit<NonNullable<Edit['limb']>, 'id'>) =>
    p.onEdit([{ op: 'set', id: l.id, by: eye ? 'estimated' : 'measured', limb: { id: l.id, ...limb } }]);
  return (
    <section aria-label={`Limb ${l.id}`}>
      <div className="acts" style={{ justifyContent: 'space-between', marginTop: 0 }}>
        <h2>
          Limb {l.id} <small className="q">{l.parent ? `on ${l.parent}` : 'a stem'}</small>
        </h2>
        <Button size="small" onClick={() => p.onChoose('')}>
          Close
        </Button>
      </div>
      <p className="sm q" title={`${say(l.top_cm, 'cm', units)} high`}>
        Carries {percent(l.share)} of the crown and about {Math.round(l.flower_buds)} flower buds in reach, and gets{' '}
        {percent(l.light)} of full light; its top stands at {say(l.top_cm / 100, 'm', units)}.{' '}
        {l.leads ? 'It leads. ' : ''}
        {l.tip === 'cut' ? 'Its end was cut. ' : ''}
      </p>
      <div className={css.cells}>
        {fields
          .filter((f) => l.parent !== undefined || f.field !== 'attach_cm')
          .map((f) => (
            <Cell
              key={`${f.field}${String(l[f.field])}${units}`}
              name={f.name}
              hint={f.hint}
              quantity={f.quantity}
              value={l[f.field]}
              guessed={l.guessed.includes(f.field)}
              busy={p.busy}
              onSet={(v) => set({ [f.field]: v })}
            />
          ))}
      </div>
      {l.parent !== undefined && <Toward key={l.toward_deg ?? ''} l={l} busy={p.busy} onEdit={p.onEdit} />}
      <details>
        <summary>Lay the phone on it</summary>
        <Suspense>
          <LayPhone
            limb={l.id}
            busy={p.busy}
            onTake={({ azimuth, angle }) => set({ azimuth_deg: azimuth, angle_base_deg: angle })}
          />
        </Suspense>
      </details>
      <details>
        <summary>Its angle by a picture</summary>
        <Suspense>
          <AngleOfPicture limb={l.id} take={`Take it for ${l.id}`} onTake={(deg) => set({ angle_base_deg: deg })} />
        </Suspense>
      </details>
      <label className={css.tick}>
        <input type="checkbox" checked={eye} onChange={(e) => setEye(e.target.checked)} />
        <span>by eye: keep what I enter as estimated</span>
      </label>
      <Rings key={JSON.stringify(l.rings)} l={l} busy={p.busy} eye={eye} onEdit={p.onEdit} />
      <Seen {...p} />
      <Counted l={l} busy={p.busy} onEdit={p.onEdit} />
      <OldWounds l={l} busy={p.busy} onEdit={p.onEdit} />
      <Decided key={`${l.state?.due ?? ''}${l.state?.reason ?? ''}`} {...p} />
      <div className="acts">
        <Button size="small" variant="outlined" onClick={p.onBuds}>
          Its buds
        </Button>
        {l.parent && <CutOff l={l} onEdit={p.onEdit} busy={p.busy} />}
        <Button size="small" disabled={p.busy || !l.parent} onClick={() => p.onEdit([{ op: 'remove', id: l.id }])}>
          Not on this tree
        </Button>
      </div>
    </section>
  );
}

/** The bearings one can name, every eighth of the ring. */
const bearings = [0, 45, 90, 135, 180, 225, 270, 315] as const;

/** Where the limb is wanted to go: cuts on it choose buds and side shoots that look there. */
function Toward({ l, busy, onEdit }: { l: Limb; busy: boolean; onEdit: (edits: Edit[]) => void }) {
  const is = l.toward_deg;
  const others = is !== undefined && !bearings.some((b) => b === is) ? [is] : [];
  return (
    <label className="sm">
      Wanted toward{' '}
      <Select
        all={[
          { value: '', name: 'where its place is' },
          ...[...bearings, ...others].map((b) => ({ value: String(b), name: compass(b) })),
        ]}
        value={is === undefined ? '' : String(is)}
        disabled={busy}
        onChange={(v) =>
          onEdit([
            v === ''
              ? { op: 'set', id: l.id, clear: ['toward_deg'] }
              : { op: 'set', id: l.id, limb: { id: l.id, toward_deg: Number(v) } },
          ])
        }
      />
    </label>
  );
}

interface CellProps {
  name: string;
  hint: string;
  quantity: Quantity | 'deg';
  value: number;
  guessed: boolean;
  busy: boolean;
  onSet: (v: number) => void;
}

/** A number that is written on leaving it or with Enter. */
function Cell({ name, hint, quantity, value, guessed, busy, onSet }: CellProps) {
  const { units } = useHere();
  const text = quantity === 'deg' ? String(Math.round(value)) : show(value, quantity, units);
  const [draft, setDraft] = useState(text);
  const v = quantity === 'deg' ? (draft.trim() === '' ? undefined : Number(draft)) : read(draft, quantity, units);
  const bad = v === undefined || Number.isNaN(v);
  const done = () => {
    if (draft !== text && !bad) onSet(v);
  };
  return (
    <Field
      label={name}
      size="small"
      value={draft}
      error={bad}
      disabled={busy}
      helperText={
        bad
          ? 'a number'
          : `${quantity === 'deg' ? (name === 'Direction' ? compass(value) : 'degrees') : unitOf(quantity, units)}, ${guessed ? 'estimated' : 'measured'}`
      }
      onChange={(e) => setDraft(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === 'Enter') done();
        if (e.key === 'Escape') setDraft(text);
      }}
      slotProps={{
        htmlInput: {
          inputMode: 'decimal',
          title: `${hint}${quantity === 'deg' ? '' : `; ${other(value, quantity, units)}`}`,
        },
      }}
    />
  );
}

/** The seasons of a limb, base to tip: read off the wrinkled rings with a tape. */
function Rings({ l, busy, eye, onEdit }: { l: Limb; busy: boolean; eye: boolean; onEdit: (e: Edit[]) => void }) {
  const { units } = useHere();
  const text = l.rings.map((r) => show(r.to_cm - r.from_cm, 'cm', units)).join(' ');
  const [draft, setDraft] = useState(text);
  const cm = draft
    .trim()
    .split(/\s+/)
    .map((t) => read(t, 'cm', units));
  const bad = cm.some((v) => v === undefined || v < 0);
  const done = () => {
    if (draft === text || bad) return;
    onEdit([
      {
        op: 'set',
        id: l.id,
        by: eye ? 'estimated' : 'measured',
        limb: { id: l.id, rings_cm: cm.map((v) => v ?? 0) },
      },
    ]);
  };
  const first = l.rings[0]?.year;
  return (
    <Field
      label="Seasons, base to tip"
      fullWidth
      size="small"
      sx={{ mt: 1.5 }}
      value={draft}
      error={bad}
      disabled={busy}
      helperText={
        bad
          ? 'lengths parted by spaces expected'
          : `${unitOf('cm', units)}, ${l.guessed.includes('rings_cm') ? 'estimated' : 'measured'}${first === undefined ? '' : `; the first grew in ${String(first)}`}`
      }
      onChange={(e) => setDraft(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => e.key === 'Enter' && done()}
    />
  );
}
