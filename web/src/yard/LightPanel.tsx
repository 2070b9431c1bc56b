import { percentOf } from '../drawing/LightLayer';
import type { Schemas } from '../shared/api';
import { useHere } from '../shared/orchard';
import { percent, say } from '../shared/units';

interface Props {
  light: Schemas['YardLightBody'];
  asked: string;
  onAsk: (id: string) => void;
}

/** Who shades whom as a list: each tree's sun, what takes its light, and how high it may stand for its neighbours. */
export function LightPanel({ light, asked, onAsk }: Props) {
  const { units } = useHere();
  const list = [...light.trees].sort((a, b) => a.sun_hours - b.sun_hours);
  return (
    <section aria-label="The yard in light">
      <h2>The yard in light</h2>
      <p className="sm q">
        Hours of sun a day over the growing season under a clear sky, 1 m above the ground, with the trees as they
        stand. Numbers on the plan are hours; the darker, the fewer. Beside a staff: the height up to which the tree
        leaves its neighbours their light.
      </p>
      <ul className="bare lightlist">
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
                  {t.rule_m > 0 ? ` By the rule of thumb (0.9 of the distance): ${say(t.rule_m, 'm', units)}.` : ''}
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
