import { monthName, monthStarts, plain, type Day } from '../shared/day';
import { useWidth } from '../shared/measure';
import { count, type Units } from '../shared/units';
import { shareOfYear } from '../drawing/time';
import type { Sight } from './draft';
import css from './place.module.css';

interface Props {
  sight: Sight;
  laterDays: number;
  warmerC: number;
  units: Units;
  onMove: (laterDays: number, warmerC: number) => void;
}

const mostDays = 14;
const mostC = 3;

/** What a grower sees of a place's year, to hold against what they remember, and two sliders that move it. */
export function SightOfYear({ sight, laterDays, warmerC, units, onMove }: Props) {
  const f = units === 'us';
  const degrees = (c: number) =>
    `${String(Math.round(Math.abs(c) * (f ? 1.8 : 1) * 10) / 10)}° ${c < 0 ? 'colder' : 'warmer'}`;
  return (
    <section className="sight" aria-label="What a grower sees here">
      <div className="grp">
        <h2 className="h3">What a grower sees here</h2>
        <span className="sm q">half the years fall within some days of these</span>
      </div>
      <p className={css.sightsays} role="status">
        {sight.says.map((p, i) => (
          <span key={i} className={p.of ? `of-${p.of}` : undefined}>
            {p.text}
          </span>
        ))}
      </p>
      <div className={css.sliders}>
        <label>
          <span>
            <b>The year comes</b>{' '}
            {laterDays === 0
              ? 'as found'
              : `${String(Math.abs(laterDays))} ${Math.abs(laterDays) === 1 ? 'day' : 'days'} ${laterDays < 0 ? 'earlier' : 'later'}`}
          </span>
          <input
            type="range"
            min={-mostDays}
            max={mostDays}
            step={1}
            value={laterDays}
            aria-valuetext={
              laterDays === 0
                ? 'as found'
                : `${count(Math.abs(laterDays), 'day')} ${laterDays < 0 ? 'earlier' : 'later'}`
            }
            onChange={(e) => onMove(Number(e.target.value), warmerC)}
          />
          <span className={`${css.ends} nt q`}>
            <span>two weeks earlier</span>
            <span>two weeks later</span>
          </span>
        </label>
        <label>
          <span>
            <b>Its days and nights are</b> {warmerC === 0 ? 'as found' : degrees(warmerC)}
          </span>
          <input
            type="range"
            min={-mostC}
            max={mostC}
            step={0.5}
            value={warmerC}
            aria-valuetext={warmerC === 0 ? 'as found' : degrees(warmerC)}
            onChange={(e) => onMove(laterDays, Number(e.target.value))}
          />
          <span className={`${css.ends} nt q`}>
            <span>{degrees(-mostC)}</span>
            <span>{degrees(mostC)}</span>
          </span>
        </label>
      </div>
      <YearStrip sight={sight} />
      <p className="sm">{sight.winters}</p>
    </section>
  );
}

/** The year of a place on the scale of the season rail. */
function YearStrip({ sight }: { sight: Sight }) {
  const [ref, width] = useWidth(860);
  const x = (d: Day) => shareOfYear(d, sight.from, sight.to) * width;
  const span = (from: Day | undefined, to: Day | undefined, hue: string, name: string, at: number) => {
    if (!from || !to) return null;
    const end = x(to) > width * 0.6;
    return (
      <g>
        <rect
          x={x(from)}
          y={at}
          width={Math.max(3, x(to) - x(from))}
          height={16}
          fill={`var(--${hue}-wash)`}
          stroke={`var(--${hue})`}
        />
        <text
          x={end ? x(from) - 6 : x(to) + 6}
          y={at + 13}
          fontSize={13}
          textAnchor={end ? 'end' : 'start'}
          style={{ fill: `var(--${hue}-text)` }}
        >
          {name}
        </text>
      </g>
    );
  };
  return (
    <div ref={ref} className={css.yearstrip}>
      <svg width={width} height={104} aria-hidden="true">
        {monthStarts(sight.from, sight.to).map((m) => (
          <g key={m}>
            <path d={`M${String(x(m) + 0.5)} 2V92`} stroke="var(--rule)" />
            <text x={x(m) + 5} y={13} fontSize={12}>
              {width > 600 ? monthName(m) : monthName(m).slice(0, 1)}
            </text>
          </g>
        ))}
        <circle cx={x(sight.winter_solstice)} cy={9} r={4} fill="var(--ground)" stroke="var(--ink)" />
        <circle cx={x(sight.summer_solstice)} cy={9} r={4} fill="var(--summer)" stroke="var(--ink)" />
        {span(sight.peach_from, sight.peach_to, 'spring', 'peach flowers', 24)}
        {span(sight.apples_from, sight.apples_to, 'autumn', 'middle apples', 46)}
        <path d={`M0 72.5H${String(width)}`} stroke="var(--ink)" />
        {sight.last_frost && (
          <g>
            <path d={`M${String(x(sight.last_frost))} 66v26`} stroke="var(--winter)" strokeWidth={2} />
            <text x={x(sight.last_frost) + 6} y={90} fontSize={13} style={{ fill: 'var(--winter-text)' }}>
              last frost {plain(sight.last_frost)}
            </text>
          </g>
        )}
        {sight.first_frost && sight.first_frost <= sight.to && (
          <g>
            <path d={`M${String(x(sight.first_frost))} 66v26`} stroke="var(--winter)" strokeWidth={2} />
            <text
              x={x(sight.first_frost) - 6}
              y={90}
              fontSize={13}
              textAnchor="end"
              style={{ fill: 'var(--winter-text)' }}
            >
              first frost {plain(sight.first_frost)}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}
