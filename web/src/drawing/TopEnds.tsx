import type { Schemas } from '../shared/api';
import { along, line, place, type Limb, type Sheet, type View } from './wood';

type Top = Schemas['TopBody'];

interface Props {
  tops: readonly Top[];
  limbs: readonly Limb[];
  view: View;
  sheet: Sheet;
  /** Of the drawing, px: tags stay on it. */
  width: number;
  says: (cm: number) => string;
}

const capHalf = 22;
const most = 6;
/** Room a tag takes beside its cap. */
const tagPx = 130;
const tagTall = 15;

/** Where the tops end this year: a cap over each new end, and the limb that takes over drawn again in leaf. */
export function TopEnds({ tops, limbs, view, sheet, width, says }: Props) {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const lowered = tops.filter((t) => t.this_cm > 0 && t.this_cm < t.now_cm - 3).slice(0, most);
  const tagged: { x: number; y: number }[] = [];
  /** A tag stands where no other does. */
  const room = (x: number, y: number) => {
    if (tagged.some((t) => Math.abs(t.x - x) < tagPx && Math.abs(t.y - y) < tagTall)) return false;
    tagged.push({ x, y });
    return true;
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
        const right = (at.x >= sheet.x || at.x < tagPx + 60) && at.x + tagPx < width;
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
            {room(at.x + (right ? tagPx / 2 : -tagPx / 2), y) && (
              <text
                x={at.x + (right ? capHalf + 5 : -capHalf - 5)}
                y={y + 5}
                textAnchor={right ? 'start' : 'end'}
                fontSize={12}
                fontWeight={700}
                fill="var(--leaf)"
                className="halo"
              >
                {t.heir ? `${t.heir} takes over, ` : ''}ends {says(t.this_cm)}
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
