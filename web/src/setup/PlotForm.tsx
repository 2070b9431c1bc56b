import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../shared/Field';
import { Choose } from '../shared/Choose';
import type { Feature, Orchard } from '../shared/api';
import { Amount } from '../shared/fields';
import { read, show, unitOf, type Units } from '../shared/units';
import { PlotDraw } from './PlotDraw';

export const kinds = [
  'wall',
  'fence',
  'hedge',
  'path',
  'bed',
  'shade-tree',
  'shed',
  'house',
  'water',
  'power-line',
] as const;

interface Props {
  orchard: Orchard;
  units: Units;
  onChange: (o: Orchard) => void;
}

type Points = { x: number; y: number }[];

/** Points as people type them: east north, a pair a line or parted by semicolons. */
export function readPoints(text: string, units: Units): Points | undefined {
  const out: Points = [];
  for (const part of text.split(/[;\n]+/).filter((p) => p.trim() !== '')) {
    const [a, b, ...rest] = part.trim().split(/[\s]+|,\s+/);
    const x = read(a ?? '', 'm', units);
    const y = read(b ?? '', 'm', units);
    if (x === undefined || y === undefined || rest.length) return undefined;
    out.push({ x, y });
  }
  return out;
}

export function writePoints(points: Points, units: Units): string {
  return points.map((p) => `${show(p.x, 'm', units)} ${show(p.y, 'm', units)}`).join('; ');
}

/** The outline of the plot by its corners' distances, and what stands on it. */
export function PlotForm({ orchard, units, onChange }: Props) {
  const plot = orchard.plot;
  const set = (p: Partial<Orchard['plot']>) => onChange({ ...orchard, plot: { ...plot, ...p } });
  const feature = (i: number, f: Partial<Feature>) =>
    set({ features: plot.features.map((x, j) => (j === i ? { ...x, ...f } : x)) });
  const m = unitOf('m', units);
  return (
    <div className="form">
      <PlotDraw orchard={orchard} units={units} onChange={onChange} />
      <PointsField
        key={writePoints(plot.outline, units)}
        label={`Corners of the plot, ${m} east and north of its south-west corner`}
        points={plot.outline}
        units={units}
        onPoints={(outline) => set({ outline })}
        hint="0 0; 16 0; 16 12; 0 12"
      />
      <div className="pair">
        <Field
          label="Up on the plan is, degrees from north"
          type="number"
          value={plot.north_deg}
          onChange={(e) => set({ north_deg: Number(e.target.value) })}
        />
        <Amount
          label="Distance of rows"
          q="m"
          units={units}
          value={plot.row_distance_m || undefined}
          onValue={(v) => set({ row_distance_m: v ?? 0 })}
          helperText="empty: no rows"
        />
      </div>
      {plot.features.map((f, i) => (
        <div key={f.id} className="form" style={{ borderTop: '1px solid var(--rule)', paddingTop: 12, marginTop: 0 }}>
          <div className="pair">
            <Choose
              label="What"
              value={f.kind}
              onChange={(v) => feature(i, { kind: v })}
              all={kinds.map((k) => ({ value: k, name: k.replace('-', ' ') }))}
            />
            <Field label="Name" value={f.name ?? ''} onChange={(e) => feature(i, { name: e.target.value })} />
          </div>
          <PointsField
            key={writePoints(f.points, units)}
            label="From, by, to"
            points={f.points}
            units={units}
            onPoints={(points) => feature(i, { points })}
            hint="0 12; 16 12"
          />
          <div className="pair">
            <Amount
              label="Height"
              q="m"
              units={units}
              value={f.height_m || undefined}
              onValue={(v) => feature(i, { height_m: v ?? 0 })}
              {...(f.kind === 'shade-tree' && {
                helperText: 'a drawn one is guessed from its width: say it as you know it',
              })}
            />
            {f.kind === 'wall' || f.kind === 'fence' ? (
              <Field
                label="Faces, degrees from north"
                type="number"
                value={f.faces_deg ?? 0}
                onChange={(e) => feature(i, { faces_deg: Number(e.target.value) })}
              />
            ) : (
              <Amount
                label="Width"
                q="m"
                units={units}
                value={f.width_m || undefined}
                onValue={(v) => feature(i, { width_m: v ?? 0 })}
              />
            )}
          </div>
          {(f.kind === 'wall' || f.kind === 'house') && (
            <Windows of={f} units={units} onWindows={(windows) => feature(i, { windows })} />
          )}
          <Button size="small" onClick={() => set({ features: plot.features.filter((_, j) => j !== i) })}>
            Take it out
          </Button>
        </div>
      ))}
      <Button
        size="small"
        onClick={() =>
          set({
            features: [
              ...plot.features,
              {
                id: crypto.randomUUID(),
                kind: 'wall',
                points: [
                  { x: 0, y: 0 },
                  { x: 4, y: 0 },
                ],
              },
            ],
          })
        }
      >
        Add a wall, path, bed
      </Button>
    </div>
  );
}

function PointsField({
  label,
  points,
  units,
  onPoints,
  hint,
}: {
  label: string;
  points: Points;
  units: Units;
  onPoints: (p: Points) => void;
  hint: string;
}) {
  const [text, setText] = useState(writePoints(points, units));
  const good = readPoints(text, units) !== undefined;
  return (
    <Field
      label={label}
      value={text}
      error={!good}
      helperText={good ? `as ${hint}` : 'pairs of numbers parted by semicolons expected'}
      onChange={(e) => {
        setText(e.target.value);
        const p = readPoints(e.target.value, units);
        if (p) onPoints(p);
      }}
    />
  );
}

type Opening = NonNullable<Feature['windows']>[number];

const edges: { field: keyof Opening; name: string }[] = [
  { field: 'from_m', name: 'Begins' },
  { field: 'wide_m', name: 'Wide' },
  { field: 'sill_m', name: 'Sill' },
  { field: 'top_m', name: 'Top' },
];

/** The windows of a wall, along it from its first point: wires and arms leave them free. */
function Windows({ of, units, onWindows }: { of: Feature; units: Units; onWindows: (w: Opening[]) => void }) {
  const windows = of.windows ?? [];
  const put = (i: number, part: Partial<Opening>) =>
    onWindows(windows.map((w, j) => (j === i ? { ...w, ...part } : w)));
  return (
    <>
      {windows.map((w, i) => (
        <div
          key={`${String(windows.length)}.${String(i)}`}
          className="pair"
          role="group"
          aria-label={`Window ${String(i + 1)}`}
        >
          {edges.map((e) => (
            <Amount
              key={e.field}
              label={e.name}
              q="m"
              units={units}
              value={w[e.field] || undefined}
              onValue={(v) => put(i, { [e.field]: v ?? 0 })}
            />
          ))}
          <Button size="small" onClick={() => onWindows(windows.filter((_, j) => j !== i))}>
            Take the window out
          </Button>
        </div>
      ))}
      <Button size="small" onClick={() => onWindows([...windows, { from_m: 0, wide_m: 1, sill_m: 1, top_m: 0 }])}>
        Add a window
      </Button>
    </>
  );
}
