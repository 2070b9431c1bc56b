import type { Edit, Limb } from './queries';
import css from './bench.module.css';

interface Brush {
  slug: string;
  name: string;
  edit: (limb: string) => Edit;
}

const mark =
  (kind: 'dead' | 'damaged' | 'diseased' | 'weak') =>
  (id: string): Edit => ({ op: 'mark', id, mark: { kind, at_cm: 0 } });

/** What a tap on a limb writes down while a brush is in hand. */
export const brushes: Brush[] = [
  { slug: 'dead', name: 'Dead', edit: mark('dead') },
  { slug: 'damaged', name: 'Broken', edit: mark('damaged') },
  { slug: 'diseased', name: 'Sick', edit: mark('diseased') },
  { slug: 'sprout', name: 'Sprout', edit: (id) => ({ op: 'set', id, limb: { id, sprout: true } }) },
  { slug: 'keep', name: 'Keep', edit: (id) => ({ op: 'tag', id, tag: 'keep' }) },
];

interface Props {
  brush: string;
  onBrush: (slug: string) => void;
  canUndo: boolean;
  onUndo: () => void;
  chosen: Limb | undefined;
}

/** The brush that draws a limb which the map has not. */
export const drawBrush = 'draw';

/** Under the thumb: a brush that marks the limbs one taps, one that draws a limb, and undo. */
export function MarkBar({ brush, onBrush, canUndo, onUndo, chosen }: Props) {
  return (
    <div className={`chips ${css.markbar}`} role="group" aria-label="Mark limbs by tapping them">
      <span className="sm q">
        {brush === drawBrush
          ? 'Press on what carries it, and draw to its tip. Stand so that it points to the side.'
          : brush
            ? 'Tap the limbs that are so.'
            : chosen
              ? `${chosen.id} chosen. Drag its ends, or mark:`
              : 'Tap a limb, or mark by tapping:'}
      </span>
      {brushes.map((b) => (
        <button
          key={b.slug}
          type="button"
          aria-pressed={brush === b.slug}
          onClick={() => onBrush(brush === b.slug ? '' : b.slug)}
        >
          {b.name}
        </button>
      ))}
      <button
        type="button"
        aria-pressed={brush === drawBrush}
        onClick={() => onBrush(brush === drawBrush ? '' : drawBrush)}
      >
        Draw a limb
      </button>
      <button
        type="button"
        className={css.undoact}
        disabled={!canUndo}
        onClick={onUndo}
        title="Take back the last change (u)"
      >
        Undo
      </button>
    </div>
  );
}
