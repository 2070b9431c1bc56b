import { useState } from 'react';
import type { Site } from '../shared/api';
import { degree, plainNumber, type Units } from '../shared/units';
import css from './setup.module.css';

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

export const kmInMile = 1.609344;

/** How a row is read in the person's units: in x per + from, as the program keeps it. */
interface Scale {
  unit: string;
  per: number;
  from: number;
  digits: number;
}
const plain = (unit: string, digits: number, per = 1, from = 0): Scale => ({ unit, per, from, digits });
const scales = {
  warmth: { metric: plain(degree('metric'), 1), us: plain(degree('us'), 1, 1 / 1.8, -32 / 1.8) },
  rain: { metric: plain('mm', 1), us: plain('in', 2, 25.4) },
  days: { metric: plain('', 1), us: plain('', 1) },
  wind: { metric: plain('km/h', 1), us: plain('mph', 1, kmInMile) },
  share: { metric: plain('0-1', 2), us: plain('0-1', 2) },
} satisfies Record<string, Record<Units, Scale>>;

const rows = [
  { key: 'tmax', label: 'Warmest of the day', as: 'warmth' },
  { key: 'tmin', label: 'Coldest of the night', as: 'warmth' },
  { key: 'rain_mm', label: 'Rain', as: 'rain' },
  { key: 'rain_days', label: 'Days with rain', as: 'days' },
  { key: 'wind_kmh', label: 'Wind', as: 'wind' },
  { key: 'sun_frac', label: 'Share of sun', as: 'share' },
] as const;

interface Props {
  site: Site;
  units: Units;
  onSite: (s: Site) => void;
}

/** The twelve months of a place, each number to be changed; what is no number is told as none, and the program says where it misses. */
export function MonthsTable({ site, units, onSite }: Props) {
  return (
    <div className={css.months}>
      <table className="list">
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
                {r.label} <span className="q">{scales[r.as][units].unit}</span>
              </th>
              {months.map((m, i) => (
                <td key={m} className="n">
                  <Cell
                    label={`${r.label}, ${m}`}
                    value={site[r.key]?.[i]}
                    scale={scales[r.as][units]}
                    onValue={(v) => {
                      const list = [...(site[r.key] ?? [])];
                      list[i] = v;
                      onSite({ ...site, [r.key]: list });
                    }}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface CellProps {
  label: string;
  value: number | undefined;
  scale: Scale;
  onValue: (v: number) => void;
}

/** What is being typed stays as it is typed. */
function Cell({ label, value, scale: { per, from, digits }, onValue }: CellProps) {
  const [typed, setTyped] = useState<string>();
  const known =
    value === undefined || !Number.isFinite(value) ? '' : String(Number(((value - from) / per).toFixed(digits)));
  return (
    <input
      aria-label={label}
      inputMode="decimal"
      value={typed ?? known}
      onChange={(e) => {
        setTyped(e.target.value);
        onValue(Math.round((plainNumber(e.target.value) * per + from) * 1e4) / 1e4);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}
