import { useState } from 'react';
import { Field } from '../shared/Field';
import { percentOf } from '../drawing/LightLayer';
import type { Schemas } from '../shared/api';
import { useHere } from '../shared/orchard';
import { percent, read, say, show, unitOf, type Units } from '../shared/units';
import { SpotSun } from './SpotSun';
import css from './yard.module.css';

/** A place on the plot, metres from its south-west corner. */
export interface Spot {
  x: number;
  y: number;
}

interface Props {
  light: Schemas['YardLightBody'];
  day: string;
  asked: string;
  onAsk: (id: string) => void;
  spot: Spot | null;
  onSpot: (s: Spot) => void;
}

/** Where the sun is asked for: pressed on the plan, or its distances typed. */
function SpotFields({ units, spot, onSpot }: { units: Units; spot: Spot | null; onSpot: (s: Spot) => void }) {
  const [typed, setTyped] = useState<Partial<Record<'x' | 'y', string>>>({});
  const at = spot ?? { x: 0, y: 0 };
  const field = (k: 'x' | 'y', label: string) => (
    <Field
      label={label}
      size="small"
      value={typed[k] ?? (spot ? show(spot[k], 'm', units) : '')}
      onChange={(e) => {
        setTyped({ ...typed, [k]: e.target.value });
        const v = read(e.target.value, 'm', units);
        if (v !== undefined && Math.abs(v) <= 500) onSpot({ ...at, [k]: v });
      }}
      onBlur={() => setTyped({})}
      helperText={unitOf('m', units)}
    />
  );
  return (
    <div role="group" aria-label="A spot of the plot">
      <p className="sm q">Press on open ground for the sun there, or type its distances.</p>
      <div className="pair">
        {field('x', 'From the west')}
        {field('y', 'From the south')}
      </div>
    </div>
  );
}

/** Who shades whom as a list: each tree's sun, what takes its light, and how high it may stand for its neighbours. */
export function LightPanel({ light, day, asked, onAsk, spot, onSpot }: Props) {
  const { units } = useHere();
  const list = [...light.trees].sort((a, b) => a.sun_hours - b.sun_hours);
  return (
    <section aria-label="The yard in light">
      <h1 className={css.h2}>The yard in light</h1>
      <p className="sm q">
        Hours of sun a day over the growing season under a clear sky, {say(1, 'm', units)} above the ground, with the
        trees as they stand. Numbers on the plan are hours; the darker, the fewer. Beside a staff: the height up to
        which the tree leaves its neighbours their light.
      </p>
      {light.far.length > 0 && (
        <p className="sm" role="status">
          Too far from the other trees to be reckoned with: {light.far.join(', ')}. Is the place on the plan right?
        </p>
      )}
      <SpotFields units={units} spot={spot} onSpot={onSpot} />
      {spot && <SpotSun x={spot.x} y={spot.y} day={day} />}
      <ul className={`bare ${css.lightlist}`}>
        {list.map((t) => (
          <li key={t.id}>
            <button type="button" aria-expanded={t.id === asked} onClick={() => onAsk(t.id)}>
              <b>{t.code}</b> <span className="num">{t.sun_hours} h</span>{' '}
              <span className="q">{percent(t.light)} of full light, its own shade left out</span>
              <span className="why">
                {t.shaded_by.length === 0
                  ? 'shaded by nothing'
                  : `loses ${t.shaded_by.map((s) => `${percentOf(s.share)} to ${s.by}`).join(', ')}`}
              </span>
            </button>
            {t.id === asked && (
              <div className="stepbody">
                <p>{t.means}.</p>
                {t.beside && <p>{t.beside}.</p>}
                <p>
                  Stands {say(t.height_m, 'm', units)}
                  {t.cap_why ? `; ${t.cap_why}` : '; no neighbour’s light binds its height'}.
                  {t.rule_m > 0 ? ` By the rule of thumb (0.9 of the distance): ${say(t.rule_m, 'm', units)}.` : ''}{' '}
                  {t.binds}
                </p>
              </div>
            )}
          </li>
        ))}
        {light.beds.map((b) => (
          <li key={b.name}>
            <b>{b.name}</b> <span className="num">{b.sun_hours} h</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
