import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Entry } from '../shared/api';
import { useHere } from '../shared/orchard';

type Graft = NonNullable<Entry['grafted']>;

const ways = ['whip', 'cleft', 'bark', 'chip', 'bud'] as const satisfies readonly Graft['way'][];

const elsewhere = '-';

/** A graft: whose wood, of which kind, how, and how many pieces. A mother tree of this yard tells its kind. */
export function GraftFields({
  graft,
  onChange,
  hostId,
}: {
  graft: Partial<Graft>;
  onChange: (g: Partial<Graft>) => void;
  hostId: string;
}) {
  const { meta, plan } = useHere();
  const trees = (plan?.trees ?? []).filter((t) => t.id !== hostId);
  const set = (part: Partial<Graft>) => onChange({ ...graft, ...part });
  return (
    <>
      <TextField
        select
        label="Mother tree"
        value={graft.mother ?? elsewhere}
        onChange={(e) => {
          const mother = trees.find((t) => t.id === e.target.value);
          const { mother: _, ...rest } = graft;
          onChange(mother ? { ...rest, mother: mother.id, kind: mother.kind } : rest);
        }}
      >
        <MenuItem value={elsewhere}>from elsewhere</MenuItem>
        {trees.map((t) => (
          <MenuItem key={t.id} value={t.id}>
            {t.code} {t.name || t.kind_name}
          </MenuItem>
        ))}
      </TextField>
      {!graft.mother && (
        <>
          <TextField select label="Wood of" value={graft.kind ?? ''} onChange={(e) => set({ kind: e.target.value })}>
            {meta.kinds.map((k) => (
              <MenuItem key={k.slug} value={k.slug}>
                {k.name}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="From which tree, or whom"
            value={graft.source ?? ''}
            onChange={(e) => set({ source: e.target.value })}
          />
        </>
      )}
      <div className="pair">
        <TextField
          select
          label="Way"
          value={graft.way ?? ''}
          onChange={(e) => {
            const way = ways.find((w) => w === e.target.value);
            if (way) set({ way });
          }}
        >
          {ways.map((w) => (
            <MenuItem key={w} value={w}>
              {w}
            </MenuItem>
          ))}
        </TextField>
        <Count label="Pieces" value={graft.pieces} onChange={(pieces) => set({ pieces })} />
      </div>
    </>
  );
}

/** What is seen of a graft after some weeks: how many pieces grew. */
export function GraftTook({ graft, onChange }: { graft: Partial<Graft>; onChange: (g: Partial<Graft>) => void }) {
  return <Count label="Pieces that grew" value={graft.took} onChange={(took) => onChange({ ...graft, took })} />;
}

function Count({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number | undefined;
  onChange: (n: number) => void;
}) {
  return (
    <TextField
      label={label}
      value={value ?? ''}
      onChange={(e) => onChange(Math.max(0, Math.round(Number(e.target.value)) || 0))}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
}
