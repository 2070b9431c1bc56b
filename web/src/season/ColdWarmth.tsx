import { plain } from '../shared/day';
import { say, type Units } from '../shared/units';
import { Band } from './Band';
import { path, type Scale, type SeasonOf } from './season';
import css from './season.module.css';

const top = 30; // the one line of all three needs
const base = 134;
const h = base - top;

/** Cold as a stair of portions, warmth after it, then the fruit's size: each scaled so that its need lies on the one dashed line. */
export function ColdWarmth({ s, scale, units }: { s: SeasonOf; scale: Scale; units: Units }) {
  const { x } = scale;
  const met = s.chill.met;
  const mm = (v: number) => base - (h * v) / (s.fruit.ripe_mm || 1);
  const cold = s.chill.days.filter((d) => d.date <= s.day);
  const coldAhead = s.chill.days.filter((d) => d.date >= s.day);
  const need = s.chill.need || 1; // of a tree that asks for none the first portion is all of it
  const yCold = (v: number) => base - (h * Math.min(v, need * 1.08)) / need;
  const stair = () => {
    let d = '';
    let last = -1;
    for (const c of cold) {
      const step = Math.floor(c.value);
      if (step === last) continue;
      d += d === '' ? `M${x(c.date).toFixed(1)} ${String(base)}` : `H${x(c.date).toFixed(1)}`;
      d += `V${yCold(step).toFixed(1)}`;
      last = step;
    }
    const end = cold.at(-1);
    return end ? `${d}H${x(end.date).toFixed(1)}` : '';
  };
  const warm = s.warmth.days.filter((d) => d.date <= s.day);
  const warmAhead = s.warmth.days.filter((d) => d.date >= s.day);
  const yWarm = (v: number) => base - h * v;
  const curve = s.fruit.curve.map((c) => [x(c.date), mm(c.value)] as const);
  const bloomEnd = s.warmth.days.at(-1)?.date;
  const points = s.fruit.measured;
  return (
    <Band
      title="Cold, warmth, size"
      words={
        <>
          <p>{s.chill.says}</p>
          <p style={{ color: 'var(--spring-text)' }}>{s.warmth.says}</p>
          <p className="q">{s.fruit.says}</p>
        </>
      }
      height={150}
      scale={scale}
      label={`${s.chill.says} ${s.warmth.says} ${s.fruit.says}`}
    >
      <defs>
        <pattern id="sizeband" width="4" height="4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V4" stroke="var(--leaf)" strokeWidth="1" />
        </pattern>
      </defs>
      {stair() && (
        <>
          <path d={`${stair()}V${String(base)}Z`} fill="var(--winter-wash)" />
          <path d={stair()} fill="none" stroke="var(--winter)" strokeWidth={1.4} />
        </>
      )}
      {coldAhead.length > 1 && (
        <path
          d={path(coldAhead.map((c) => [x(c.date), yCold(c.value)]))}
          fill="none"
          stroke="var(--winter)"
          strokeDasharray="1 3"
          strokeWidth={1.6}
        />
      )}
      <path
        d={`M${String(x(s.chill.days[0]?.date ?? s.from))} ${String(top)}H${String(x(bloomEnd ?? met ?? s.day))}`}
        stroke="var(--ink)"
        strokeWidth={1.2}
        strokeDasharray="5 3"
      />
      <text x={x(s.chill.days[0]?.date ?? s.from) + 6} y={top - 7} fontSize={12} style={{ fill: 'var(--winter-text)' }}>
        need: {s.chill.need} portions
      </text>
      {met && (
        <g>
          <path d={`M${String(x(met))} ${String(top - 12)}V${String(base)}`} stroke="var(--winter)" strokeWidth={1.8} />
          <path
            d={`M${String(x(met))} ${String(top - 12)}h-7v5.5h7z`}
            fill={met <= s.day ? 'var(--winter)' : 'var(--ground)'}
            stroke="var(--winter)"
          />
          {!scale.phone && (
            <text
              x={x(met) + 6}
              y={top - 7}
              fontSize={12}
              fontWeight={700}
              style={{ fill: met <= s.day ? 'var(--winter-text)' : 'var(--quiet)' }}
            >
              {met <= s.day ? 'met' : 'met about'} {plain(met)}
            </text>
          )}
        </g>
      )}
      {!met && cold.length > 0 && (
        <text x={x(cold.at(-1)?.date ?? s.day) + 6} y={yCold(s.chill.got) - 6} fontSize={12} className={css.short}>
          {String(Math.max(0, Math.round(s.chill.need - s.chill.got)))} short
        </text>
      )}
      {warm.length > 1 && (
        <>
          <path
            d={`${path(warm.map((c) => [x(c.date), yWarm(c.value)]))}V${String(base)}H${String(x(warm[0]?.date ?? s.day))}Z`}
            fill="var(--spring-wash)"
          />
          <path
            d={path(warm.map((c) => [x(c.date), yWarm(c.value)]))}
            fill="none"
            stroke="var(--spring)"
            strokeWidth={1.6}
          />
        </>
      )}
      {warmAhead.length > 1 && (
        <path
          d={path(warmAhead.map((c) => [x(c.date), yWarm(c.value)]))}
          fill="none"
          stroke="var(--spring)"
          strokeDasharray="1 3"
          strokeWidth={1.6}
        />
      )}
      {curve.length > 1 && (
        <g>
          <path
            d={`${path(curve.map(([a, b], i) => [a, b - 1 - i * 0.5] as const))}${path(
              [...curve].reverse().map(([a, b], i) => [a, b + 1 + (curve.length - 1 - i) * 0.5] as const),
            ).replace('M', 'L')}Z`}
            fill="url(#sizeband)"
            opacity={0.5}
          />
          <path
            d={path(curve)}
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={2.2}
            strokeDasharray=".1 4"
            strokeLinecap="round"
          />
          <path
            d={`M${String(curve[0]?.[0] ?? 0)} ${String(top)}H${String(curve.at(-1)?.[0] ?? 0)}`}
            stroke="var(--ink)"
            strokeWidth={1.2}
            strokeDasharray="5 3"
          />
          {!scale.phone && (
            <text x={curve[0]?.[0] ?? 0} y={top - 7} fontSize={12} style={{ fill: 'var(--leaf)' }}>
              picking size: {say(s.fruit.ripe_mm, 'mm', units)}
            </text>
          )}
        </g>
      )}
      {points.length > 1 && (
        <path
          d={path(points.map((p) => [x(p.date), mm(p.value)]))}
          fill="none"
          stroke={s.fruit.of === s.season ? 'var(--ink)' : 'var(--quiet)'}
          strokeWidth={1.2}
        />
      )}
      {points.map((p) => (
        <g key={p.date}>
          <circle
            cx={x(p.date)}
            cy={mm(p.value)}
            r={4.2}
            fill={s.fruit.of === s.season ? 'var(--ink)' : 'var(--quiet)'}
            stroke="var(--ground)"
            strokeWidth={1.4}
          />
          <text x={x(p.date) + 8} y={mm(p.value) + 14} fontSize={12} fontWeight={700}>
            {say(p.value, 'mm', units)}
          </text>
        </g>
      ))}
    </Band>
  );
}
