import MenuItem from '@mui/material/MenuItem';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { memo, type ReactNode } from 'react';
import { same, useSteady } from './Field';

/** One of a list. */
export interface Option<T> {
  value: T;
  name: ReactNode;
  disabled?: boolean;
}

interface Props<T extends string> extends Omit<
  TextFieldProps<'outlined'>,
  'select' | 'value' | 'onChange' | 'label' | 'children' | 'variant'
> {
  label: string;
  all: readonly Option<T>[];
  /** What is chosen; one that is not in the list: nothing yet. */
  value: T | '';
  onChange: (value: T) => void;
}

/** A choice of one from a list: what comes back is one of the list. An option '' is named in the field while it is chosen. */
export function Choose<T extends string>({ all, onChange, ...rest }: Props<T>) {
  const choose = useSteady((value: string) => {
    const one = all.find((o) => o.value === value);
    if (one) onChange(one.value);
  });
  return <Kept {...rest} all={all} onChange={choose} />;
}

/** It is drawn anew only when something of it changed. */
const Kept = memo(function List({ label, all, value, onChange, slotProps, ...rest }: Props<string>) {
  const none = all.some((o) => o.value === '');
  return (
    <TextField
      {...rest}
      select
      label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      slotProps={{ ...slotProps, ...(none && { select: { displayEmpty: true }, inputLabel: { shrink: true } }) }}
    >
      {all.map((o) => (
        <MenuItem key={o.value} value={o.value} disabled={o.disabled ?? false}>
          {o.name}
        </MenuItem>
      ))}
    </TextField>
  );
}, same);
