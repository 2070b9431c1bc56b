import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, ask, need, Refused, type Schemas, type Site } from '../shared/api';
import { readDegrees } from '../place/coordinates';
import { clockOffset } from '../place/draft';
import { fieldsOf } from '../shared/fields';
import { Trouble, Warnings } from '../shared/Trouble';
import { degree, plainNumber, showTemp, type Units } from '../shared/units';
import { kmInMile, MonthsTable } from './MonthsTable';
import css from './setup.module.css';

interface Props {
  name: string;
  site?: Site | undefined;
  units: Units;
  onSite: (site: Site, from: string) => void;
  act: string;
}

type Near = Schemas['NearClimate'];

/** What is typed of a place before it is shaped. */
interface Typed {
  lat: string;
  lon: string;
  elev_m: number | undefined;
  last_spring_frost: string;
  first_autumn_frost: string;
  csv: string;
}

const degreesAs = { lat: 'degrees, as 47.1, 47,1 or 47°6′ N', lon: 'degrees, as 8.5, 8,5 or 8°30′ E' };

/** The place: coordinates, the nearest shipped climate, shifted for height and known frosts, or one's own numbers. */
export function PlaceForm({ name, site, units, onSite, act }: Props) {
  const [d, setD] = useState<Typed>({
    lat: site ? String(site.lat) : '',
    lon: site ? String(site.lon) : '',
    elev_m: site?.elev_m,
    last_spring_frost: '',
    first_autumn_frost: '',
    csv: '',
  });
  const [chosen, setChosen] = useState('');
  const [own, setOwn] = useState<Site | null>(null);
  const [lat, lon] = [readDegrees(d.lat), readDegrees(d.lon)];
  const placed = lat !== undefined && lon !== undefined;
  const near = ask.useQuery(
    'get',
    '/api/climates',
    { params: { query: { lat: lat ?? 0, lon: lon ?? 0 } } },
    { enabled: placed, retry: false },
  );
  const base: Site | undefined =
    own ??
    (near.data?.find((n) => n.site.slug === chosen) ?? (site && !chosen ? undefined : near.data?.[0]))?.site ??
    site;
  const shape = useMutation({
    mutationFn: (b: Site) =>
      need(
        api.POST('/api/place', {
          body: {
            base: b,
            name,
            lat: lat ?? 0,
            lon: lon ?? 0,
            utc_offset_min: site?.utc_offset_min ?? clockOffset(),
            ...(d.elev_m !== undefined && b !== site && !own ? { elev_m: d.elev_m } : {}),
            ...(d.last_spring_frost ? { last_spring_frost: d.last_spring_frost } : {}),
            ...(d.first_autumn_frost ? { first_autumn_frost: d.first_autumn_frost } : {}),
            ...(d.csv ? { csv: d.csv } : {}),
          },
        }),
      ),
  });
  const unread = (['lat', 'lon'] as const)
    .filter((k) => d[k].trim() !== '' && readDegrees(d[k]) === undefined)
    .map((k) => ({ code: 'unread', field: k, given: d[k], expected: degreesAs[k], says: `${degreesAs[k]} expected` }));
  const refused = [near.error, shape.error].flatMap((e) => (e instanceof Refused ? e.fields : []));
  const f = fieldsOf(d, setD, units, [...unread, ...refused]);
  const take = () => {
    if (!base) return;
    shape.mutate(base, { onSuccess: (p) => onSite(p.site, d.csv ? 'own table' : own ? 'own numbers' : base.name) });
  };
  return (
    <div className="form">
      <div className="pair">
        {f.typed('lat', 'Latitude, north +', { helperText: 'south of the equator: minus' })}
        {f.typed('lon', 'Longitude, east +', { helperText: 'west of Greenwich: minus' })}
      </div>
      <div className="pair">
        {f.amount('elev_m', 'm', 'Height above sea', { helperText: 'temperatures follow it' })}
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
        {f.text('last_spring_frost', 'Last spring frost, MM-DD', {
          helperText: 'every other year, if you know it',
          placeholder: '05-04',
        })}
        {f.text('first_autumn_frost', 'First autumn frost, MM-DD', {
          helperText: 'if you know it',
          placeholder: '10-18',
        })}
      </div>
      <details className={css.own}>
        <summary className="sm q">Edit the twelve months, or read a table</summary>
        {base && <MonthsTable key={base.slug} site={base} units={units} onSite={setOwn} />}
        {f.text('csv', 'A table of twelve months (CSV)', {
          sx: { mt: 2 },
          multiline: true,
          minRows: 3,
          helperText: 'first line: month, tmax, tmin, rain, rain_days; add _f, _in or _mph for those units',
        })}
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
  const mean = (a: number[] | null | undefined, i: number) => Math.round(plainNumber(showTemp(a?.[i] ?? 0, units)));
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
