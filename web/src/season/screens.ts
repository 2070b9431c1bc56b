import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [{ path: 'trees/:id/season', Screen: screen(() => import('./Season')) }];
