import { screen, type ScreenAt } from '../shared/screen';

export const screens: ScreenAt[] = [{ path: 'setup/*', Screen: screen(() => import('./Setup')), placeless: true }];
