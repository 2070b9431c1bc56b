import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [
  { path: 'sheet', Screen: screen(() => import('./Sheet')), word: { name: 'Sheet', place: 5 } },
  { path: 'sheet/:id', Screen: screen(() => import('./AtTree')) },
  { path: 'sheet/:id/paper', Screen: screen(() => import('./Paper')) },
];
