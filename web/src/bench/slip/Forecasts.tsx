import Button from '@mui/material/Button';
import { Silhouette } from '../../drawing/Silhouette';
import { useHere } from '../../shared/orchard';
import { useSaveTree, useTrees } from '../../shared/queries';
import { Trouble } from '../../shared/Trouble';
import { percent, say } from '../../shared/units';
import { useCompare, useYears, type Asking } from './queries';

/** What opens below the drawing is brought into sight. */
const come = (el: HTMLElement | null) => el?.scrollIntoView({ block: 'nearest' });

/** The same cuts at different times side by side: what the tree is expected to answer. */
export function Compare({ asking, bearing }: { asking: Asking; bearing: number }) {
  const { units } = useHere();
  const q = useCompare(asking, true);
  if (q.error) return <Trouble error={q.error} />;
  if (!q.data) return <p className="sm q">Growing the tree, cut and uncut.</p>;
  const d = q.data;
  const top = Math.max(d.reach_cm, ...d.outcomes.flatMap((o) => o.heights_cm));
  const height = (cm: number) => say(cm / 100, 'm', units);
  const rows: [string, (o: (typeof d.outcomes)[number]) => string][] = [
    ['Height next winter', (o) => height(o.heights_cm[0] ?? 0)],
    ['in two winters', (o) => height(o.heights_cm[1] ?? 0)],
    ['in three winters', (o) => height(o.heights_cm[2] ?? 0)],
    ['New shoots', (o) => String(o.new_shoots)],
    ['mean length', (o) => (o.new_shoots > 0 ? say(o.mean_shoot_cm, 'cm', units) : '–')],
    ['longest', (o) => (o.new_shoots > 0 ? say(o.longest_shoot_cm, 'cm', units) : '–')],
    ['Water sprouts', (o) => String(o.water_sprouts)],
    ['Fruit buds next spring', (o) => String(o.flower_buds[0] ?? 0)],
    ['in two springs', (o) => String(o.flower_buds[1] ?? 0)],
    ['in three springs', (o) => String(o.flower_buds[2] ?? 0)],
  ];
  return (
    <section ref={come} className="compare" aria-label="Winter or summer">
      <table>
        <caption className="sm q">
          {height(d.height_cm)} high now, reach {height(d.reach_cm)}. {d.weak}
        </caption>
        <thead>
          <tr>
            <td />
            {d.outcomes.map((o) => (
              <td key={o.name} className="pic">
                <Silhouette
                  lines={o.lines.map((l) => l ?? [])}
                  bearing={bearing}
                  top={top}
                  reach={d.reach_cm}
                  times={2.2}
                />
              </td>
            ))}
          </tr>
          <tr>
            <td />
            {d.outcomes.map((o) => (
              <th key={o.name} scope="col">
                {o.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(([name, value]) => (
            <tr key={name}>
              <th scope="row">{name}</th>
              {d.outcomes.map((o) => (
                <td key={o.name} className="num">
                  {value(o)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** What falls in which year, beside replacing the tree. */
export function Years({ asking }: { asking: Asking }) {
  const { units } = useHere();
  const q = useYears(asking, true);
  const save = useSaveTree(asking.slug);
  const tree = useTrees(asking.slug).data?.find((t) => t.id === asking.id);
  if (q.error) return <Trouble error={q.error} />;
  if (!q.data) return <p className="sm q">Growing the tree year by year.</p>;
  const d = q.data;
  const height = (cm: number) => say(cm / 100, 'm', units);
  return (
    <section ref={come} className="years" aria-label="Over the years">
      <p>
        {d.course} {d.follows && <span className="q">The slips of this tree follow this course.</span>}
        {!d.restore && <span className="q">Planned as if the aim were to restore it.</span>}
      </p>
      {d.restore && !d.follows && tree && (
        <Button
          size="small"
          variant="outlined"
          disabled={save.isPending}
          onClick={() => save.mutate({ ...tree, own: { ...tree.own, restoration: d.choice } })}
        >
          Let this tree’s slips follow it
        </Button>
      )}
      <Trouble error={save.error} />
      <YearHeights years={d.years} reachCm={d.reach_cm} says={height} />
      <ol className="bare">
        {d.years.map((y) => (
          <li key={y.year}>
            <h4>
              {y.year}{' '}
              <small className="q num">
                {height(y.height_before_cm)} to {height(y.height_cm)}, {percent(y.account)}, {Math.round(y.minutes)}{' '}
                min, {say(y.kilos, 'kg', units)}
              </small>
            </h4>
            <Cuts name="Winter" list={y.winter} />
            <Cuts name="Summer" list={y.summer} />
          </li>
        ))}
      </ol>
      {d.cannot.length === 0 ? (
        <p>
          Every top comes within {say(20, 'cm', units)} of reach, {height(d.reach_cm)}.
        </p>
      ) : (
        <>
          <h4>Not down to reach in these years</h4>
          <ul className="bare">
            {d.cannot.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ul>
          {d.needs && <p>{d.needs}</p>}
        </>
      )}
      <h4>Or replace it</h4>
      <p>
        {d.replace.says} Work: {d.replace.keep_hours} h of cutting here; a young tree asks about {d.replace.new_hours} h
        of all care in the same years.
      </p>
      <p className="sm q">{d.weak}</p>
    </section>
  );
}

/** The height year by year, before the cuts and after the year's growth, against the reach line. */
function YearHeights({
  years,
  reachCm,
  says,
}: {
  years: readonly { year: number; height_before_cm: number; height_cm: number }[];
  reachCm: number;
  says: (cm: number) => string;
}) {
  const w = 324;
  const high = 96;
  const left = 8;
  const most = Math.max(reachCm, ...years.flatMap((y) => [y.height_before_cm, y.height_cm])) * 1.25;
  const y = (cm: number) => 8 + (1 - cm / most) * (high - 28);
  const step = (w - 2 * left) / years.length;
  const points = [years[0]?.height_before_cm ?? 0, ...years.map((r) => r.height_cm)];
  const x = (k: number) => left + k * step;
  return (
    <svg
      viewBox={`0 0 ${String(w)} ${String(high)}`}
      width="100%"
      style={{ maxWidth: 460, display: 'block' }}
      role="img"
      aria-label={`Height: ${points.map(says).join(', then ')}; reach ${says(reachCm)}`}
    >
      <path
        d={`M${String(left)} ${String(y(reachCm))}H${String(w - left)}`}
        stroke="var(--leaf)"
        strokeWidth={1.8}
        strokeDasharray="7 5"
      />
      <path
        d={`M${points.map((cm, k) => `${x(k).toFixed(1)} ${y(cm).toFixed(1)}`).join('L')}`}
        fill="none"
        stroke="var(--wood-old)"
        strokeWidth={2}
      />
      {points.map((cm, k) => (
        <g key={k}>
          <circle
            cx={x(k)}
            cy={y(cm)}
            r={3.4}
            fill={cm > reachCm + 20 ? 'var(--ground)' : 'var(--wood-old)'}
            stroke="var(--wood-old)"
            strokeWidth={1.6}
          />
          <text
            x={x(k)}
            y={y(cm) - 7}
            fontSize={11}
            textAnchor={k === 0 ? 'start' : k === points.length - 1 ? 'end' : 'middle'}
            className="halo"
          >
            {says(cm)}
          </text>
          <text
            x={x(k)}
            y={high - 4}
            fontSize={11}
            fill="var(--quiet)"
            textAnchor={k === 0 ? 'start' : k === points.length - 1 ? 'end' : 'middle'}
          >
            {k === 0 ? 'now' : years[k - 1]?.year}
          </text>
        </g>
      ))}
    </svg>
  );
}

const mostListed = 6;

function Cuts({ name, list }: { name: string; list: readonly string[] }) {
  if (list.length === 0)
    return (
      <p className="sm">
        <b>{name}:</b> nothing
      </p>
    );
  return (
    <p className="sm">
      <b>{name}:</b> {list.slice(0, mostListed).join('; ')}
      {list.length > mostListed ? `; and ${String(list.length - mostListed)} more` : ''}
    </p>
  );
}
