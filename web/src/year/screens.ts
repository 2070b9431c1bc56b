import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [
  { path: 'year', Screen: screen(() => import('./Year')), word: { name: 'Year', place: 3 } },
];
