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

/** How an arrow key moves a thing on a plan, in metres to the east and north. */
export const arrowSteps: Readonly<Record<string, readonly [east: number, north: number]>> = {
  ArrowLeft: [-0.1, 0],
  ArrowRight: [0.1, 0],
  ArrowUp: [0, 0.1],
  ArrowDown: [0, -0.1],
};

type Keys = Readonly<Record<string, () => void>>;

/** What a single key does: nothing in a text field, with a modifier, under an open paper, or when the person turned them off. */
const actOf = (keys: Keys, e: KeyboardEvent) =>
  e.ctrlKey || e.metaKey || e.altKey || inField(e.target) || !singleKeys() || !keys[e.key] || paperOpen()
    ? undefined
    : keys[e.key];

/** Single keys of a screen. */
export function useKeys(keys: Keys): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const act = actOf(keys, e);
      if (!act) return;
      e.preventDefault();
      act();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [keys]);
}

/** Single keys of an open pad: they win over those of the screens. */
export function usePadKeys(keys: Keys): void {
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      const act = actOf(keys, e);
      if (!act) return;
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
