import { Heads } from '../shared/Heads';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { percent, say } from '../shared/units';
import type { Fruit } from './queries';
import { YearBars } from './YearBars';
import css from './fruit.module.css';

/** A tree's crop over the years, its beat, and what this year does to the next. */
export function CropYears({ fruit }: { fruit: Fruit }) {
  const { units } = useHere();
  const [ref, width] = useWidth(660);
  return (
    <section ref={ref} aria-label="Crop over the years">
      <header className={css.line}>
        <h2 className="h3">Crop over the years</h2>
        <span className="sm q">
          {fruit.alternation ?? ''}
          {fruit.alternation_index !== undefined ? `, index ${fruit.alternation_index.toFixed(2)}` : ''}
        </span>
      </header>
      <YearBars years={fruit.years} width={width} units={units} />
      <div className={css.scroll}>
        <table className="list">
          <Heads of={['Year', 'set', 'left', 'taken', 'picked', 'weight', 'a fruit', 'buds after frost']} />
          <tbody>
            {fruit.years.map((y) => (
              <tr key={y.season}>
                <th scope="row">{y.season}</th>
                <td>{y.set === undefined ? '' : Math.round(y.set)}</td>
                <td>{y.left ?? ''}</td>
                <td>{y.taken ?? ''}</td>
                <td>{y.picked ?? ''}</td>
                <td>{y.kg === undefined ? '' : say(y.kg, 'kg', units)}</td>
                <td>{y.mass_g > 0 ? say(y.mass_g, 'g', units) : ''}</td>
                <td>{y.alive === undefined ? '' : `${percent(y.alive)} alive`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {fruit.standing_says && <p>{fruit.standing_says}</p>}
      {fruit.doing.length > 0 && (
        <ul className="sm">
          {fruit.doing.map((d) => (
            <li key={d}>{d}</li>
          ))}
        </ul>
      )}
      {fruit.next_year_says && <p>{fruit.next_year_says}</p>}
      {fruit.broken.map((b) => (
        <p key={b}>{b}</p>
      ))}
    </section>
  );
}
