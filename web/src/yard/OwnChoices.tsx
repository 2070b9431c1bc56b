import Button from '@mui/material/Button';
import { Choose } from '../shared/Choose';
import type { Meta } from '../shared/api';

interface Props {
  meta: Meta;
  own: Record<string, string>;
  onChange: (own: Record<string, string>) => void;
}

/** Choices in which one tree departs from the orchard's school, each with both its sentences. */
export function OwnChoices({ meta, own, onChange }: Props) {
  const keys = Object.keys(own).sort();
  const without = (key: string) => Object.fromEntries(Object.entries(own).filter(([k]) => k !== key));
  return (
    <div className="form">
      {keys.map((key) => {
        const choice = meta.choices.find((c) => c.key === key);
        const value = choice?.values.find((v) => v.slug === own[key]);
        if (!choice) return null;
        return (
          <div key={key}>
            <Choose
              label={choice.name}
              value={own[key] ?? ''}
              onChange={(v) => onChange({ ...own, [key]: v })}
              helperText={value ? `For: ${value.for} Against: ${value.against}` : undefined}
              all={choice.values.map((v) => ({ value: v.slug, name: v.name }))}
            />
            <Button size="small" onClick={() => onChange(without(key))}>
              As the orchard does
            </Button>
          </div>
        );
      })}
      <Choose
        label="This tree departs from the school in"
        value=""
        onChange={(v) => {
          const choice = meta.choices.find((c) => c.key === v);
          if (choice) onChange({ ...own, [choice.key]: choice.default });
        }}
        all={meta.choices
          .filter((c) => c.key !== 'aim' && !keys.includes(c.key))
          .map((c) => ({ value: c.key, name: c.name }))}
      />
    </div>
  );
}
