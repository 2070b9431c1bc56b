import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import { Choose } from '../shared/Choose';
import type { Meta, Orchard } from '../shared/api';

interface Props {
  meta: Meta;
  orchard: Orchard;
  siteDefaults?: Record<string, string>;
  onChange: (o: Orchard) => void;
}

/** Where growers differ: a preset, and each choice with the sentence for it and the sentence against it. */
export function SchoolForm({ meta, orchard, siteDefaults = {}, onChange }: Props) {
  const { school } = orchard;
  const preset = meta.presets.find((p) => p.slug === (school.preset || 'steady'));
  const inForce = (key: string, def: string) => school.own[key] ?? preset?.values[key] ?? siteDefaults[key] ?? def;
  const setOwn = (key: string, value: string) => {
    const plain = preset?.values[key] ?? siteDefaults[key] ?? meta.choices.find((c) => c.key === key)?.default;
    const own = Object.fromEntries(Object.entries(school.own).filter(([k]) => k !== key));
    if (value !== plain) own[key] = value;
    onChange({ ...orchard, school: { ...school, own } });
  };
  return (
    <>
      <div role="radiogroup" aria-label="School">
        {meta.presets.map((p) => (
          <label
            key={p.slug}
            style={{
              display: 'flex',
              gap: 10,
              alignItems: 'baseline',
              padding: '6px 0',
              borderTop: '1px solid var(--rule)',
            }}
          >
            <input
              type="radio"
              name="preset"
              checked={preset?.slug === p.slug}
              onChange={() => onChange({ ...orchard, school: { ...school, preset: p.slug } })}
            />
            <span>
              <b>{p.name}</b> <span className="q">{p.sentence}</span>
            </span>
          </label>
        ))}
      </div>
      <details style={{ marginTop: 12 }}>
        <summary className="q">Every choice, with what speaks for and against it</summary>
        {meta.choices.map((c) => {
          const value = c.values.find((v) => v.slug === inForce(c.key, c.default));
          const differs = school.own[c.key] !== undefined;
          return (
            <div key={c.key} style={{ borderTop: '1px solid var(--rule)', padding: '10px 0' }}>
              <Choose
                label={c.name}
                value={value?.slug ?? ''}
                onChange={(v) => setOwn(c.key, v)}
                helperText={
                  differs
                    ? 'your own choice, over the school’s'
                    : siteDefaults[c.key] && !preset?.values[c.key]
                      ? 'moved by your place: its winters are wet'
                      : undefined
                }
                all={c.values.map((v) => ({ value: v.slug, name: v.name }))}
              />
              {value && (
                <p className="sm" style={{ margin: '6px 0 0' }}>
                  <b>For:</b> {value.for} <b>Against:</b> {value.against}
                  {value.unfit.length > 0 && (
                    <span className="q"> Does not suit: {value.unfit.join(', ').replaceAll('-', ' ')}.</span>
                  )}
                </p>
              )}
              {school.advice
                .filter((a) => a.choice === c.key)
                .map((a) => (
                  <p key={a.office + a.rule} className="sm trouble" style={{ borderColor: 'var(--leaf)' }}>
                    {a.office}
                    {a.date ? `, ${a.date}` : ''}: {a.rule}{' '}
                    <button
                      type="button"
                      className="plain"
                      onClick={() =>
                        onChange({ ...orchard, school: { ...school, advice: school.advice.filter((x) => x !== a) } })
                      }
                    >
                      take out
                    </button>
                  </p>
                ))}
            </div>
          );
        })}
        <AdviceForm meta={meta} orchard={orchard} onChange={onChange} />
      </details>
    </>
  );
}

/** A rule of a regional office, noted beside a choice. */
function AdviceForm({ meta, orchard, onChange }: Props) {
  const [choice, setChoice] = useState('stone_cut');
  const [office, setOffice] = useState('');
  const [rule, setRule] = useState('');
  const [date, setDate] = useState('');
  const add = () => {
    const advice = [...orchard.school.advice, { choice, office, rule, ...(date ? { date } : {}) }];
    onChange({ ...orchard, school: { ...orchard.school, advice } });
    setOffice('');
    setRule('');
  };
  return (
    <div className="form" style={{ borderTop: '1.5px solid var(--ink)', paddingTop: 12 }}>
      <h3>Note a regional rule</h3>
      <Choose
        label="Beside"
        value={choice}
        onChange={(v) => setChoice(v)}
        all={meta.choices.map((c) => ({ value: c.key, name: c.name }))}
      />
      <div className="pair">
        <Field label="Office" value={office} onChange={(e) => setOffice(e.target.value)} />
        <Field
          label="Date"
          type="date"
          value={date}
          onChange={(e) => setDate(e.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
        />
      </div>
      <Field label="What it says" value={rule} onChange={(e) => setRule(e.target.value)} multiline />
      <Button variant="outlined" onClick={add} disabled={!office || !rule}>
        Note it
      </Button>
    </div>
  );
}
