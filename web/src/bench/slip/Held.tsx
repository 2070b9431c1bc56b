import { useHere } from '../../shared/orchard';
import { Trouble } from '../../shared/Trouble';
import { count, percent, say, tall, tight, type Units } from '../../shared/units';
import { useYears, type Asking, type Years } from './queries';
import css from '../bench.module.css';

type Year = Years['years'][number];

const column = 96;
const top = 22;
const low = 108;
const shareFoot = 142;
const minutesFoot = 172;
const barTall = 20;
const shownYears = 5;

/** Down, then held: the tree's height year by year under its plan, with the share and the minutes each year asks. */
export function Held({ asking }: { asking: Asking }) {
  const { units } = useHere();
  const q = useYears(asking, true);
  if (q.error) return <Trouble error={q.error} />;
  if (!q.data) return <p className="sm q held">Growing the tree year by year.</p>;
  const d = q.data;
  const height = (cm: number) => tall(cm, units);
  return (
    <section className="held" aria-label="Down, then held">
      <div className={css.heldsays}>
        <h2 className="h3">Down, then held</h2>
        {d.held ? (
          <p className={css.heldline}>{d.held}</p>
        ) : (
          d.cannot.slice(0, 2).map((c) => (
            <p key={c} className="over">
              {c}
            </p>
          ))
        )}
        {d.needs && <p className="sm">{d.needs}</p>}
      </div>
      <Strip d={d} units={units} />
      <details className="behind">
        <summary>What falls in which year, and a new tree in its place</summary>
        <ol className="bare">
          {d.years.map((y) => (
            <li key={y.year}>
              <h3>
                {y.year}{' '}
                <small className="q num">
                  {height(y.height_before_cm)} to {height(y.height_cut_cm)}, {percent(y.account)}, {y.minutes} min,{' '}
                  {say(y.kilos, 'kg', units)}
                </small>
              </h3>
              <Cuts name="Frame" list={y.frame} />
              <Cuts name="Winter" list={y.winter} />
              <Cuts name="Summer" list={y.summer} />
            </li>
          ))}
        </ol>
        <p className="sm q">{d.weak}</p>
        {d.replace && (
          <>
            <h3>Or replace it</h3>
            <p>
              {d.replace.says} Hours of all care: {d.replace.keep_hours} here, {d.replace.new_hours} there.
            </p>
          </>
        )}
      </details>
    </section>
  );
}

function Strip({ d, units }: { d: Years; units: Units }) {
  const height = (cm: number) => tall(cm, units);
  const years = d.years.slice(0, shownYears);
  const w = (d.past.length + years.length) * column;
  const all = [
    d.reach_cm,
    ...d.past.flatMap((p) => (p.height_cm ? [p.height_cm] : [])),
    ...years.flatMap((y) => [y.height_before_cm, y.height_day_cm ?? y.height_cm, y.height_cut_cm, y.height_cm]),
  ];
  const most = Math.max(...all);
  const least = Math.min(...all) - 0.15 * (most - Math.min(...all)) - 10;
  const yOf = (cm: number) => low - ((cm - least) / (most - least)) * (low - top);
  const x0 = d.past.length * column;
  const firstHeld = years.findIndex((y) => y.held);
  const mostMinutes = Math.max(1, ...d.past.map((p) => p.minutes), ...years.map((y) => y.minutes));
  const mostShare = Math.max(d.limit, ...d.past.map((p) => p.account), ...years.map((y) => y.account));
  const says = years
    .map((y) => `${String(y.year)} ${height(y.height_cut_cm)}, ${percent(y.account)}, ${count(y.minutes, 'minute')}`)
    .join('; ');
  return (
    <svg viewBox={`0 0 ${String(w)} 184`} width="100%" role="img" aria-label={`Reach ${height(d.reach_cm)}. ${says}`}>
      <rect x={0} y={0} width={w} height={Math.max(0, yOf(d.reach_cm))} fill="var(--autumn-wash)" opacity={0.5} />
      {firstHeld >= 0 && (
        <rect x={x0 + firstHeld * column} y={0} width={w} height={184} fill="var(--leaf-wash)" opacity={0.7} />
      )}
      {[...d.past, ...years].map((y, k) => (
        <g key={y.year}>
          {k > 0 && <path d={`M${String(k * column)} 0V184`} stroke="var(--rule)" />}
          <text x={k * column + 5} y={14} fontSize={12} fontWeight={k === d.past.length ? 700 : 400}>
            {y.year}
            {k === d.past.length ? ', this year' : ''}
          </text>
        </g>
      ))}
      <path
        d={`M0 ${yOf(d.reach_cm).toFixed(1)}H${String(w)}`}
        stroke="var(--leaf)"
        strokeWidth={1.8}
        strokeDasharray="9 4"
      />
      <text x={5} y={yOf(d.reach_cm) + 14} fontSize={12} fontWeight={700} fill="var(--leaf)" className="halo">
        reach {height(d.reach_cm)}
      </text>
      {d.past.map((p, k) =>
        p.height_cm ? (
          <g key={p.year}>
            <path
              d={`M${String(k * column + 4)} ${yOf(p.height_cm).toFixed(1)}h${String(column - 8)}`}
              stroke="var(--ink)"
              strokeWidth={2}
            />
          </g>
        ) : null,
      )}
      {years.map((y, k) => (
        <YearLine
          key={y.year}
          y={y}
          x={x0 + k * column}
          first={k === 0}
          last={k === years.length - 1}
          yOf={yOf}
          height={units === 'metric' ? height : (cm) => tight(cm, units)}
        />
      ))}
      {[...d.past, ...years].map((y, k) => {
        const x = k * column + 8;
        const plan = years[k - d.past.length];
        const winterShare = plan ? plan.winter_share : y.account;
        const winterMinutes = plan ? plan.winter_minutes : y.minutes;
        const look = !plan ? 'past' : k === d.past.length ? 'now' : 'then';
        return (
          <g key={y.year}>
            <Bar x={x} foot={shareFoot} of={mostShare} winter={winterShare} all={y.account} look={look} />
            <path
              d={`M${String(x - 4)} ${(shareFoot - (d.limit / mostShare) * barTall).toFixed(1)}h22`}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
            <text x={x + 24} y={shareFoot} fontSize={12}>
              {percent(y.account)}
            </text>
            <Bar x={x} foot={minutesFoot} of={mostMinutes} winter={winterMinutes} all={y.minutes} look={look} />
            <text x={x + 24} y={minutesFoot} fontSize={12}>
              {Math.round(y.minutes)} min
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** One year of the forecast: as it stands, the winter's cuts, growth, the summer's, and what is left of growth. */
function YearLine({
  y,
  x,
  first,
  last,
  yOf,
  height,
}: {
  y: Year;
  x: number;
  first: boolean;
  last: boolean;
  yOf: (cm: number) => number;
  height: (cm: number) => string;
}) {
  const winter = y.height_winter_cm ?? y.height_before_cm;
  const day = y.height_day_cm ?? y.height_cut_cm;
  const at = (part: number) => x + part * column;
  const dots = {
    fill: 'none',
    stroke: 'var(--ink)',
    strokeWidth: 2.2,
    strokeLinecap: 'round',
    strokeDasharray: '0 4.6',
  } as const;
  return (
    <g>
      <path
        d={`M${at(0).toFixed(1)} ${yOf(y.height_before_cm).toFixed(1)}H${at(0.22).toFixed(1)}`}
        {...(first ? { fill: 'none', stroke: 'var(--ink)', strokeWidth: 2 } : dots)}
      />
      <Fall x={at(0.22)} from={yOf(y.height_before_cm)} to={yOf(winter)} winter />
      <path
        d={`M${at(0.22).toFixed(1)} ${yOf(winter).toFixed(1)}L${at(0.6).toFixed(1)} ${yOf(day).toFixed(1)}`}
        {...dots}
      />
      {y.height_day_cm ? <Fall x={at(0.62)} from={yOf(day)} to={yOf(y.height_cut_cm)} winter={false} /> : null}
      <path
        d={`M${at(0.62).toFixed(1)} ${yOf(y.height_cut_cm).toFixed(1)}L${at(1).toFixed(1)} ${yOf(y.height_cm).toFixed(1)}`}
        {...dots}
      />
      <text
        x={last ? at(1) : at(0.66)}
        y={yOf(y.height_cut_cm) + 15}
        fontSize={12}
        fontWeight={700}
        textAnchor={last ? 'end' : 'start'}
        className="halo"
      >
        {height(y.height_cut_cm)}
      </text>
      {first && (
        <text x={at(0.04)} y={yOf(y.height_before_cm) + 15} fontSize={12} fontWeight={700} className="halo">
          {height(y.height_before_cm)}
        </text>
      )}
    </g>
  );
}

function Fall({ x, from, to, winter }: { x: number; from: number; to: number; winter: boolean }) {
  if (to - from < 3) return null;
  const colour = winter ? 'var(--winter)' : 'var(--summer)';
  return (
    <g>
      <path
        d={`M${x.toFixed(1)} ${from.toFixed(1)}V${(to - 5).toFixed(1)}`}
        stroke={colour}
        strokeWidth={2.4}
        strokeDasharray={winter ? undefined : '7 3'}
      />
      <path d={`M${(x - 4.5).toFixed(1)} ${(to - 7).toFixed(1)}h9l-4.5 7Z`} fill={colour} />
    </g>
  );
}

/** Winter below, summer on it: past filled, this year hollow, what is foreseen dotted. */
function Bar({
  x,
  foot,
  of,
  winter,
  all,
  look,
}: {
  x: number;
  foot: number;
  of: number;
  winter: number;
  all: number;
  look: 'past' | 'now' | 'then';
}) {
  const tall = (v: number) => (v / of) * barTall;
  const dash = look === 'then' ? '1.5 2.5' : undefined;
  return (
    <g>
      <path d={`M${String(x - 4)} ${String(foot)}h24`} stroke="var(--rule-strong)" />
      <rect
        x={x}
        y={foot - tall(winter)}
        width={14}
        height={tall(winter)}
        fill={look === 'past' ? 'var(--winter)' : 'none'}
        stroke="var(--winter)"
        strokeWidth={1.4}
        strokeDasharray={dash}
      />
      <rect
        x={x}
        y={foot - tall(all)}
        width={14}
        height={tall(Math.max(0, all - winter))}
        fill={look === 'past' ? 'var(--summer)' : 'none'}
        stroke="var(--summer)"
        strokeWidth={1.4}
        strokeDasharray={dash}
      />
    </g>
  );
}

const mostListed = 6;

function Cuts({ name, list }: { name: string; list: readonly string[] }) {
  return (
    <p className="sm">
      <b>{name}:</b> {list.length === 0 ? 'nothing' : list.slice(0, mostListed).join('; ')}
      {list.length > mostListed ? `; and ${String(list.length - mostListed)} more` : ''}
    </p>
  );
}
