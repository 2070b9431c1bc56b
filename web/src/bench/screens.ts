import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [
  { path: 'trees/:id', Screen: screen(() => import('./Bench')) },
  { path: 'trees/:id/ways', Screen: screen(() => import('./Ways')) },
];
