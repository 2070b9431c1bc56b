import { Field } from '../shared/Field';
import { Choose } from '../shared/Choose';
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
      <Choose
        label="Mother tree"
        value={graft.mother ?? elsewhere}
        onChange={(v) => {
          const mother = trees.find((t) => t.id === v);
          const { mother: _, ...rest } = graft;
          onChange(mother ? { ...rest, mother: mother.id, kind: mother.kind } : rest);
        }}
        all={[
          { value: elsewhere, name: 'from elsewhere' },
          ...trees.map((t) => ({ value: t.id, name: `${t.code} ${t.name || t.kind_name}` })),
        ]}
      />
      {!graft.mother && (
        <>
          <Choose
            label="Wood of"
            value={graft.kind ?? ''}
            onChange={(v) => set({ kind: v })}
            all={meta.kinds.map((k) => ({ value: k.slug, name: k.name }))}
          />
          <Field
            label="From which tree, or whom"
            value={graft.source ?? ''}
            onChange={(e) => set({ source: e.target.value })}
          />
        </>
      )}
      <div className="pair">
        <Choose
          label="Way"
          value={graft.way ?? ''}
          onChange={(v) => {
            const way = ways.find((w) => w === v);
            if (way) set({ way });
          }}
          all={ways.map((w) => ({ value: w, name: w }))}
        />
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
    <Field
      label={label}
      value={value ?? ''}
      onChange={(e) => onChange(Math.max(0, Math.round(Number(e.target.value)) || 0))}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
}
