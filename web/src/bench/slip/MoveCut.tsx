import { Trouble } from '../../shared/Trouble';
import { useHere } from '../../shared/orchard';
import { percent, say } from '../../shared/units';
import { usePlaces, type Asking, type CutAt, type Place, type Step } from './queries';
import css from '../bench.module.css';

interface Props {
  s: Step;
  asking: Asking;
  onMove: (to: CutAt) => void;
}

/** Where else the limb could be cut: what would do as well first, then every bud and side branch from its base to its end. */
export function MoveCut({ s, asking, onMove }: Props) {
  const q = usePlaces(asking, s.cut.limb, s.aim);
  const here = (p: Place) => p.cut.kind === s.cut.kind && Math.abs(p.cut.at_cm - s.cut.at_cm) < 0.06;
  return (
    <div className={css.movecut}>
      {s.runners.length > 0 && (
        <>
          <h3>Would do as well</h3>
          <ul className="bare">
            {s.runners.map((p) => (
              <PlaceRow key={p.cut.kind + String(p.cut.at_cm)} p={p} onMove={onMove} />
            ))}
          </ul>
        </>
      )}
      <h3>Every place on {s.cut.limb}, from its base</h3>
      {q.error && <Trouble error={q.error} />}
      <ul className={`bare ${css.places}`}>
        {(q.data ?? []).map((p) => (
          <PlaceRow key={p.cut.kind + String(p.cut.at_cm)} p={p} here={here(p)} onMove={onMove} />
        ))}
      </ul>
    </div>
  );
}

function PlaceRow({ p, here, onMove }: { p: Place; here?: boolean; onMove: (to: CutAt) => void }) {
  const { units } = useHere();
  const at = p.cut.at_cm > 0 ? say(p.cut.at_cm, 'cm', units) : 'its base';
  return (
    <li>
      <button type="button" className="plain" disabled={here} onClick={() => onMove(p.cut)}>
        {p.title}, at {at}
      </button>{' '}
      <span className="q sm">
        {here ? 'the cut is here; ' : ''}
        {percent(p.share)}, {say(p.d_mm, 'mm', units)}
        {p.buds_within >= 0.5 ? `, ${String(Math.round(p.buds_within))} fruit buds` : ''}
        {p.bud ? `. ${p.bud}` : ''}
      </span>
    </li>
  );
}
