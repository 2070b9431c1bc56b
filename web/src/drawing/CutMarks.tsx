import type { Label } from './labels';
import { Tag } from './Tag';
import { along, place, type Limb, type Sheet, type Spot, type View } from './wood';
import css from './drawing.module.css';

/** A cut on the slip: its number, its limb, and how far from the limb's base. */
export interface CutMark {
  n: number;
  /** Its number on the slip; empty: of a group whose number stands at another of its cuts. */
  mark: string;
  limb: string;
  cm: number;
  /** Drawn through when somebody left it out of the log. */
  taken: boolean;
}

/** Where a cut goes on the wood, with the direction of the wood there. */
export function cutSpot(l: Limb, cm: number, view: View, sheet: Sheet): { at: Spot; dx: number; dy: number } {
  const from = Math.max(0.5, Math.min(l.length_cm - 1, cm + 1));
  const at = place(along(l.stations, from), view, sheet);
  const next = place(along(l.stations, Math.min(l.length_cm, from + 3)), view, sheet);
  const d = Math.hypot(next.x - at.x, next.y - at.y) || 1;
  return { at, dx: (next.x - at.x) / d, dy: (next.y - at.y) / d };
}

interface Props {
  labels: readonly Label<CutMark>[];
  limbs: ReadonlyMap<string, Limb>;
  view: View;
  sheet: Sheet;
  chosen: number;
  onChoose: (n: number) => void;
}

const fillOf = (c: CutMark, chosen: number) => (c.n === chosen || c.taken ? 'var(--leaf)' : 'var(--ink)');

/** A bar of ink across the wood that goes. */
export function CutBar({
  c,
  l,
  view,
  sheet,
  chosen,
}: {
  c: CutMark;
  l: Limb | undefined;
  view: View;
  sheet: Sheet;
  chosen: number;
}) {
  if (!l) return null;
  const { at, dx, dy } = cutSpot(l, c.cm, view, sheet);
  const half = Math.max(5, (l.diameter_mm / 20) * sheet.scale + 3);
  return (
    <path
      d={`M${(at.x + dy * half).toFixed(1)} ${(at.y - dx * half).toFixed(1)}L${(at.x - dy * half).toFixed(1)} ${(at.y + dx * half).toFixed(1)}`}
      stroke={fillOf(c, chosen)}
      strokeWidth={3}
      pointerEvents="none"
    />
  );
}

/** Cut marks: a bar of ink across the wood that goes, and the number of the step in a square. */
export function CutMarks({ labels, limbs, view, sheet, chosen, onChoose }: Props) {
  return (
    <g className={css.letters} role="presentation">
      {labels.map(({ item, label }) => {
        const l = limbs.get(item.limb);
        if (!l) return null;
        const { at } = cutSpot(l, item.cm, view, sheet);
        const fill = fillOf(item, chosen);
        return (
          <Tag
            key={item.n}
            at={at}
            label={label}
            letter={item.mark}
            fill="var(--ground)"
            onPick={() => onChoose(item.n)}
          >
            <CutBar c={item} l={l} view={view} sheet={sheet} chosen={chosen} />
            <rect x={label.x - 9} y={label.y - 9} width={18} height={18} fill={fill} />
          </Tag>
        );
      })}
    </g>
  );
}
