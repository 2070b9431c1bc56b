import { Told } from '../../help/Told';
import { useWhy, type Asking } from './queries';
import css from '../bench.module.css';

interface Props {
  asking: Asking;
  limb: string;
  onLimb: (id: string) => void;
}

/** Why this limb goes or stays, beside the drawing it was pressed in, and what it was weighed against. */
export function Why({ asking, limb, onLimb }: Props) {
  const q = useWhy(asking, limb);
  if (!q.data) return null;
  const { on_slip: goes, says, against } = q.data;
  return (
    <section aria-label={`Why ${goes ? '' : 'not '}${limb}`} className={css.whylimb} aria-live="polite">
      <h2 className="h3">
        {goes ? `Why ${limb}` : `Why not ${limb}`}
        <button type="button" className="plain" onClick={() => onLimb('')}>
          Close
        </button>
      </h2>
      <ul className="bare sm">
        {says.map((s) => (
          <li key={s}>
            <Told>{s}</Told>
          </li>
        ))}
      </ul>
      {against && (
        <button type="button" className="plain sm" onClick={() => onLimb(against)}>
          Show {against}
        </button>
      )}
    </section>
  );
}
