import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { api, ask, need, type Schemas } from '../shared/api';
import { plain, weekday } from '../shared/day';
import { wrote } from '../shared/stale';
import { fitRuns } from '../shared/fit';
import { say, type Units } from '../shared/units';
import { OwnWeather } from './OwnWeather';
import css from './yard.module.css';

type Sky = Schemas['SkyBody'];
type SkyDay = Schemas['SkyDayBody'];
type FitRow = Schemas['FitRowBody'];

/** How often an open screen asks whether a newer forecast has come. */
const pollMs = 60_000;

export function useSky(slug: string) {
  const client = useQueryClient();
  const sky = ask.useQuery(
    'get',
    '/api/orchards/{slug}/weather',
    { params: { path: { slug } } },
    { refetchInterval: pollMs },
  );
  const got = sky.data?.got ?? '';
  const had = useRef(got);
  useEffect(() => {
    if (had.current !== '' && got !== had.current) void wrote(client); // a newer forecast: every date may have moved
    had.current = got;
  }, [client, got]);
  return sky;
}

/** Asks the station now; a new forecast moves every date. */
function useAsk(slug: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => need(api.POST('/api/orchards/{slug}/weather/ask', { params: { path: { slug } } })),
    onSuccess: () => wrote(client),
  });
}

/** The fortnight ahead: how warm, how wet, how windy, and for which work its days are fit. */
export function WeatherStrip({ slug, units }: { slug: string; units: Units }) {
  const sky = useSky(slug);
  const ask = useAsk(slug);
  const s = sky.data;
  if (!s) return null;
  const ahead = s.days.filter((d) => !d.past);
  return (
    <section className={css.sky} aria-label="The fortnight">
      <header>
        <h2>The fortnight</h2>
        <p className="sm q">
          {s.says} {s.differs}
        </p>
      </header>
      {s.trouble && (
        <p className="sm over" role="status">
          The weather station: {s.trouble.replace(/\.$/, '')}.{' '}
          {s.got && `It last answered well on ${plain(s.got.slice(0, 10))}.`}{' '}
          <button type="button" className="plain" disabled={ask.isPending} onClick={() => ask.mutate()}>
            Ask it again
          </button>
        </p>
      )}
      {s.notices.map((n) => (
        <p key={n} className="over" role="status">
          {n}
        </p>
      ))}
      {ahead.length > 0 && <Table sky={s} days={ahead} units={units} />}
      <OwnWeather slug={slug} today={s.day} units={units} />
    </section>
  );
}

function Table({ sky, days, units }: { sky: Sky; days: readonly SkyDay[]; units: Units }) {
  const low = Math.min(-2, ...days.map((d) => d.tmin_c));
  const high = Math.max(5, ...days.map((d) => d.tmax_c));
  return (
    // it scrolls on a phone, so it must be reached by keys
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
    <div className={css.skyscroll} role="region" aria-label="Days" tabIndex={0}>
      <table className={css.skytable}>
        <thead>
          <tr>
            <td />
            {days.map((d, i) => (
              <th key={d.date} scope="col" className={i > 10 ? css.far : undefined}>
                {weekday(d.date)}
                <br />
                <span className="num">{Number(d.date.slice(8))}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">{units === 'us' ? '°F' : '°C'}</th>
            {days.map((d) => (
              <td key={d.date}>
                <Warmth day={d} low={low} high={high} units={units} />
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">rain, {units === 'us' ? 'in' : 'mm'}</th>
            {days.map((d) => (
              <td key={d.date} className="num">
                {d.rain_mm >= 0.2 ? (
                  say(Math.max(1, Math.round(d.rain_mm)), 'mm', units).replace(/ .*$/, '')
                ) : (
                  <span className="q">{d.pop >= 0.3 ? `${String(Math.round(d.pop * 100))} %` : 'dry'}</span>
                )}
              </td>
            ))}
          </tr>
          <tr>
            <th scope="row">gusts, {units === 'us' ? 'mph' : 'km/h'}</th>
            {days.map((d) => (
              <td key={d.date} className={d.gust_kmh > 45 ? 'num over' : 'num q'}>
                {Math.round(units === 'us' ? d.gust_kmh * 0.621371 : d.gust_kmh)}
              </td>
            ))}
          </tr>
          {sky.fits.map((row) => (
            <Fits key={row.purpose} row={row} />
          ))}
        </tbody>
      </table>
      <ul className="bare sm">
        {sky.fits.map((row) => (
          <li key={row.purpose}>{row.next}</li>
        ))}
      </ul>
    </div>
  );
}

/** Lowest to highest as a bar, freezing as a line across all days. */
function Warmth({ day, low, high, units }: { day: SkyDay; low: number; high: number; units: Units }) {
  const h = 46;
  const y = (c: number) => 12 + ((high - c) / (high - low)) * (h - 24);
  const t = (c: number) => Math.round(units === 'us' ? (c * 9) / 5 + 32 : c);
  const hard = day.tmin_c < 0;
  return (
    <svg
      width="100%"
      height={h}
      viewBox={`0 0 40 ${String(h)}`}
      role="img"
      aria-label={`${String(t(day.tmin_c))} to ${String(t(day.tmax_c))}`}
    >
      <path d={`M0 ${String(y(0))}H40`} stroke="var(--winter)" strokeWidth={0.8} strokeDasharray="2 2" />
      <path
        d={`M20 ${String(y(day.tmax_c))}V${String(y(day.tmin_c))}`}
        stroke={hard ? 'var(--winter)' : 'var(--summer)'}
        strokeWidth={5}
        strokeLinecap="round"
      />
      <text x={20} y={y(day.tmax_c) - 4} fontSize={10} textAnchor="middle" fill="var(--ink)">
        {t(day.tmax_c)}
      </text>
      <text x={20} y={y(day.tmin_c) + 12} fontSize={10} textAnchor="middle" fill="var(--ink)">
        {t(day.tmin_c)}
      </text>
    </svg>
  );
}

/** A kind of work: fit days filled; a reason stands once for the run of days it holds for. */
function Fits({ row }: { row: FitRow }) {
  return (
    <tr>
      <th scope="row">{row.name}</th>
      {fitRuns(row.days).map((r) => (
        <td key={r.from} colSpan={r.n} className={r.fit ? css.fit : css.unfit}>
          <span>{r.fit ? 'fit' : r.why}</span>
        </td>
      ))}
    </tr>
  );
}
