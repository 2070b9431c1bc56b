import { onStretch, type Limb } from '../../drawing/wood';
import type { Step } from './queries';

/** What of a slip is drawn: its cuts. */
interface Cuts {
  steps: readonly Pick<Step, 'n' | 'cut'>[];
}

export interface Going {
  limbs: readonly Limb[];
  going: ReadonlyMap<string, { from: number; n: number }>;
}

/** Cuts without wood that goes: the limb stays whole. */
const takesNothing = new Set(['spur_thin', 'notch']);

/**
 * The wood that goes with the steps of a slip: limbs cut part of the way get a station at the cut, so that what is drawn
 * hollow begins there; what hangs beyond a cut goes whole.
 */
export function goingOf(limbs: readonly Limb[], slip: Cuts | undefined): Going {
  if (!slip) return { limbs, going: new Map() };
  const cutAt = new Map<string, { cm: number; n: number }>();
  for (const s of slip.steps) {
    const was = cutAt.get(s.cut.limb);
    if (!takesNothing.has(s.cut.kind) && (!was || s.cut.at_cm < was.cm))
      cutAt.set(s.cut.limb, { cm: Math.max(0, s.cut.at_cm), n: s.n });
  }
  const going = new Map<string, { from: number; n: number }>();
  const whole = new Map<string, number>(); // limbs gone whole, with the step
  const drawn = limbs.map((l) => {
    const parent = l.parent ?? '';
    const along = whole.get(parent);
    const above = cutAt.get(parent);
    const n = along ?? (above && l.attach_cm >= above.cm ? above.n : undefined);
    if (n !== undefined) {
      whole.set(l.id, n);
      going.set(l.id, { from: 0, n });
      return l;
    }
    const cut = cutAt.get(l.id);
    if (!cut) return l;
    if (cut.cm <= 0) {
      whole.set(l.id, cut.n);
      going.set(l.id, { from: 0, n: cut.n });
      return l;
    }
    const { stations, at } = withStation(l.stations, cut.cm);
    going.set(l.id, { from: at, n: cut.n });
    return { ...l, stations };
  });
  return { limbs: drawn, going };
}

/** Stations with one more, so many centimetres along; and which it is. */
function withStation(stations: readonly number[], cm: number): { stations: number[]; at: number } {
  const { k, t } = onStretch(stations, cm);
  if (t === 1) return { stations: [...stations], at: k + 1 }; // it stands there already
  const i = k * 5;
  const between = [0, 1, 2, 3].map((j) => {
    const from = stations[i + j] ?? 0;
    return from + ((stations[i + 5 + j] ?? 0) - from) * t;
  });
  const out = [...stations.slice(0, i + 5), ...between, stations[i + 4] ?? 1, ...stations.slice(i + 5)];
  return { stations: out, at: k + 1 };
}
