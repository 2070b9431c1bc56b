import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { memo, useCallback, useLayoutEffect, useRef, type ChangeEvent, type FocusEvent } from 'react';

type Plain = Readonly<Record<string, unknown>>;

const isPlain = (v: unknown): v is Plain =>
  typeof v === 'object' &&
  v !== null &&
  !('$$typeof' in v) &&
  (Array.isArray(v) || Object.getPrototypeOf(v) === Object.prototype);

/** Whether two values, or all that plain ones hold, are the same: parts of a screen that were drawn are so only if they are one. */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (!isPlain(a) || !isPlain(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((k) => k in b && same(a[k], b[k]));
}

/** A handler that stays one and the same, and does what the last one given does. */
export function useSteady<E>(handler: ((e: E) => void) | undefined): (e: E) => void {
  const latest = useRef(handler);
  useLayoutEffect(() => {
    latest.current = handler;
  });
  return useCallback((e: E) => latest.current?.(e), []);
}

const Kept = memo(TextField, same);

type Props = Omit<TextFieldProps<'outlined'>, 'variant'>;

/** A field that is drawn anew only when something of it changed: a form redraws for each letter typed, and has many. */
export function Field({ onChange, onBlur, ...rest }: Props) {
  const change = useSteady<ChangeEvent<HTMLInputElement | HTMLTextAreaElement>>(onChange);
  const blur = useSteady<FocusEvent<HTMLInputElement | HTMLTextAreaElement>>(onBlur);
  return <Kept {...rest} onChange={change} onBlur={blur} />;
}
