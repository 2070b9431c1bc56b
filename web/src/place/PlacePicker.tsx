import { useId, useState } from 'react';
import { Field } from '../shared/Field';
import { Trouble } from '../shared/Trouble';
import { say, show, unitOf, type Units } from '../shared/units';
import { ClimateChart } from './ClimateChart';
import { sayLatLon } from './coordinates';
import { useDraftedPlace, useTowns, type Draft, type Near, type Town } from './draft';
import { SightOfYear } from './Sight';
import css from './place.module.css';

interface Props {
  draft: Draft;
  onDraft: (d: Draft) => void;
  name: string;
  units: Units;
}

const mostClimates = 4;

const countryName = (code: string): string => {
  try {
    return new Intl.DisplayNames(undefined, { type: 'region' }).of(code) ?? code;
  } catch {
    return code;
  }
};

/** A place by its town, by coordinates or by where one stands; the climate most like it; and what a grower sees of its year. */
export function PlacePicker({ draft, onDraft, name, units }: Props) {
  const set = (d: Partial<Draft>) => onDraft({ ...draft, ...d });
  const towns = useTowns(draft);
  const { at, climates, near, place } = useDraftedPlace(draft, name, units);
  const [away, setAway] = useState('');
  const hint = useId();
  const takeTown = (t: Town) => set({ text: t.name, at: { lat: t.lat, lon: t.lon }, climate: '' });
  const found = at ? [] : (towns.data ?? []);

  const here = () => {
    setAway('');
    if (!('geolocation' in navigator)) {
      setAway('This browser does not say where it is. Type a town, or latitude and longitude.');
      return;
    }
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        const round = (x: number) => Math.round(x * 100) / 100; // to a kilometre: no more is needed, none is kept
        set({
          text: '',
          at: { lat: round(coords.latitude), lon: round(coords.longitude) },
          climate: '',
          ...(coords.altitude === null ? {} : { elev: show(Math.round(coords.altitude), 'm', units) }),
        });
      },
      () => setAway('The browser did not say where you are. Type a town, or latitude and longitude.'),
      { timeout: 10_000 },
    );
  };

  return (
    <div className={css.placepicker}>
      <div className={css.placeasked}>
        <div className={css.placetext}>
          <Field
            label="Town, or latitude and longitude"
            value={draft.text}
            onChange={(e) => set({ text: e.target.value, at: undefined, climate: '' })}
            onKeyDown={(e) => {
              if (e.key === 'Enter' && found[0]) {
                e.preventDefault();
                takeTown(found[0]);
              }
            }}
            placeholder="47.1, 8.5"
            slotProps={{ htmlInput: { 'aria-describedby': hint, autoComplete: 'off', maxLength: 80 } }}
          />
          {found.length > 0 && (
            <ul className={css.towns} aria-label="Towns of that name">
              {found.map((t) => (
                <li key={`${t.name} ${String(t.lat)} ${String(t.lon)}`}>
                  <button type="button" onClick={() => takeTown(t)}>
                    <b>{t.name}</b> {countryName(t.country)}, {sayLatLon(t)}
                  </button>
                </li>
              ))}
            </ul>
          )}
        </div>
        <button type="button" className="bordered" onClick={here}>
          Where I stand
        </button>
        <Field
          label={`Height above sea, ${unitOf('m', units)}`}
          value={draft.elev}
          onChange={(e) => set({ elev: e.target.value, climate: '' })}
          sx={{ maxWidth: 180 }}
          slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-describedby': hint } }}
        />
      </div>
      <p id={hint} className="sm q" role="status">
        {away ||
          (at
            ? `${sayLatLon(at)}${draft.elev.trim() ? `, ${draft.elev} ${unitOf('m', units)} above the sea` : ''}. A hollow or a slope? Change the height: it moves the temperatures.`
            : draft.text.trim().length > 1 && towns.data?.length === 0
              ? 'No town of that name is known here. A larger one near by will do, or latitude and longitude: 47.1, 8.5 or 47°6′ N 8°30′ E.'
              : 'Towns of five thousand and more are known; a larger one near by will do.')}
      </p>
      {at && climates.data && (
        <div className={css.climates}>
          <fieldset>
            <legend>
              <h2 className="h3">Climate most like yours</h2>{' '}
              <span className="sm q">by latitude, distance and height</span>
            </legend>
            {climates.data.slice(0, mostClimates).map((n) => (
              <Climate
                key={n.site.slug}
                n={n}
                units={units}
                checked={near?.site.slug === n.site.slug}
                onPick={() => set({ climate: n.site.slug, laterDays: 0, warmerC: 0 })}
              />
            ))}
          </fieldset>
          <ClimateChart
            climates={climates.data.slice(0, mostClimates)}
            chosen={near?.site.slug ?? ''}
            elevM={place.data?.site.elev_m}
            units={units}
          />
        </div>
      )}
      <Trouble error={climates.error ?? place.error} holds="What you typed stays here." />
      {at && place.data?.sight && (
        <SightOfYear
          sight={place.data.sight}
          laterDays={draft.laterDays}
          warmerC={draft.warmerC}
          units={units}
          onMove={(laterDays, warmerC) => set({ laterDays, warmerC })}
        />
      )}
    </div>
  );
}

function Climate({ n, units, checked, onPick }: { n: Near; units: Units; checked: boolean; onPick: () => void }) {
  const january = n.site.lat < 0 ? 6 : 0;
  const temp = (c: number | undefined) =>
    (units === 'us' ? String(Math.round((c ?? 0) * 1.8 + 32)) : (c ?? 0).toFixed(1)).replace('-', '−');
  const far =
    units === 'us' ? `${String(Math.round(n.distance_km / 1.609))} miles` : `${String(Math.round(n.distance_km))} km`;
  return (
    <label className={css.climate} data-chosen={checked}>
      <input type="radio" name="climate" checked={checked} onChange={onPick} />
      <span>
        <b>{n.site.name}</b>
        <span className="sm q">
          {far} away, at {say(n.site.elev_m, 'm', units)}
          {n.mirrored ? ', its year turned by half' : ''}; coldest month {temp(n.site.tmin?.[january])} to{' '}
          {temp(n.site.tmax?.[january])} {units === 'us' ? '°F' : '°C'}
        </span>
      </span>
    </label>
  );
}
