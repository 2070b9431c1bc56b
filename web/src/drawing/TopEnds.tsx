import type { Schemas } from '../shared/api';
import { along, line, place, type Limb, type Sheet, type Spot, type View } from './wood';

type Top = Schemas['TopBody'];

interface Props {
  tops: readonly Top[];
  limbs: readonly Limb[];
  view: View;
  sheet: Sheet;
  /** Of the drawing, px: tags stay on it. */
  width: number;
  /** Of the drawing, px: left of it stands the scale. */
  from?: number;
  /** Where letters of cuts and findings stand: tags keep off them where they can. */
  letters?: readonly Spot[];
  /** The middle of the reach line's words, and how many letters they have. */
  reach?: Spot & { letters: number };
  says: (cm: number) => string;
}

const capHalf = 22;
const most = 6;
/** What a letter of a tag takes, px, and a line of it. */
const letterPx = 6.9;
const lineTall = 14;
/** Half of what the letter of a cut or a finding takes. */
const letterHalf = 11;

interface Box {
  left: number;
  right: number;
  top: number;
  foot: number;
}

const meet = (a: Box, b: Box) => a.left < b.right && b.left < a.right && a.top < b.foot && b.top < a.foot;

/** The room a cap takes. */
const capOf = (at: Spot): Box => ({ left: at.x - capHalf, right: at.x + capHalf, top: at.y - 7, foot: at.y });

/** The room so many letters take about a spot. */
const wordsAt = (at: Spot, letters: number): Box => ({
  left: at.x - (letters * letterPx) / 2,
  right: at.x + (letters * letterPx) / 2,
  top: at.y - lineTall / 2,
  foot: at.y + lineTall / 2,
});

/** Where a tag of so many letters may stand by its cap, best first: beside it, outward before inward, then a line higher. */
function spots(at: Spot, letters: number, outward: 1 | -1): (Box & { x: number; anchor: 'start' | 'end' })[] {
  const wide = letters * letterPx;
  return [0, -1, 1, -2, 2].flatMap((up) =>
    ([outward, -outward] as const).map((side) => {
      const x = at.x + side * (capHalf + 5);
      const foot = at.y + up * lineTall + 4;
      const left = side > 0 ? x : x - wide;
      return { x, anchor: side > 0 ? 'start' : 'end', left, right: left + wide, top: foot - lineTall, foot } as const;
    }),
  );
}

/** Where the tops end this year: a cap over each new end, and the limb that takes over drawn again in leaf. */
export function TopEnds({ tops, limbs, view, sheet, width, from = 0, letters = [], reach, says }: Props) {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const lowered = tops.filter((t) => t.this_cm > 0 && t.this_cm < t.now_cm - 3).slice(0, most);
  const taken: Box[] = lowered.map((t) => capOf(place(t.end, view, sheet)));
  if (reach) taken.push(wordsAt(reach, reach.letters));
  const marks = letters.map((l) => ({
    left: l.x - letterHalf,
    right: l.x + letterHalf,
    top: l.y - letterHalf,
    foot: l.y + letterHalf,
  }));
  const told: { at: Spot; text: string }[] = []; // two tops that end at one place are told once
  /** A tag stands where no other does, and off the letters if there is such a place; else it is left out. */
  const room = (at: Spot, text: string) => {
    if (told.some((t) => t.text === text && Math.hypot(t.at.x - at.x, t.at.y - at.y) < 2 * capHalf)) return undefined;
    told.push({ at, text });
    const free = spots(at, text.length, at.x >= sheet.x ? 1 : -1).filter(
      (s) => s.left > from && s.right < width && !taken.some((t) => meet(s, t)),
    );
    const spot = free.find((s) => !marks.some((m) => meet(s, m))) ?? free[0];
    if (spot) taken.push(spot);
    return spot;
  };
  return (
    <g role="presentation" pointerEvents="none">
      {lowered.map((t) => {
        const heir = t.heir ? byId.get(t.heir) : undefined;
        return heir ? <Lit key={t.limb} l={heir} view={view} sheet={sheet} /> : null;
      })}
      {tops.slice(0, most).map((t) => {
        const later = t.later ? byId.get(t.later) : undefined;
        if (!later) return null;
        return (
          <path
            key={t.limb}
            d={line(later.stations, view, sheet)}
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={3}
            strokeLinecap="round"
            strokeDasharray="0 6"
          />
        );
      })}
      {lowered.map((t) => {
        const end = t.end;
        const at = place(end, view, sheet);
        const y = at.y - 5;
        const text = `${t.heir ? `${t.heir} takes over, ` : ''}ends ${says(t.this_cm)}`;
        const spot = room({ x: at.x, y }, text);
        return (
          <g key={t.limb}>
            {(['var(--ground)', 'var(--leaf)'] as const).map((colour) => (
              <path
                key={colour}
                d={`M${(at.x - capHalf).toFixed(1)} ${(y + 5).toFixed(1)}V${y.toFixed(1)}h${String(2 * capHalf)}v5`}
                fill="none"
                stroke={colour}
                strokeWidth={colour === 'var(--leaf)' ? 2.4 : 5}
              />
            ))}
            {spot && (
              <text
                x={spot.x}
                y={spot.foot}
                textAnchor={spot.anchor}
                fontSize={12}
                fontWeight={700}
                fill="var(--leaf)"
                className="halo"
              >
                {text}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function Lit({ l, view, sheet }: { l: Limb; view: View; sheet: Sheet }) {
  const d = line(l.stations, view, sheet);
  const wide = Math.max(2.4, (along(l.stations, 0.5) ? l.diameter_mm / 10 : 0) * sheet.scale);
  return (
    <>
      <path d={d} fill="none" stroke="var(--leaf-wash)" strokeWidth={wide + 7} strokeLinecap="round" />
      <path d={d} fill="none" stroke="var(--leaf)" strokeWidth={wide} strokeLinecap="round" />
    </>
  );
}
