import { plain } from '../shared/day';
import { count, showTemp, type Units } from '../shared/units';
import { Band } from './Band';
import { path, type Scale, type SeasonOf } from './season';
import css from './season.module.css';

const zero = 12;
const floor = 88;

/** Nights of frost hang from freezing; the line tells what kills one bud in ten; a night with loss is thick, with what is alive after it. */
export function FrostNights({ s, scale, units }: { s: SeasonOf; scale: Scale; units: Units }) {
  const { x } = scale;
  const f = s.frost;
  const worst = Math.min(-6, ...f.nights.map((n) => n.tmin_c));
  const deg = Math.min(5.7, (floor - zero) / -worst);
  const y = (c: number) => Math.min(floor, zero - c * deg);
  const line = f.hardy.filter((p) => zero - p.value * deg <= floor);
  const known = line.filter((p) => p.date <= s.day);
  const ahead = line.filter((p) => p.date >= s.day);
  const hurt = f.nights.filter((n) => n.killed > 0.005 && !n.ahead);
  const said = hurt.filter((n, i) => {
    const after = hurt[i + 1];
    return !after || x(after.date) - x(n.date) > 44; // of a run of bad nights the last tells what is left
  });
  const t = (c: number) => `${showTemp(c, units)}°`;
  return (
    <Band
      title="Frost nights"
      words={
        <>
          {f.table && (
            <p>
              <b className={hurt.length > 0 ? `${css.share} over` : css.share}>{Math.round(f.alive * 100)} %</b>
              of the buds are alive
            </p>
          )}
          <p>{f.says}</p>
        </>
      }
      height={floor + 8}
      scale={scale}
      label={`${f.says} ${count(f.nights.filter((n) => !n.ahead).length, 'night')} of frost so far.`}
      months
    >
      <path d={`M${String(scale.left)} ${String(zero)}H${String(scale.width - scale.right)}`} stroke="var(--winter)" />
      <text x={scale.left - 6} y={zero + 4} fontSize={12} textAnchor="end" style={{ fill: 'var(--winter-text)' }}>
        {scale.phone ? '' : t(0)}
      </text>
      {f.nights.map((n) =>
        n.ahead ? (
          <circle key={n.date} cx={x(n.date)} cy={y(n.tmin_c)} r={2.2} fill="none" stroke="var(--winter)" />
        ) : (
          <path
            key={n.date}
            d={`M${x(n.date).toFixed(1)} ${String(zero)}V${y(n.tmin_c).toFixed(1)}`}
            stroke={n.killed > 0.005 ? 'var(--autumn)' : 'var(--winter)'}
            strokeWidth={n.killed > 0.005 ? 3 : 1.3}
            opacity={n.killed > 0.005 ? 1 : 0.7}
          />
        ),
      )}
      {known.length > 1 && (
        <path
          d={path(known.map((p) => [x(p.date), y(p.value)]))}
          fill="none"
          stroke="var(--spring)"
          strokeWidth={1.6}
        />
      )}
      {ahead.length > 1 && (
        <path
          d={path(ahead.map((p) => [x(p.date), y(p.value)]))}
          fill="none"
          stroke="var(--spring)"
          strokeWidth={1.6}
          strokeDasharray="1 3"
        />
      )}
      {ahead.length > 1 && !scale.phone && (
        <text
          x={x(ahead.at(-1)?.date ?? s.day) + 8}
          y={y(ahead.at(-1)?.value ?? 0) + 6}
          fontSize={12}
          className="halo"
          style={{ fill: 'var(--spring-text)' }}
        >
          one bud or fruitlet in ten dies below this line
        </text>
      )}
      {f.last_frost && f.last_frost >= s.day && (
        <g>
          <path d={`M${String(x(f.last_frost))} ${String(zero - 5)}v10`} stroke="var(--winter)" strokeWidth={1.8} />
          {!scale.phone && (
            <text
              x={x(f.last_frost) + 8}
              y={zero - 1}
              fontSize={12}
              className="halo"
              style={{ fill: 'var(--winter-text)' }}
            >
              last frost about {plain(f.last_frost)}, every other year
            </text>
          )}
        </g>
      )}
      {said.map((n, i) => (
        <text
          key={n.date}
          x={x(n.date) + (i === said.length - 1 ? 6 : -5)}
          y={Math.min(floor + 6, y(n.tmin_c) + 14)}
          fontSize={12}
          fontWeight={700}
          textAnchor={i === said.length - 1 ? 'start' : 'end'}
          className="halo"
          style={{ fill: 'var(--autumn-text)' }}
        >
          {Math.round(n.alive * 100)} %
        </text>
      ))}
    </Band>
  );
}
