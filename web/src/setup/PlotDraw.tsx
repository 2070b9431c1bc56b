import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Feature, Orchard } from '../shared/api';
import { arrowSteps } from '../shared/keys';
import { useWidth } from '../shared/measure';
import { say, type Units } from '../shared/units';
import { Beneath, type Picture } from '../drawing/Beneath';
import { FeatureShape } from '../drawing/FeatureShape';
import { NorthMark, PlanDefs, PlanFrame } from '../drawing/PlanFrame';
import { extentOf } from '../drawing/YardPlan';
import { BeneathTools, useBeneath } from './BeneathTools';

interface Props {
  orchard: Orchard;
  units: Units;
  onChange: (o: Orchard) => void;
}

type Kind = Feature['kind'];
interface At {
  x: number;
  y: number;
}

/** What can be drawn, and as what: a line from here to there, a rectangle between two corners, or a crown round its middle. */
const tools: readonly { kind: Kind; name: string; as: 'line' | 'area' | 'crown' }[] = [
  { kind: 'wall', name: 'Wall', as: 'line' },
  { kind: 'fence', name: 'Fence', as: 'line' },
  { kind: 'hedge', name: 'Hedge', as: 'line' },
  { kind: 'path', name: 'Path', as: 'line' },
  { kind: 'power-line', name: 'Power line', as: 'line' },
  { kind: 'bed', name: 'Bed', as: 'area' },
  { kind: 'house', name: 'House', as: 'area' },
  { kind: 'shed', name: 'Shed', as: 'area' },
  { kind: 'water', name: 'Water', as: 'area' },
  { kind: 'shade-tree', name: 'Shade tree', as: 'crown' },
];

const round = (v: number) => Math.round(v * 10) / 10;
const far = (a: At, b: At) => Math.hypot(a.x - b.x, a.y - b.y);
const leastM = 0.3;

function drawn(kind: Kind, as: (typeof tools)[number]['as'], a: At, b: At): Partial<Feature> {
  if (as === 'crown')
    return { kind, points: [a], width_m: round(2 * far(a, b)), height_m: round(Math.max(3, 2.4 * far(a, b))) };
  if (as === 'line') return { kind, points: [a, b] };
  return {
    kind,
    points: [
      { x: Math.min(a.x, b.x), y: Math.min(a.y, b.y) },
      { x: Math.max(a.x, b.x), y: Math.min(a.y, b.y) },
      { x: Math.max(a.x, b.x), y: Math.max(a.y, b.y) },
      { x: Math.min(a.x, b.x), y: Math.max(a.y, b.y) },
    ],
  };
}

/** The plot drawn: corners and what stands on it are moved by dragging, and drawn anew from one end to the other. */
export function PlotDraw({ orchard, units, onChange }: Props) {
  const [ref, width] = useWidth(640);
  const [tool, setTool] = useState<(typeof tools)[number] | null>(null);
  const [line, setLine] = useState<{ from: At; to: At } | null>(null);
  const [held, setHeld] = useState<{ x0: number; y0: number; x1: number; y1: number } | null>(null);
  const beneath = useBeneath(orchard.slug);
  const { plot } = orchard;
  const set = (p: Partial<Orchard['plot']>) => onChange({ ...orchard, plot: { ...plot, ...p } });
  const all = extentOf(orchard, []);
  const e = held ?? {
    x0: Math.min(all.x0, ...plot.features.flatMap((f) => f.points.map((p) => p.x))),
    y0: Math.min(all.y0, ...plot.features.flatMap((f) => f.points.map((p) => p.y))),
    x1: Math.max(all.x1, ...plot.features.flatMap((f) => f.points.map((p) => p.x))),
    y1: Math.max(all.y1, ...plot.features.flatMap((f) => f.points.map((p) => p.y))),
  };
  const pad = 28;
  const s = Math.max(4, Math.min((width - 2 * pad) / (e.x1 - e.x0), 420 / (e.y1 - e.y0)));
  const X = (m: number) => pad + (m - e.x0) * s;
  const Y = (m: number) => pad + (e.y1 - m) * s;
  const at = (p: PointerEvent, svg: SVGSVGElement | null): At => {
    const box = svg?.getBoundingClientRect();
    return box
      ? { x: round((p.clientX - box.left - pad) / s + e.x0), y: round(e.y1 - (p.clientY - box.top - pad) / s) }
      : { x: 0, y: 0 };
  };
  const move = (i: number, k: number, to: At) => {
    if (i < 0) set({ outline: plot.outline.map((p, j) => (j === k ? to : p)) });
    else
      set({
        features: plot.features.map((f, j) =>
          j === i ? { ...f, points: f.points.map((p, n) => (n === k ? to : p)) } : f,
        ),
      });
  };
  const grip = (i: number, k: number, p: At, name: string) => (
    <g
      key={`${String(i)} ${String(k)}`}
      role="slider"
      tabIndex={0}
      aria-label={name}
      aria-valuenow={p.x}
      aria-valuetext={`${say(p.x, 'm', units)} east, ${say(p.y, 'm', units)} north`}
      onKeyDown={(key: KeyboardEvent) => {
        const d = arrowSteps[key.key];
        if (!d) return;
        key.preventDefault();
        const n = key.shiftKey ? 10 : 1;
        move(i, k, { x: round(p.x + n * d[0]), y: round(p.y + n * d[1]) });
      }}
      onPointerDown={(ev) => {
        if (stroking) return;
        ev.stopPropagation();
        ev.currentTarget.setPointerCapture(ev.pointerId);
        setHeld(e); // the scale stands still while something is moved
      }}
      onPointerMove={(ev) => {
        if (ev.currentTarget.hasPointerCapture(ev.pointerId)) move(i, k, at(ev, ev.currentTarget.ownerSVGElement));
      }}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
    >
      <circle cx={X(p.x)} cy={Y(p.y)} r={14} fill="transparent" />
      <circle
        cx={X(p.x)}
        cy={Y(p.y)}
        r={i < 0 ? 5 : 4}
        fill={i < 0 ? 'var(--ink)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
    </g>
  );
  const stroking = tool !== null || beneath.stroke !== '';
  const length = (of: { from: At; to: At }) => say(round(far(of.from, of.to)), 'm', units);
  const ghost = tool && line ? drawn(tool.kind, tool.as, line.from, line.to) : null;
  const along = beneath.stroke === 'measure' ? line : beneath.measured;
  const moved = (p: Picture) =>
    beneath.stroke === 'move' && line
      ? { ...p, x: p.x + line.to.x - line.from.x, y: p.y + line.to.y - line.from.y }
      : p;
  return (
    <div ref={ref}>
      <div className="chips" role="group" aria-label="Draw on the plan">
        {tools.map((t) => (
          <button
            key={t.kind}
            type="button"
            aria-pressed={tool?.kind === t.kind}
            onClick={() => {
              setTool(tool?.kind === t.kind ? null : t);
              beneath.setStroke('');
            }}
          >
            {t.name}
          </button>
        ))}
      </div>
      <p className="sm q" role="status">
        {stroking && line
          ? length(line)
          : tool
            ? `Press where the ${tool.name.toLowerCase()} begins and drag to where it ends. Its numbers stand below.`
            : 'Drag a corner or an end; or choose what to draw.'}
      </p>
      <BeneathTools
        b={{
          ...beneath,
          setStroke: (to) => {
            setTool(null);
            beneath.setStroke(to);
          },
        }}
        units={units}
        plan={{ x: e.x0, y: e.y1, widthM: e.x1 - e.x0 }}
      />
      <svg
        width={width}
        height={(e.y1 - e.y0) * s + 2 * pad}
        className="corners"
        role="group"
        aria-label="The plot drawn"
        style={stroking ? { cursor: 'crosshair', touchAction: 'none' } : undefined}
        onPointerDown={(p) => {
          if (!stroking) return;
          p.currentTarget.setPointerCapture(p.pointerId);
          const from = at(p, p.currentTarget);
          setLine({ from, to: from });
        }}
        onPointerMove={(p) => {
          if (stroking && line) setLine({ from: line.from, to: at(p, p.currentTarget) });
        }}
        onPointerUp={() => {
          if (beneath.stroke && line && far(line.from, line.to) > 0) beneath.made(line.from, line.to);
          if (tool && line && far(line.from, line.to) >= leastM) {
            const made = drawn(tool.kind, tool.as, line.from, line.to);
            set({ features: [...plot.features, { id: crypto.randomUUID(), points: [], kind: tool.kind, ...made }] });
            setTool(null);
          }
          setLine(null);
        }}
      >
        <PlanDefs />
        <PlanFrame X={X} Y={Y} e={e} units={units} />
        {beneath.picture && <Beneath p={moved(beneath.picture)} X={X} Y={Y} s={s} />}
        {plot.outline.length > 2 && (
          <path
            d={`M${plot.outline.map((p) => `${String(X(p.x))} ${String(Y(p.y))}`).join('L')}Z`}
            fill={beneath.picture ? 'none' : 'var(--sheet)'}
            stroke="var(--rule-strong)"
          />
        )}
        {plot.features.map((f) => (
          <FeatureShape key={f.id} f={f} X={X} Y={Y} s={s} />
        ))}
        {ghost && <FeatureShape f={{ id: 'ghost', kind: 'wall', points: [], ...ghost }} X={X} Y={Y} s={s} />}
        {along && (
          <path
            d={`M${String(X(along.from.x))} ${String(Y(along.from.y))}L${String(X(along.to.x))} ${String(Y(along.to.y))}`}
            stroke="var(--leaf)"
            strokeWidth={3}
          />
        )}
        <NorthMark x={X(e.x1) - 20} y={Y(e.y1) + 22} north={plot.north_deg} />
        {plot.outline.map((p, k) => grip(-1, k, p, `Corner ${String(k + 1)}`))}
        {plot.features.flatMap((f, i) =>
          f.points.map((p, k) =>
            grip(
              i,
              k,
              p,
              `${f.name || f.kind.replace('-', ' ')}, ${f.points.length > 1 ? `point ${String(k + 1)}` : 'middle'}`,
            ),
          ),
        )}
      </svg>
    </div>
  );
}
