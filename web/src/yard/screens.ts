import type { ScreenAt } from '../shared/screen';
import Yard from './Yard';

/** The yard comes with the program: it is what one opens first. */
export const screens: ScreenAt[] = [{ path: 'yard', Screen: Yard, word: { name: 'Yard', place: 1 } }];
