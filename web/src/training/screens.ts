import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [
  { path: 'trees/:id/training', Screen: screen(() => import('./Training')) },
  { path: 'devices', Screen: screen(() => import('./Devices')) },
];
