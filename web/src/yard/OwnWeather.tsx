import Button from '@mui/material/Button';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type FormEvent } from 'react';
import { Field } from '../shared/Field';
import { api, need, type Schemas } from '../shared/api';
import { addDays, plain, type Day } from '../shared/day';
import { wrote } from '../shared/stale';
import { Trouble } from '../shared/Trouble';
import { count, degree, read, readTemp, unitOf, type Units } from '../shared/units';
import css from './yard.module.css';
import { FileInput } from '../shared/FileInput';

interface Props {
  slug: string;
  today: Day;
  units: Units;
}

/** Weather of one's own: a min-max thermometer, a rain gauge, or a file of days. */
export function OwnWeather({ slug, today, units }: Props) {
  return (
    <details>
      <summary>Weather of your own</summary>
      <OwnDay slug={slug} today={today} units={units} />
      <File slug={slug} />
    </details>
  );
}

function OwnDay({ slug, today, units }: Props) {
  const client = useQueryClient();
  const [date, setDate] = useState(addDays(today, -1));
  const [low, setLow] = useState('');
  const [high, setHigh] = useState('');
  const [rain, setRain] = useState('');
  const log = useMutation({
    mutationFn: (body: Schemas['OwnDay']) =>
      need(api.POST('/api/orchards/{slug}/weather/own', { params: { path: { slug } }, body })),
    onSuccess: () => {
      setLow('');
      setHigh('');
      setRain('');
      return wrote(client);
    },
  });
  const [tmin_c, tmax_c] = [readTemp(low, units), readTemp(high, units)];
  const rain_mm = rain.trim() === '' ? 0 : read(rain, 'mm', units);
  const full = tmin_c !== undefined && tmax_c !== undefined && rain_mm !== undefined;
  const submit = (e: FormEvent) => {
    e.preventDefault();
    if (full) log.mutate({ date, tmin_c, tmax_c, rain_mm });
  };
  return (
    <form onSubmit={submit} aria-label="What your thermometer read">
      <p className="sm q">What stands on your plot counts before the station: a hollow is colder, a wall warmer.</p>
      <div className={css.owndays}>
        <Field
          size="small"
          type="date"
          label="Day"
          value={date}
          onChange={(e) => setDate(e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { max: today } }}
        />
        {(
          [
            [`Lowest, ${degree(units)}`, low, setLow],
            [`Highest, ${degree(units)}`, high, setHigh],
            [`Rain, ${unitOf('mm', units)}`, rain, setRain],
          ] as const
        ).map(([label, value, set]) => (
          <Field
            key={label}
            size="small"
            label={label}
            value={value}
            onChange={(e) => set(e.target.value)}
            slotProps={{ htmlInput: { inputMode: 'text' } }}
          />
        ))}
        <Button type="submit" variant="outlined" disabled={!full || log.isPending}>
          Keep it
        </Button>
      </div>
      <Trouble error={log.error} holds={log.error ? 'Nothing was changed.' : ''} />
      {log.isSuccess && <p role="status">Kept: the dates follow.</p>}
    </form>
  );
}

function File({ slug }: { slug: string }) {
  const client = useQueryClient();
  const read = useMutation({
    mutationFn: async (file: Blob) => {
      const text = await file.text();
      return need(api.POST('/api/orchards/{slug}/weather/file', { params: { path: { slug } }, body: { text } }));
    },
    onSuccess: () => wrote(client),
  });
  const got = read.data;
  return (
    <>
      <label className="sm">
        A file of days (CSV: date, tmin, tmax, rain, gust; °C, mm, km/h){' '}
        <FileInput accept=".csv,text/csv,text/plain" onFile={(file) => read.mutate(file)} />
      </label>
      <Trouble error={read.error} holds={read.error ? 'Nothing of the file was taken.' : ''} />
      {got && (
        <p role="status">
          {count(got.days, 'day')} read, {plain(got.from)} to {plain(got.to)}
          {got.missing > 0
            ? `; ${count(got.missing, 'day')} between are missing, and usual weather stands in`
            : ''}.{' '}
          {got.says && <b className="over">{got.says}</b>}
        </p>
      )}
    </>
  );
}
