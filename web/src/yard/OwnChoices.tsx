import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
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
            <TextField
              select
              label={choice.name}
              value={own[key] ?? ''}
              onChange={(e) => onChange({ ...own, [key]: e.target.value })}
              helperText={value ? `For: ${value.for} Against: ${value.against}` : undefined}
            >
              {choice.values.map((v) => (
                <MenuItem key={v.slug} value={v.slug}>
                  {v.name}
                </MenuItem>
              ))}
            </TextField>
            <Button size="small" onClick={() => onChange(without(key))}>
              As the orchard does
            </Button>
          </div>
        );
      })}
      <TextField
        select
        label="This tree departs from the school in"
        value=""
        onChange={(e) => {
          const choice = meta.choices.find((c) => c.key === e.target.value);
          if (choice) onChange({ ...own, [choice.key]: choice.default });
        }}
      >
        {meta.choices
          .filter((c) => c.key !== 'aim' && !keys.includes(c.key))
          .map((c) => (
            <MenuItem key={c.key} value={c.key}>
              {c.name}
            </MenuItem>
          ))}
      </TextField>
    </div>
  );
}
