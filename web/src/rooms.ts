import type { ScreenAt } from './shared/screen';

const rooms = import.meta.glob<{ screens: ScreenAt[] }>('./*/screens.ts', { eager: true });

/** The screens of an orchard: each room says its own, in screens.ts. A new one is a folder (make screen NAME=…). */
export const screens = Object.values(rooms).flatMap((room) => room.screens);

/** The words of the frame, in their order; keys 1, 2, … open them. */
export const words = screens
  .flatMap(({ path, word }) => (word ? [{ path, ...word }] : []))
  .sort((a, b) => a.place - b.place);
