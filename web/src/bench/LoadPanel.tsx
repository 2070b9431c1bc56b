import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { percent, say } from '../shared/units';
import { useFruit, type Load } from '../fruit/queries';
import css from './bench.module.css';

interface Props {
  treeId: string;
  chosen: string;
  onChoose: (limb: string) => void;
}

const by = {
  counted: 'with the fruit as counted',
  expected: 'with the fruit its buds promise, before thinning',
  snow: 'under the snow you count on',
};

/** Limbs by what hangs on them against what they carry safely; and what would save those that carry too much. */
export function LoadPanel({ treeId, chosen, onChoose }: Props) {
  const { orchard, units } = useHere();
  const { settled } = useShown();
  const fruit = useFruit(orchard.slug, treeId, settled);
  if (fruit.error && !fruit.data) return <Trouble error={fruit.error} />;
  if (!fruit.data) return <p className="q">Bending the limbs.</p>;
  const f = fruit.data;
  const over = f.loads.filter((l) => l.state === 'over' || l.state === 'danger').length;
  return (
    <section aria-label="Load" className={css.loads}>
      <header>
        <h2>Load</h2>
        <p className="sm q">
          {f.loads_by === 'picked' ? f.picked_says : `Limbs ${by[f.loads_by]}.`}{' '}
          {f.loads_by !== 'picked' &&
            (over === 0 ? 'None carries more than is safe.' : `${String(over)} carry more than is safe.`)}
        </p>
      </header>
      {f.loads.length === 0 && f.loads_by !== 'picked' && (
        <p>No limb thick and long enough carries anything to speak of.</p>
      )}
      <ol>
        {f.loads.map((l) => (
          <li key={l.limb}>
            <button type="button" aria-pressed={l.limb === chosen} onClick={() => onChoose(l.limb)}>
              <b>{l.limb}</b>
              <span>
                {f.loads_by === 'snow' ? `${say(l.load_kg, 'kg', units)} of snow` : `${String(l.fruit)} fruit`},{' '}
                {l.state_says}
              </span>
              <span className={`num ${l.use > 1 ? 'over' : ''}`}>{percent(l.use)}</span>
              <UseBar l={l} />
            </button>
            {l.saves.length > 0 && (
              <ul className="sm">
                {l.saves.map((s) => (
                  <li key={s}>{s}</li>
                ))}
              </ul>
            )}
            {l.limb === chosen && <Numbers l={l} />}
          </li>
        ))}
      </ol>
      {f.loads.length > 0 && (
        <p className="nt q">
          The bar ends at the expected break; the line is the safe limit. Strength of branch wood and crotches is our
          estimate.
        </p>
      )}
      <ul className="safety sm">
        {f.safety.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
    </section>
  );
}

function UseBar({ l }: { l: Load }) {
  const breaks = l.use > 0 ? Math.max(1.2, l.break_fruit / Math.max(1, l.safe_fruit)) : 2.5;
  const most = Math.min(3, Math.max(2.5, breaks));
  const w = (v: number) => `${String(Math.min(100, (100 * v) / most))}%`;
  return (
    <svg width="100%" height={10} aria-hidden="true" className={css.usebar}>
      <rect y={1} width="100%" height={8} fill="var(--leaf-wash)" />
      <rect
        y={1}
        width={w(l.use)}
        height={8}
        fill={l.use > 1 ? 'var(--autumn)' : l.use > 0.8 ? 'var(--summer)' : 'var(--leaf)'}
      />
      <rect x={w(1)} width={2} height={10} fill="var(--ink)" />
    </svg>
  );
}

function Numbers({ l }: { l: Load }) {
  const { units } = useHere();
  return (
    <dl className="facts sm">
      <dt>hangs on it</dt>
      <dd>{say(l.load_kg, 'kg', units)}</dd>
      <dt>safe</dt>
      <dd>{l.safe_fruit} fruit</dd>
      <dt>would break at about</dt>
      <dd>{l.break_fruit} fruit</dd>
      <dt>its tip sinks</dt>
      <dd>{say(l.tip_sag_cm, 'cm', units)}</dd>
      <dt>strain at its base</dt>
      <dd>
        {l.stress_mpa} of {l.limit_mpa} MPa
      </dd>
      <dt>its crotch holds</dt>
      <dd>{percent(l.strength_share)} of its wood</dd>
      {l.warnings.map((w) => (
        <dd key={w} style={{ gridColumn: '1 / 3' }}>
          {w}
        </dd>
      ))}
    </dl>
  );
}
