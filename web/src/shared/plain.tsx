import { useId, type ComponentPropsWithoutRef, type ReactNode } from 'react';
import css from './shared.module.css';

interface SelectProps<T extends string> extends Omit<
  ComponentPropsWithoutRef<'select'>,
  'value' | 'onChange' | 'children'
> {
  all: readonly { value: T; name: string }[];
  value: T | '';
  onChange: (value: T) => void;
}

/** The bare control for one of a list; what comes back is one of the list. */
export function Select<T extends string>({ all, value, onChange, ...rest }: SelectProps<T>) {
  return (
    <select
      {...rest}
      value={value}
      onChange={(e) => {
        const one = all.find((o) => o.value === e.target.value);
        if (one) onChange(one.value);
      }}
    >
      {all.map((o) => (
        <option key={o.value} value={o.value}>
          {o.name}
        </option>
      ))}
    </select>
  );
}

function Field({ label, hint, children }: { label: string; hint?: string; children: (id: string) => ReactNode }) {
  const id = useId();
  return (
    <div className={css.field}>
      <label htmlFor={id}>{label}</label>
      {children(id)}
      {hint && (
        <span id={`${id}-hint`} className="nt q">
          {hint}
        </span>
      )}
    </div>
  );
}

interface TextProps {
  label: string;
  value: string;
  onChange: (v: string) => void;
  hint?: string;
}

/** A small field for a number, with a word on what it wants. */
export const Num = ({ label, value, onChange, hint }: TextProps) => (
  <Field label={label} {...(hint && { hint })}>
    {(id) => (
      <input
        id={id}
        inputMode="decimal"
        value={value}
        onChange={(e) => onChange(e.target.value)}
        aria-describedby={hint ? `${id}-hint` : undefined}
      />
    )}
  </Field>
);

/** A small field for one of a list. */
export const Pick = <T extends string>({ label, ...select }: SelectProps<T> & { label: string }) => (
  <Field label={label}>{(id) => <Select id={id} {...select} />}</Field>
);

/** A small field for words, or a day. */
export const Text = ({ label, value, onChange, type = 'text' }: TextProps & { type?: 'text' | 'date' }) => (
  <Field label={label}>
    {(id) => <input id={id} type={type} value={value} onChange={(e) => onChange(e.target.value)} />}
  </Field>
);
