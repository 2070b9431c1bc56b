import { Link, useParams } from 'react-router';
import { language, plain } from '../shared/day';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { say } from '../shared/units';
import { StakeLabel } from '../drawing/StakeLabel';
import { shareOfYear } from '../drawing/time';
import { ColdWarmth } from './ColdWarmth';
import { FrostNights } from './FrostNights';
import { first, hues, span, useSeason, type Scale, type SeasonOf } from './season';
import { SeeToday } from './SeeToday';
import { Stages } from './Stages';
import css from './season.module.css';

/** One tree's season on the rail's own scale: cold, warmth, stages, frost and fruit against what they ask for. */
export default function Season() {
  const { id = '' } = useParams();
  const { orchard, plan, units } = useHere();
  const { settled, today } = useShown();
  const asked = useSeason(orchard.slug, id, settled);
  const [ref, width] = useWidth(1280);
  const s = asked.data;
  if (asked.error && !s)
    return (
      <div className="page">
        <Trouble error={asked.error} holds="The other screens stand as they were." />
      </div>
    );
  const phone = width < 700;
  const left = phone ? 8 : 216;
  const right = phone ? 8 : 24;
  const alike = (plan?.trees ?? []).filter((t) => t.kind_name === s?.kind_name);
  const scale: Scale | undefined = s && {
    x: (d) => left + shareOfYear(d, s.from, s.to) * (width - left - right),
    left,
    right,
    width,
    from: s.from,
    to: s.to,
    day: s.day,
    phone,
  };
  return (
    <div ref={ref} className={css.season}>
      {!s || !scale ? (
        <p className="page q">Working out its season.</p>
      ) : (
        <>
          <header className="title">
            <StakeLabel code={s.code} />
            <h1>
              {s.kind_name} {s.name && `‘${s.name}’`}
            </h1>
            <span className="sm q">its season, leaf fall to leaf fall</span>
            <span className="spacer" />
            <Link className="sm" to={`/${orchard.slug}/trees/${encodeURIComponent(id)}`}>
              Bench
            </Link>
            <Link className="sm" to={`/${orchard.slug}/thinning/${id}`}>
              Thinning
            </Link>
          </header>
          {s.says.length > 0 && (
            <ul className="bare says sm">
              {s.says.map((w) => (
                <li key={w}>{w}</li>
              ))}
            </ul>
          )}
          <ColdWarmth s={s} scale={scale} units={units} />
          <Stages s={s} scale={scale} />
          <FrostNights s={s} scale={scale} units={units} />
          <div className="three">
            <SeeToday s={s} slug={orchard.slug} today={today} alike={alike} />
            <Right s={s} />
            <Figures s={s} units={units} />
          </div>
        </>
      )}
    </div>
  );
}

/** How far last season's stages came from the middle of what was said of them. */
function Right({ s }: { s: SeasonOf }) {
  const r = s.right;
  const w = 396;
  const row = 30;
  const most = Math.max(8, ...(r?.rows ?? []).map((x) => Math.max(Math.abs(x.days_late), -x.span_early, x.span_late)));
  const x = (d: number) => 226 + (d / most) * 100;
  return (
    <section className="right" aria-label="How right it was">
      <header>
        <h2>How right it was{r ? ` in ${String(r.season)}` : ''}</h2>
        <span className="sm q">{r?.says}</span>
      </header>
      {!r && (
        <p className="sm q">
          Log what you see for a season: from then on the forecast is held against it here, and learns from it.
        </p>
      )}
      {r && (
        <>
          <svg
            viewBox={`0 0 ${String(w)} ${String(r.rows.length * row + 22)}`}
            width="100%"
            role="img"
            aria-label={r.rows.map((t) => `${t.name}: ${lateWords(t.days_late)}`).join('; ')}
          >
            <text x={x(0)} y={12} fontSize={12} textAnchor="middle" style={{ fill: 'var(--quiet)' }}>
              as said
            </text>
            {r.rows.map((t, i) => {
              const y = 22 + i * row;
              const hue = hues[t.group] ?? hues.bloom;
              return (
                <g key={t.stage} fontSize={13}>
                  <text x={0} y={y + 14}>
                    {first(t.name)}
                  </text>
                  <rect
                    x={x(t.span_early)}
                    y={y + 2}
                    width={Math.max(2, x(t.span_late) - x(t.span_early))}
                    height={14}
                    fill={hue?.line}
                    opacity={0.28}
                  />
                  <path
                    d={`M${String(x(t.span_early))} ${String(y + 17)}H${String(x(t.span_late))}`}
                    stroke={hue?.line}
                    strokeWidth={1.6}
                  />
                  <path d={`M${String(x(t.days_late))} ${String(y)}v18`} stroke="var(--ink)" strokeWidth={2} />
                  <circle cx={x(t.days_late)} cy={y + 1} r={3.6} fill="var(--ink)" />
                  <text
                    x={w}
                    y={y + 14}
                    textAnchor="end"
                    fontWeight={t.inside ? 400 : 700}
                    style={{ fill: t.inside ? 'var(--ink)' : 'var(--autumn-text)' }}
                  >
                    {lateWords(t.days_late)}
                  </text>
                </g>
              );
            })}
            <path d={`M${String(x(0))} 18V${String(r.rows.length * row + 20)}`} stroke="var(--ink)" />
          </svg>
          <p className="sm q">Spans as said on {plain(r.as_of)}.</p>
        </>
      )}
    </section>
  );
}

const lateWords = (d: number) => (d === 0 ? 'on the day' : d > 0 ? `${String(d)} late` : `${String(-d)} early`);

/** All of it once more as figures. */
function Figures({ s, units }: { s: SeasonOf; units: 'metric' | 'us' }) {
  const last = s.fruit.measured.at(-1);
  return (
    <section className="figures" aria-label="The same in figures">
      <header>
        <h2>The same in figures</h2>
        <span className="sm q">last forecast, and what came</span>
      </header>
      <table>
        <thead>
          <tr>
            <td />
            <th scope="col">Forecast</th>
            <th scope="col">Seen or measured</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Cold, {s.chill.need} portions</th>
            <td>{s.chill.met_early && s.chill.met_late ? span(s.chill.met_early, s.chill.met_late) : 'not met'}</td>
            <td>
              {s.chill.met && s.chill.met <= s.day ? `met ${plain(s.chill.met)}` : `${String(s.chill.got)} so far`}
            </td>
          </tr>
          <tr>
            <th scope="row">Warmth, {s.warmth.heat_gdh.toLocaleString(language)}</th>
            <td />
            <td>{Math.floor(s.warmth.got * 100)} %</td>
          </tr>
          {s.stages.map((r) => {
            const now = r.forecasts.at(-1);
            return (
              <tr key={r.stage}>
                <th scope="row">{first(r.name)}</th>
                <td>{now ? span(now.early, now.late) : ''}</td>
                <td>{r.seen ? plain(r.seen) : '–'}</td>
              </tr>
            );
          })}
          <tr>
            <th scope="row">Fruit</th>
            <td>{s.fruit.curve.length > 0 ? `${say(s.fruit.ripe_mm, 'mm', units)} when picked` : 'none'}</td>
            <td>{last ? `${say(last.value, 'mm', units)}, ${plain(last.date)}` : '–'}</td>
          </tr>
          <tr>
            <th scope="row">Frost nights</th>
            <td />
            <td>
              {s.frost.nights.filter((n) => !n.ahead).length}
              {s.frost.table && `, ${String(Math.round(s.frost.alive * 100))} % alive`}
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  );
}
