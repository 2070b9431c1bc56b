import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import { useHere } from '../shared/orchard';
import { read, show, unitOf, type Quantity } from '../shared/units';
import { compass } from '../drawing/wood';
import type { Sketch } from './queries';
import css from './bench.module.css';

interface Props {
  suggest: Sketch;
  busy: boolean;
  again: boolean;
  onSketch: (s: Sketch) => void;
  onCancel?: () => void;
}

/** The first sketch of a tree from six numbers: with a tape, a compass and a caliper, or by eye. */
export function SketchForm({ suggest, busy, again, onSketch, onCancel }: Props) {
  const { units } = useHere();
  const [age, setAge] = useState(String(suggest.age));
  const [trunk, setTrunk] = useState(show(suggest.trunk_mm, 'mm', units));
  const [girth, setGirth] = useState(false);
  const [height, setHeight] = useState(show(suggest.height_cm, 'cm', units));
  const [spread, setSpread] = useState(show(suggest.spread_cm, 'cm', units));
  const [scaffolds, setScaffolds] = useState(String(suggest.scaffolds));
  const [first, setFirst] = useState('');
  const trunkMm = (() => {
    if (!girth) return read(trunk, 'mm', units);
    const cm = read(trunk, 'cm', units);
    return cm === undefined ? undefined : Math.round((cm * 100) / Math.PI) / 10;
  })();
  const n = (t: string) => (t.trim() === '' ? undefined : Number(t));
  const values = {
    age: n(age),
    trunk_mm: trunkMm,
    height_cm: read(height, 'cm', units),
    spread_cm: read(spread, 'cm', units),
    scaffolds: n(scaffolds),
  };
  const az = first.trim() === '' ? undefined : bearingOf(first);
  const whole = (v: number | undefined) => v !== undefined && Number.isInteger(v) && v > 0;
  const good =
    whole(values.age) &&
    whole(values.scaffolds) &&
    values.trunk_mm !== undefined &&
    values.height_cm !== undefined &&
    values.spread_cm !== undefined &&
    (first.trim() === '' || az !== undefined);
  const flat = ['flat-fan', 'wire-tiers', 'step-over'].includes(suggest.form);
  const send = () => {
    if (!good) return;
    const { age: a, trunk_mm, height_cm, spread_cm, scaffolds: s } = values;
    onSketch({
      ...suggest,
      age: a ?? 1,
      trunk_mm: trunk_mm ?? 0,
      height_cm: height_cm ?? 0,
      spread_cm: spread_cm ?? 0,
      scaffolds: s ?? 1,
      ...(az === undefined ? {} : flat ? { plane_az: az } : { azimuths: roundFrom(az, s ?? 1, suggest.form) }),
    });
  };
  return (
    <form
      aria-label="First sketch"
      onSubmit={(e) => {
        e.preventDefault();
        send();
      }}
    >
      <h2>{again ? 'Sketch it anew' : 'Sketch this tree'}</h2>
      <p className="sm q">
        Six numbers give a first drawing of a {suggest.form.replace('-', ' ')} of this kind and size. It is estimated
        until you correct it; you can stop at any time.
      </p>
      <div className={css.cells}>
        <Num label="Age" unit="years" value={age} onChange={setAge} bad={!whole(values.age)} />
        <Num
          label={girth ? 'Trunk, girth' : 'Trunk, thickness'}
          unit={unitOf(girth ? 'cm' : 'mm', units)}
          value={trunk}
          onChange={setTrunk}
          bad={values.trunk_mm === undefined}
        />
        <Num
          label="Height"
          unit={unitOf('cm', units)}
          value={height}
          onChange={setHeight}
          bad={values.height_cm === undefined}
        />
        <Num
          label="Spread"
          unit={unitOf('cm', units)}
          value={spread}
          onChange={setSpread}
          bad={values.spread_cm === undefined}
        />
        <Num
          label={flat ? 'Arms or ribs' : 'Scaffolds'}
          unit="main limbs"
          value={scaffolds}
          onChange={setScaffolds}
          bad={!whole(values.scaffolds)}
        />
        <Num
          label="The first points"
          unit={az === undefined ? 'as E or 90; may stay empty' : compass(az)}
          value={first}
          onChange={setFirst}
          bad={first.trim() !== '' && az === undefined}
          text
        />
      </div>
      <label className={css.tick}>
        <input
          type="checkbox"
          checked={girth}
          onChange={(e) => {
            setGirth(e.target.checked);
            const from: Quantity = girth ? 'cm' : 'mm';
            const v = read(trunk, from, units);
            if (v !== undefined)
              setTrunk(girth ? show((v * 10) / Math.PI, 'mm', units) : show((v * Math.PI) / 10, 'cm', units));
          }}
        />
        <span>I measured the trunk round with a tape</span>
      </label>
      <div className="acts">
        <Button type="submit" variant="contained" disabled={!good || busy}>
          {again ? 'Sketch anew' : 'Sketch the tree'}
        </Button>
        {onCancel && (
          <Button size="small" onClick={onCancel}>
            Leave it
          </Button>
        )}
      </div>
    </form>
  );
}

interface NumProps {
  label: string;
  unit: string;
  value: string;
  bad: boolean;
  text?: boolean;
  onChange: (v: string) => void;
}

function Num({ label, unit, value, bad, text, onChange }: NumProps) {
  return (
    <Field
      label={label}
      size="small"
      value={value}
      error={bad}
      helperText={bad ? `${unit} expected` : unit}
      onChange={(e) => onChange(e.target.value)}
      slotProps={{ htmlInput: { inputMode: text ? 'text' : 'decimal' } }}
    />
  );
}

const points = ['n', 'nne', 'ne', 'ene', 'e', 'ese', 'se', 'sse', 's', 'ssw', 'sw', 'wsw', 'w', 'wnw', 'nw', 'nnw'];
const long: Record<string, string> = { north: 'n', east: 'e', south: 's', west: 'w' };

/** A bearing typed as a number or a point of the compass. */
export function bearingOf(text: string): number | undefined {
  const t = text.trim().toLowerCase();
  const v = Number(t);
  if (Number.isFinite(v)) return v >= 0 && v <= 360 ? v : undefined;
  const short = t.replace(/north|east|south|west/g, (w) => long[w] ?? w).replace(/[\s-]/g, '');
  const i = points.indexOf(short);
  return i < 0 ? undefined : i * 22.5;
}

/** The others follow the first round the trunk: evenly in a vase, by the golden turn on a leader. */
function roundFrom(first: number, n: number, form: string): number[] {
  const step = form.endsWith('leader') && form !== 'late-leader' ? 137.5 : 360 / n;
  return Array.from({ length: n }, (_, k) => Math.round(((first + k * step) % 360) * 10) / 10);
}
