import { useEffect } from 'react';
import { keep, kept } from './browser';

/** Whether a key press belongs to a field being typed in. */
function inField(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

const stored = 'vertumna-single-keys';

export function singleKeys(): boolean {
  return kept(stored) !== 'off';
}

export function setSingleKeys(on: boolean): void {
  keep(stored, on ? 'on' : 'off');
}

/** Whether a paper or a menu lies over the screen; one that has faded out does not. */
const paperOpen = () =>
  [...document.querySelectorAll('[role="dialog"], [role="menu"]')].some(
    (e) => getComputedStyle(e).visibility !== 'hidden',
  );

/** Single keys of a screen: none fires in a text field, with a modifier, or when the person turned them off. */
export function useKeys(keys: Record<string, () => void>): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const act = keys[e.key];
      if (!act || e.ctrlKey || e.metaKey || e.altKey || inField(e.target) || !singleKeys()) return;
      if (paperOpen()) return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [keys]);
}

/** Single keys of an open pad: they win over those of the screens. */
export function usePadKeys(keys: Record<string, () => void>): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const act = keys[e.key];
      if (!act || e.ctrlKey || e.metaKey || e.altKey || inField(e.target) || !singleKeys()) return;
      if (paperOpen()) return;
      // a button in focus is pressed by the space bar as everywhere
      if (e.key === ' ' && e.target instanceof HTMLElement && e.target.closest('button, a, summary')) return;
      e.preventDefault();
      e.stopImmediatePropagation();
      act();
    };
    window.addEventListener('keydown', press, true);
    return () => window.removeEventListener('keydown', press, true);
  }, [keys]);
}

/** After a refusal the first field it is about is in focus. */
export function focusFault(form: HTMLElement | null): void {
  requestAnimationFrame(() => {
    form?.querySelector<HTMLElement>('[aria-invalid="true"]')?.focus();
  });
}
