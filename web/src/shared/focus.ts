import { useEffect, useRef, type RefObject } from 'react';

const placeOf = (e: EventTarget | null) =>
  e instanceof Element ? (e.closest('[data-at]')?.getAttribute('data-at') ?? '') : '';

/**
 * Keeps the keyboard where the person is when a form takes the place of what it was opened from: it goes into the form, and when the form
 * closes, back to the line (`data-at`) it was opened from, or to the panel where that line is gone.
 */
export function useReturn(form: boolean, panel: RefObject<HTMLElement | null>): void {
  const last = useRef('');
  const was = useRef(form);
  useEffect(() => {
    if (form) return;
    const on = (e: FocusEvent) => {
      last.current = placeOf(e.target);
    };
    document.addEventListener('focusin', on);
    return () => document.removeEventListener('focusin', on);
  }, [form]);
  useEffect(() => {
    if (was.current === form) return;
    was.current = form;
    const at = document.activeElement;
    if (at && at !== document.body && panel.current?.contains(at)) return; // it put the keyboard somewhere itself
    const line = form ? null : document.querySelector<HTMLElement>(`[data-at="${CSS.escape(last.current)}"]`);
    (line ?? panel.current)?.focus({ preventScroll: line === null });
  }, [form, panel]);
}
