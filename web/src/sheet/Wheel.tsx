import { say, type Units } from '../shared/units';
import css from './sheet.module.css';

interface Props {
  label: string;
  /** As measured; undefined: as the map has it. */
  mm: number | undefined;
  mapMM: number;
  units: Units;
  onChange: (mm: number | undefined) => void;
}

/** A wheel for the thumb: the wound by caliper, about what the map says. */
export function Wheel({ label, mm, mapMM, units, onChange }: Props) {
  const low = Math.max(1, Math.floor(mapMM * 0.55));
  const high = Math.ceil(mapMM * 1.75);
  return (
    <div className={css.wheel}>
      <label>
        <span>{label}</span>{' '}
        <output>{mm === undefined ? `as the map: ${say(mapMM, 'mm', units)}` : say(mm, 'mm', units)}</output>
        <input
          type="range"
          min={low}
          max={high}
          step={0.5}
          value={mm ?? mapMM}
          onChange={(e) => onChange(Number(e.target.value))}
        />
      </label>
      {mm !== undefined && (
        <button type="button" className="plain" onClick={() => onChange(undefined)}>
          As the map has it
        </button>
      )}
    </div>
  );
}
