import { useSyncExternalStore } from 'react';
import { keep, kept } from './browser';

export type Light = 'system' | 'day' | 'dusk';
const key = 'vertumna-light';
const system = '(prefers-color-scheme: dark)';
let here: Light | undefined; // where the browser keeps nothing: until the page is left
const listeners = new Set<() => void>();

export function light(): Light {
  const v = here ?? kept(key);
  return v === 'day' || v === 'dusk' ? v : 'system';
}

export function setLight(v: Light): void {
  here = keep(key, v) ? undefined : v;
  listeners.forEach((l) => l());
}

function isDusk(): boolean {
  const v = light();
  return v === 'dusk' || (v === 'system' && window.matchMedia(system).matches);
}

function subscribe(changed: () => void): () => void {
  listeners.add(changed);
  const media = window.matchMedia(system);
  media.addEventListener('change', changed);
  return () => {
    listeners.delete(changed);
    media.removeEventListener('change', changed);
  };
}

/** Whether the screens stand in dusk: the person's choice, else the system's. */
export function useDusk(): boolean {
  return useSyncExternalStore(subscribe, isDusk);
}
