import Button from '@mui/material/Button';
import { Choose } from '../shared/Choose';
import type { Meta, Orchard, Schemas } from '../shared/api';
import { useHere } from '../shared/orchard';
import { Several } from '../shared/Several';
import { Amount } from '../shared/fields';
import { say, type Units } from '../shared/units';

type Need = Schemas['Need'];

interface Props {
  meta: Meta;
  orchard: Orchard;
  units: Units;
  onChange: (o: Orchard) => void;
}

const sizes = ['small', 'medium', 'large'] as const;

const exposures = [
  ['sheltered', 'sheltered', 'walls or hedges all round'],
  ['usual', 'usual', ''],
  ['exposed', 'exposed', 'wind meets the limbs'],
] as const;

/** What the household wants of each kind in a year, and what the limbs must bear besides fruit. */
export function HouseholdForm({ meta, orchard, units, onChange }: Props) {
  const needs = orchard.needs ?? [];
  const set = (list: Need[]) => onChange({ ...orchard, needs: list });
  const change = (i: number, more: Partial<Need>) => set(needs.map((n, k) => (k === i ? { ...n, ...more } : n)));
  const free = meta.kinds.filter((k) => !needs.some((n) => n.kind === k.slug));
  return (
    <div className="form">
      {needs.map((n, i) => (
        <div key={n.kind} className="acts" style={{ alignItems: 'flex-start' }}>
          <b style={{ width: 130, paddingTop: 10 }}>{meta.kinds.find((k) => k.slug === n.kind)?.name ?? n.kind}</b>
          <Amount
            size="small"
            sx={{ width: 150 }}
            label="fresh"
            q="kg"
            units={units}
            value={n.fresh_kg}
            onValue={(v) => v !== undefined && change(i, { fresh_kg: v })}
          />
          <Amount
            size="small"
            sx={{ width: 150 }}
            label="jars of a litre"
            bare
            q="count"
            units={units}
            value={n.jars ?? 0}
            onValue={(v) => v !== undefined && change(i, { jars: v })}
          />
          <Choose
            size="small"
            label="size"
            value={n.size ?? 'medium'}
            onChange={(v) => change(i, { size: v })}
            sx={{ width: 120 }}
            all={sizes.map((s) => ({ value: s, name: s }))}
          />
          <Button onClick={() => set(needs.filter((_, k) => k !== i))}>Take out</Button>
        </div>
      ))}
      <Choose
        size="small"
        label="A kind you want fruit of"
        value=""
        onChange={(v) => set([...needs, { kind: v, fresh_kg: 10 }])}
        sx={{ maxWidth: 260 }}
        all={free.map((k) => ({ value: k.slug, name: k.name }))}
      />
      <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
        <legend className="sm q">Wind on the limbs</legend>
        {exposures.map(([k, name, means]) => (
          <label key={k} style={{ marginRight: 16 }}>
            <input
              type="radio"
              name="exposed"
              checked={(orchard.exposed ?? 'usual') === k}
              onChange={() => onChange({ ...orchard, exposed: k })}
            />{' '}
            {name}
            {means && <span className="q sm">, {means}</span>}
          </label>
        ))}
      </fieldset>
      <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
        <legend className="sm q">Where a cut that betters the tree costs fruit</legend>
        {weights.map(([k, name, means]) => (
          <label key={name} style={{ marginRight: 16 }}>
            <input
              type="radio"
              name="weighs"
              checked={orchard.weighs === k}
              onChange={() => {
                const { weighs: _, ...rest } = orchard;
                onChange(k ? { ...rest, weighs: k } : rest);
              }}
            />{' '}
            {name}
            {means && <span className="q sm">, {means}</span>}
          </label>
        ))}
      </fieldset>
      <Several
        legend="Within sight of the plot stand"
        all={meta.hosts}
        chosen={orchard.plot.hosts ?? []}
        onChange={(hosts) => onChange({ ...orchard, plot: { ...orchard.plot, hosts } })}
      />
      <LastSeason orchard={orchard} onChange={onChange} />
      <Amount
        size="small"
        sx={{ width: 300 }}
        label="Snow you count on, as water"
        q="mm"
        units={units}
        value={orchard.snow_kg_m2 || undefined}
        onValue={(v) => onChange({ ...orchard, snow_kg_m2: v ?? 0 })}
        helperText={`${say(10, 'cm', units)} of wet snow is about ${say(20, 'mm', units)}; none: leave it empty`}
      />
    </div>
  );
}

const weights = [
  ['structure', 'structure first', 'years of tree before fruit of this one'],
  [undefined, 'both count', ''],
  ['fruit', 'fruit first', 'what bears stays where it can'],
] as const;

const rains = [
  ['', 'as usual'],
  ['wet', 'wet: more water sprouts after a cut'],
  ['dry', 'dry: fewer of them'],
] as const;

/** How wet the last growing season was. */
function LastSeason({ orchard, onChange }: { orchard: Orchard; onChange: (o: Orchard) => void }) {
  const { plan } = useHere();
  const season = (plan?.season ?? 0) - 1;
  if (season < 1900) return null;
  const rain = (orchard.rain ?? []).filter((r) => r.season !== season);
  const now = (orchard.rain ?? []).find((r) => r.season === season)?.rain ?? '';
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend className="sm q">The growing season of {season} was</legend>
      {rains.map(([k, name]) => (
        <label key={k} style={{ marginRight: 16 }}>
          <input
            type="radio"
            name="rain"
            checked={now === k}
            onChange={() => onChange({ ...orchard, rain: k === '' ? rain : [...rain, { season, rain: k }] })}
          />{' '}
          {name}
        </label>
      ))}
    </fieldset>
  );
}
