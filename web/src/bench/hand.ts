import { turned } from '../drawing/wood';
import type { Look } from './slip/SlipPanel';

/** What a person has in hand at the bench: what is chosen, from where the tree is seen, what is open beside it. */
export interface Hand {
  /** The limb, the finding's letter, the step of the slip; empty, empty, 0: none. */
  limb: string;
  finding: string;
  step: number;
  /** Compass bearing one stands at, and how often the tree came to rest: a turned drawing is drawn anew then. */
  bearing: number;
  rests: number;
  above: boolean;
  outlined: boolean;
  /** The buds of the limb are laid out. */
  strip: boolean;
  /** What a press on a limb marks it with. */
  brush: string;
  /** The next limb pressed is what the chosen one rubs on. */
  rubbing: boolean;
  /** A limb that was drawn, as a line to be read. */
  drawn: string;
  /** The tree is sketched anew. */
  anew: boolean;
  look: Look;
}

export const emptyHand: Hand = {
  limb: '',
  finding: '',
  step: 0,
  bearing: 205,
  rests: 0,
  above: false,
  outlined: false,
  strip: false,
  brush: '',
  rubbing: false,
  drawn: '',
  anew: false,
  look: '',
};

export type Act =
  | { do: 'limb'; limb: string }
  | { do: 'finding'; finding: string; limb: string }
  | { do: 'step'; step: number; limb: string }
  | { do: 'turn'; by: number }
  | { do: 'rest'; bearing: number }
  | { do: 'above'; above: boolean }
  | { do: 'outline'; outlined: boolean }
  | { do: 'strip'; strip: boolean }
  | { do: 'brush'; brush: string }
  | { do: 'rubbing'; rubbing: boolean }
  | { do: 'drawn'; line: string }
  | { do: 'written' }
  | { do: 'anew'; anew: boolean }
  | { do: 'look'; look: Look };

/** What an act leaves in hand. */
export function act(h: Hand, a: Act): Hand {
  switch (a.do) {
    case 'limb': // buds stay laid out from limb to limb, and close with none
      return { ...h, limb: a.limb, finding: '', rubbing: false, strip: h.strip && a.limb !== '' };
    case 'finding': // pressed again, it is let go; its limb stays in hand
      return { ...h, limb: a.limb, finding: a.finding === h.finding ? '' : a.finding };
    case 'step':
      return a.step === 0 ? { ...h, step: 0 } : { ...h, step: a.step, limb: a.limb, finding: '', brush: '' }; // a step is looked at, not marked
    case 'turn':
      return { ...h, bearing: turned(h.bearing, a.by) };
    case 'rest':
      return { ...h, bearing: a.bearing, rests: h.rests + 1 };
    case 'above':
      return { ...h, above: a.above };
    case 'outline':
      return { ...h, outlined: a.outlined };
    case 'strip':
      return { ...h, strip: a.strip && h.limb !== '' };
    case 'brush':
      return { ...h, brush: a.brush };
    case 'rubbing':
      return { ...h, rubbing: a.rubbing };
    case 'drawn': // one line at a time: the pen is put down
      return { ...h, drawn: a.line, brush: '' };
    case 'written':
      return { ...h, drawn: '' };
    case 'anew':
      return { ...h, anew: a.anew };
    case 'look':
      return { ...h, look: a.look };
  }
}

/** The one so many places from where one is in a list; the first where one is nowhere. */
export function beside<T>(list: readonly T[], at: number, by: number): T | undefined {
  return list[Math.max(0, Math.min(list.length - 1, at < 0 ? 0 : at + by))];
}
