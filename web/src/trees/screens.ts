import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [
  { path: 'trees', Screen: screen(() => import('./Trees')), word: { name: 'Trees', place: 2 } },
];
