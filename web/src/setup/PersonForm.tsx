import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import type { Person } from '../shared/api';
import { useSavePerson } from '../shared/queries';
import { Trouble } from '../shared/Trouble';
import { Amount, fieldsOf } from '../shared/fields';
import { say, type Units } from '../shared/units';

type Away = NonNullable<Person['away']>[number];

type Hours = NonNullable<Person['hours_a_week']>;

const idle: Hours = [0, 0, 0, 0, 0, 0, 0];

const weekdays = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];

export function newPerson(name: string): Person {
  return {
    id: '',
    version: 0,
    name,
    fingertip_cm: 0,
    ceiling_cm: 0,
    hand_span_cm: 0,
    hours_a_week: idle,
    tools: [],
  };
}

/** A person's reach, hands, hours and tools. */
export function PersonForm({
  slug,
  person,
  units,
  onSaved,
}: {
  slug: string;
  person: Person;
  units: Units;
  onSaved?: () => void;
}) {
  const [p, setP] = useState(person);
  const save = useSavePerson(slug);
  const { text, amount } = fieldsOf(p, setP, units);
  return (
    <div className="form">
      {text('name', 'Name')}
      <div className="pair">
        {amount('fingertip_cm', 'cm', 'Fingertip height', {
          empty: 'zero',
          helperText: `arm raised, flat on your feet; unknown: ${say(200, 'cm', units)} is taken`,
        })}
        {amount('hand_span_cm', 'cm', 'Hand’s width', {
          empty: 'zero',
          helperText: 'closed, thumb laid along the shoot: for spacing fruit',
        })}
      </div>
      {amount('ceiling_cm', 'cm', 'Own ceiling', {
        empty: 'zero',
        helperText: 'only where your school accepts a ladder',
      })}
      <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
        <legend className="sm q">Hours free on each day of the week</legend>
        <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8, marginTop: 6 }}>
          {weekdays.map((d, i) => (
            <Field
              key={d}
              label={d}
              type="number"
              value={p.hours_a_week?.[i] ?? 0}
              onChange={(e) => {
                const hours: Hours = [...(p.hours_a_week ?? idle)];
                hours[i] = Number(e.target.value);
                setP({ ...p, hours_a_week: hours });
              }}
              sx={{ width: 72 }}
              slotProps={{ htmlInput: { min: 0, max: 24, step: 0.5 } }}
            />
          ))}
        </div>
      </fieldset>
      <AwayDays away={p.away ?? []} onChange={(away) => setP({ ...p, away })} />
      <div>
        <span className="sm q">Own tools, and the thickest wood each takes</span>
        {p.tools.map((t, i) => (
          <div key={i} className="pair" style={{ marginTop: 8 }}>
            <Field
              label="Tool"
              value={t.name}
              onChange={(e) =>
                setP({ ...p, tools: p.tools.map((x, j) => (j === i ? { ...x, name: e.target.value } : x)) })
              }
            />
            <Amount
              label="Up to"
              q="mm"
              units={units}
              value={t.max_mm || undefined}
              onValue={(mm) => setP({ ...p, tools: p.tools.map((x, j) => (j === i ? { ...x, max_mm: mm ?? 0 } : x)) })}
            />
          </div>
        ))}
        <Button size="small" onClick={() => setP({ ...p, tools: [...p.tools, { name: '', max_mm: 0 }] })}>
          Add a tool
        </Button>
      </div>
      <Trouble error={save.error} holds="Nothing was changed; what you typed stays here." />
      <div className="acts">
        <Button
          variant="outlined"
          disabled={save.isPending || p.name.trim() === ''}
          onClick={() =>
            save.mutate(p, {
              onSuccess: (r) => {
                setP(r);
                onSaved?.();
              },
            })
          }
        >
          Save
        </Button>
        {save.isSuccess && <span className="sm q">Saved.</span>}
      </div>
    </div>
  );
}

/** Days kept free of work: the planner sets nothing on them. */
function AwayDays({ away, onChange }: { away: Away[]; onChange: (away: Away[]) => void }) {
  const put = (i: number, a: Away) => onChange(away.map((x, j) => (j === i ? a : x)));
  return (
    <fieldset style={{ border: 0, padding: 0, margin: 0 }}>
      <legend className="sm q">Days kept free of work</legend>
      {away.map((a, i) => (
        <div key={i} className="pair" style={{ marginTop: 8 }}>
          <Field
            label="From"
            type="date"
            value={a.from}
            onChange={(e) => put(i, { ...a, from: e.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Field
            label="To"
            type="date"
            value={a.to}
            onChange={(e) => put(i, { ...a, to: e.target.value })}
            slotProps={{ inputLabel: { shrink: true } }}
          />
          <Button size="small" onClick={() => onChange(away.filter((_, j) => j !== i))}>
            Remove
          </Button>
        </div>
      ))}
      <Button size="small" onClick={() => onChange([...away, { from: '', to: '' }])}>
        Add days kept free
      </Button>
    </fieldset>
  );
}
