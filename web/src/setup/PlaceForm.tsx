import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, faultOf, need, Refused, type Schemas, type Site } from '../shared/api';
import { readDegrees } from '../place/coordinates';
import { clockOffset } from '../place/draft';
import { Trouble, Warnings } from '../shared/Trouble';
import { degree, read, show, showTemp, unitOf, type Units } from '../shared/units';

interface Props {
  name: string;
  site?: Site | undefined;
  units: Units;
  onSite: (site: Site, from: string) => void;
  act: string;
}

type Near = Schemas['NearClimate'];

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const rows = [
  { key: 'tmax', label: 'Warmest of the day', as: 'warmth' },
  { key: 'tmin', label: 'Coldest of the night', as: 'warmth' },
  { key: 'rain_mm', label: 'Rain', as: 'rain' },
  { key: 'rain_days', label: 'Days with rain', as: 'plain' },
  { key: 'wind_kmh', label: 'Wind', as: 'wind' },
  { key: 'sun_frac', label: 'Share of sun', as: 'share' },
] as const;

const kmInMile = 1.609344;

/** How a row of the table is read in the person's units: in x per + from, as the program keeps it. */
const read1: Record<
  (typeof rows)[number]['as'],
  Record<Units, { unit: string; per: number; from: number; digits: number }>
> = {
  warmth: {
    metric: { unit: '°C', per: 1, from: 0, digits: 1 },
    us: { unit: '°F', per: 1 / 1.8, from: -32 / 1.8, digits: 1 },
  },
  rain: { metric: { unit: 'mm', per: 1, from: 0, digits: 1 }, us: { unit: 'in', per: 25.4, from: 0, digits: 2 } },
  plain: { metric: { unit: '', per: 1, from: 0, digits: 1 }, us: { unit: '', per: 1, from: 0, digits: 1 } },
  wind: {
    metric: { unit: 'km/h', per: 1, from: 0, digits: 1 },
    us: { unit: 'mph', per: kmInMile, from: 0, digits: 1 },
  },
  share: { metric: { unit: '0-1', per: 1, from: 0, digits: 2 }, us: { unit: '0-1', per: 1, from: 0, digits: 2 } },
};

/** The place: coordinates, the nearest shipped climate, shifted for height and known frosts, or one's own numbers. */
export function PlaceForm({ name, site, units, onSite, act }: Props) {
  const [lat, setLat] = useState(site ? String(site.lat) : '');
  const [lon, setLon] = useState(site ? String(site.lon) : '');
  const [elev, setElev] = useState(site ? show(site.elev_m, 'm', units) : '');
  const [spring, setSpring] = useState('');
  const [autumn, setAutumn] = useState('');
  const [csv, setCSV] = useState('');
  const [chosen, setChosen] = useState('');
  const [own, setOwn] = useState<Site | null>(null);
  const [latN, lonN] = [readDegrees(lat) ?? NaN, readDegrees(lon) ?? NaN];
  const placed = Number.isFinite(latN) && Number.isFinite(lonN);
  const unread = (text: string, n: number) => text.trim() !== '' && !Number.isFinite(n);
  const near = ask.useQuery(
    'get',
    '/api/climates',
    { params: { query: { lat: latN, lon: lonN } } },
    { enabled: placed, retry: false },
  );
  const base: Site | undefined =
    own ??
    (near.data?.find((n) => n.site.slug === chosen) ?? (site && !chosen ? undefined : near.data?.[0]))?.site ??
    site;
  const shape = useMutation({
    mutationFn: (b: Site) => {
      const e = read(elev, 'm', units);
      return need(
        api.POST('/api/place', {
          body: {
            base: b,
            name,
            lat: latN,
            lon: lonN,
            utc_offset_min: site?.utc_offset_min ?? clockOffset(),
            ...(e !== undefined && b !== site && !own ? { elev_m: e } : {}),
            ...(spring ? { last_spring_frost: spring } : {}),
            ...(autumn ? { first_autumn_frost: autumn } : {}),
            ...(csv ? { csv } : {}),
          },
        }),
      );
    },
  });
  const bad = (f: string) =>
    faultOf(
      near.error instanceof Refused ? near.error.fields : shape.error instanceof Refused ? shape.error.fields : [],
      f,
    );
  const edit = (row: (typeof rows)[number], m: number, text: string) => {
    const b = own ?? base;
    if (!b) return;
    const list = [...(b[row.key] ?? [])];
    const { per, from } = read1[row.as][units];
    list[m] = text === '' ? NaN : Math.round((Number(text) * per + from) * 1e4) / 1e4;
    setOwn({ ...b, [row.key]: list });
  };
  const shown = (row: (typeof rows)[number], v: number | undefined) => {
    const { per, from, digits } = read1[row.as][units];
    return v === undefined || !Number.isFinite(v) ? '' : String(Number(((v - from) / per).toFixed(digits)));
  };
  const take = () => {
    if (!base) return;
    shape.mutate(base, { onSuccess: (p) => onSite(p.site, csv ? 'own table' : own ? 'own numbers' : base.name) });
  };
  return (
    <div className="form">
      <div className="pair">
        <TextField
          label="Latitude, north +"
          value={lat}
          onChange={(e) => setLat(e.target.value)}
          error={!!bad('lat') || unread(lat, latN)}
          helperText={
            unread(lat, latN)
              ? 'degrees expected, as 47.1, 47,1 or 47°6′ N'
              : bad('lat')
                ? `${bad('lat')?.given ?? ''} given, ${bad('lat')?.expected ?? ''} expected`
                : 'south of the equator: minus'
          }
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <TextField
          label="Longitude, east +"
          value={lon}
          onChange={(e) => setLon(e.target.value)}
          error={!!bad('lon') || unread(lon, lonN)}
          helperText={
            unread(lon, lonN)
              ? 'degrees expected, as 8.5, 8,5 or 8°30′ E'
              : (bad('lon')?.expected ?? 'west of Greenwich: minus')
          }
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      </div>
      <div className="pair">
        <TextField
          label={`Height above sea, ${unitOf('m', units)}`}
          value={elev}
          onChange={(e) => setElev(e.target.value)}
          helperText="temperatures follow it"
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <span />
      </div>
      {near.data && (
        <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
          <legend className="sm q">Start from the climate that is most like yours</legend>
          {near.data.slice(0, 4).map((n) => (
            <ClimateChoice
              units={units}
              key={n.site.slug}
              n={n}
              checked={(base?.slug ?? '') === n.site.slug}
              onPick={() => {
                setChosen(n.site.slug);
                setOwn(null);
              }}
            />
          ))}
        </fieldset>
      )}
      <div className="pair">
        <TextField
          label="Last spring frost, MM-DD"
          value={spring}
          onChange={(e) => setSpring(e.target.value)}
          error={!!bad('last_spring_frost')}
          helperText={bad('last_spring_frost')?.expected ?? 'every other year, if you know it'}
          placeholder="05-04"
        />
        <TextField
          label="First autumn frost, MM-DD"
          value={autumn}
          onChange={(e) => setAutumn(e.target.value)}
          error={!!bad('first_autumn_frost')}
          helperText={bad('first_autumn_frost')?.expected ?? 'if you know it'}
          placeholder="10-18"
        />
      </div>
      <details>
        <summary className="sm q">Edit the twelve months, or read a table</summary>
        {base && (
          <div style={{ overflowX: 'auto' }}>
            <table className="list" style={{ marginTop: 8 }}>
              <thead>
                <tr>
                  <th scope="col">Normals</th>
                  {months.map((m) => (
                    <th key={m} scope="col" className="n">
                      {m}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {rows.map((r) => (
                  <tr key={r.key}>
                    <th scope="row">
                      {r.label} <span className="q">{read1[r.as][units].unit}</span>
                    </th>
                    {months.map((m, i) => (
                      <td key={m} className="n">
                        <input
                          aria-label={`${r.label}, ${m}`}
                          value={shown(r, base[r.key]?.[i])}
                          onChange={(e) => edit(r, i, e.target.value)}
                          type="number"
                          step="any"
                          style={{
                            width: 58,
                            font: 'inherit',
                            background: 'none',
                            color: 'inherit',
                            border: '1px solid var(--rule)',
                            borderRadius: 4,
                            textAlign: 'right',
                            padding: 2,
                          }}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
        <TextField
          sx={{ mt: 2 }}
          label="A table of twelve months (CSV)"
          multiline
          minRows={3}
          value={csv}
          onChange={(e) => setCSV(e.target.value)}
          helperText="first line: month, tmax, tmin, rain, rain_days; add _f, _in or _mph for those units"
        />
      </details>
      {shape.data && (
        <div className="sm q">
          Winters: {shape.data.cold}, {shape.data.wetness}.{' '}
          {shape.data.last_spring_50
            ? `Last spring frost about ${shape.data.last_spring_50}`
            : 'No spring frost in most years'}
          {shape.data.first_autumn_50 ? `, first autumn frost about ${shape.data.first_autumn_50}` : ''}.
        </div>
      )}
      <Warnings list={shape.data?.warnings ?? []} />
      <Trouble error={shape.error ?? near.error} holds="Nothing was changed." />
      <div className="acts">
        <Button variant="contained" onClick={take} disabled={!placed || !base || shape.isPending}>
          {act}
        </Button>
      </div>
    </div>
  );
}

interface ChoiceProps {
  n: Near;
  units: Units;
  checked: boolean;
  onPick: () => void;
}

function ClimateChoice({ n, units, checked, onPick }: ChoiceProps) {
  const mean = (a: number[] | null | undefined, i: number) =>
    Math.round(Number(showTemp(a?.[i] ?? 0, units).replace('−', '-')));
  return (
    <label
      style={{ display: 'flex', gap: 10, alignItems: 'baseline', padding: '6px 0', borderTop: '1px solid var(--rule)' }}
    >
      <input type="radio" name="climate" checked={checked} onChange={onPick} />
      <span>
        <b>{n.site.name}</b>{' '}
        <span className="sm q">
          {units === 'us'
            ? `${String(Math.round(n.distance_km / kmInMile))} miles`
            : `${String(Math.round(n.distance_km))} km`}{' '}
          away, {n.lat_diff_deg.toFixed(1)}° of latitude apart
          {n.mirrored ? ', turned by half a year' : ''}; January {mean(n.site.tmin, 0)} to {mean(n.site.tmax, 0)}{' '}
          {degree(units)}, July {mean(n.site.tmin, 6)} to {mean(n.site.tmax, 6)} {degree(units)}
        </span>
      </span>
    </label>
  );
}
