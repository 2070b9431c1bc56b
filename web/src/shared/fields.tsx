import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { TextFieldProps } from '@mui/material/TextField';
import { useState, type ReactNode } from 'react';
import { Choose, type Option } from './Choose';
import { Field } from './Field';
import { faultOf, type FieldError } from './api';
import { refusalOf } from './refusal';
import { read, show, unitOf, type Quantity, type Units } from './units';

/** The names of what in a T is, or may be, a V. */
type Named<T, V> = { [K in keyof T & string]-?: NonNullable<T[K]> extends V ? K : never }[keyof T & string];

type More = Omit<TextFieldProps<'outlined'>, 'variant' | 'label' | 'value' | 'onChange' | 'select'>;

interface AmountProps extends More {
  label: string;
  /** What it measures; read and written in the person's units. */
  q: Quantity;
  units: Units;
  value: number | undefined;
  /** Nothing was typed, or nothing that is a number: undefined. */
  onValue: (v: number | undefined) => void;
  /** The label names its unit itself. */
  bare?: boolean;
}

/** A number in the person's units: what is being typed stays as it is typed. */
export function Amount({ label, q, units, value, onValue, bare = false, onBlur, ...more }: AmountProps) {
  const [typed, setTyped] = useState<string>();
  return (
    <Field
      {...more}
      label={bare ? label : `${label}, ${unitOf(q, units)}`}
      value={typed ?? (value === undefined ? '' : show(value, q, units))}
      onChange={(e) => {
        setTyped(e.target.value);
        onValue(read(e.target.value, q, units));
      }}
      onBlur={(e) => {
        setTyped(undefined);
        onBlur?.(e);
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}

/**
 * The fields of a form over a value that somebody holds: each shows its part, gives the whole back changed, and tells what the program
 * refused of it. The label comes first, then what is special.
 */
export function fieldsOf<T extends object>(
  value: T,
  onChange: (v: T) => void,
  units: Units,
  refused: readonly FieldError[] = [],
) {
  const bad = (k: string) => faultOf(refused, k);
  const put = (k: keyof T, v: unknown) => onChange({ ...value, [k]: v });
  const shown = (v: unknown) => (typeof v === 'string' ? v : '');
  const told = (k: string) => {
    const fault = bad(k);
    return { error: !!fault, ...(fault && { helperText: refusalOf(fault, units) }) };
  };
  return {
    /** What a field that is drawn by itself shows of a refusal. */
    told,
    text: (k: Named<T, string>, label: string, more: More = {}) => (
      <Field label={label} value={shown(value[k])} onChange={(e) => put(k, e.target.value)} {...more} {...told(k)} />
    ),
    /** A number as it is typed: read when the form is sent. */
    typed: (k: Named<T, string>, label: string, more: More = {}) => (
      <Field
        label={label}
        value={shown(value[k])}
        onChange={(e) => put(k, e.target.value)}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        {...more}
        {...told(k)}
      />
    ),
    day: (k: Named<T, string>, label: string, { most, ...more }: More & { most?: string } = {}) => (
      <Field
        label={label}
        type="date"
        value={shown(value[k])}
        onChange={(e) => put(k, e.target.value || undefined)}
        slotProps={{ htmlInput: { max: most }, inputLabel: { shrink: true } }}
        {...more}
        {...told(k)}
      />
    ),
    /** `empty` is what is kept where nothing is typed; a number that must be there stays as it was. */
    amount: (
      k: Named<T, number>,
      q: Quantity,
      label: string,
      { empty, ...more }: More & { empty?: 'none' | 'zero' | 'as it was'; bare?: boolean } = {},
    ) => {
      const now = value[k];
      const known = typeof now === 'number' && !(empty === 'zero' && now === 0) ? now : undefined;
      return (
        <Amount
          label={label}
          q={q}
          units={units}
          value={known}
          onValue={(v) => put(k, v ?? (empty === 'zero' ? 0 : empty === 'as it was' ? now : undefined))}
          {...more}
          {...told(k)}
        />
      );
    },
    /** `none` names what holds where nothing is chosen. */
    pick: <K extends Named<T, string>>(
      k: K,
      label: string,
      all: readonly Option<NonNullable<T[K]> & string>[],
      { none, ...more }: More & { none?: string } = {},
    ) => {
      const now: unknown = value[k];
      const options: readonly Option<string>[] = none === undefined ? all : [{ value: '', name: none }, ...all];
      return (
        <Choose
          label={label}
          all={options}
          value={shown(now)}
          onChange={(v) => put(k, v === '' ? undefined : v)}
          {...more}
          error={!!bad(k)}
        />
      );
    },
    tick: (k: Named<T, boolean>, label: ReactNode) => (
      <FormControlLabel
        control={<Checkbox size="small" checked={value[k] === true} onChange={(e) => put(k, e.target.checked)} />}
        label={label}
      />
    ),
  };
}
