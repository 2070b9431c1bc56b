import { screen, type ScreenAt } from '../shared/screen';

const Thinning = screen(() => import('./Thinning'));

export const screens: ScreenAt[] = [
  { path: 'thinning', Screen: Thinning, word: { name: 'Thinning', foot: 'Count', place: 4 } },
  { path: 'thinning/:id', Screen: Thinning },
];
