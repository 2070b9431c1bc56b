import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [{ path: 'trees/:id/why', Screen: screen(() => import('./Why')) }];
