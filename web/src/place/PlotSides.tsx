import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { Field } from '../shared/Field';
import { useWidth } from '../shared/measure';
import { read, say, show, unitOf, type Units } from '../shared/units';
import { NorthMark, PlanFrame } from '../drawing/PlanFrame';
import css from './place.module.css';

export interface Corner {
  x: number;
  y: number;
}

export interface PlotDraft {
  outline: Corner[];
  north_deg: number;
}

/** A plot of two sides. */
export const rectangle = (wide: number, deep: number): Corner[] => [
  { x: 0, y: 0 },
  { x: wide, y: 0 },
  { x: wide, y: deep },
  { x: 0, y: deep },
];

/** The guess where nothing was said of a plot, metres. */
export const guessedPlot: PlotDraft = { outline: rectangle(16, 12), north_deg: 0 };

const step = 0.1;
const round = (v: number) => Math.round(v * 10) / 10;

function area(points: Corner[]): number {
  let sum = 0;
  points.forEach((p, i) => {
    const q = points[(i + 1) % points.length] ?? p;
    sum += p.x * q.y - q.x * p.y;
  });
  return Math.abs(sum) / 2;
}

interface Props {
  plot: PlotDraft;
  units: Units;
  onPlot: (p: PlotDraft) => void;
}

/** The plot by two numbers, or by its corners dragged; and which way it lies. */
export function PlotSides({ plot, units, onPlot }: Props) {
  const xs = plot.outline.map((p) => p.x);
  const ys = plot.outline.map((p) => p.y);
  const wide = Math.max(...xs) - Math.min(...xs);
  const deep = Math.max(...ys) - Math.min(...ys);
  const [typed, setTyped] = useState<{ wide?: string | undefined; deep?: string | undefined }>({});
  const side = (which: 'wide' | 'deep', label: string) => (
    <Field
      label={`${label}, ${unitOf('m', units)}`}
      value={typed[which] ?? show(which === 'wide' ? wide : deep, 'm', units)}
      onChange={(e) => {
        setTyped({ ...typed, [which]: e.target.value });
        const v = read(e.target.value, 'm', units);
        if (v !== undefined && v >= 1 && v <= 500) {
          onPlot({ ...plot, outline: which === 'wide' ? rectangle(v, deep) : rectangle(wide, v) });
        }
      }}
      onBlur={() => setTyped({ ...typed, [which]: undefined })}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
  return (
    <div className="plotsides">
      <div className="pair">
        {side('wide', 'Along')}
        {side('deep', 'Across')}
      </div>
      <Corners plot={plot} units={units} onPlot={onPlot} />
      <p className="sm">
        <b>{say(round(area(plot.outline)), 'm2', units)}</b>. Type two sides, or drag a corner; arrow keys move one in
        hand.
      </p>
      <label className={css.turnnorth}>
        <span>
          Up on the plan is <b>{plot.north_deg === 0 ? 'north' : `${String(plot.north_deg)}° from north`}</b>
        </span>
        <input
          type="range"
          min={0}
          max={355}
          step={5}
          value={plot.north_deg}
          aria-valuetext={`${String(plot.north_deg)} degrees`}
          onChange={(e) => onPlot({ ...plot, north_deg: Number(e.target.value) })}
        />
      </label>
    </div>
  );
}

function Corners({ plot, units, onPlot }: Props) {
  const [ref, width] = useWidth(320);
  // while a corner is dragged the scale stands still
  const [frozen, setFrozen] = useState<{ x1: number; y1: number } | null>(null);
  const x1 = frozen?.x1 ?? Math.max(4, ...plot.outline.map((p) => p.x));
  const y1 = frozen?.y1 ?? Math.max(4, ...plot.outline.map((p) => p.y));
  const pad = 22;
  const s = Math.min((width - 2 * pad) / x1, 260 / y1);
  const X = (m: number) => pad + m * s;
  const Y = (m: number) => pad + (y1 - m) * s;
  const move = (i: number, to: Corner) =>
    onPlot({
      ...plot,
      outline: plot.outline.map((p, j) =>
        j === i ? { x: round(Math.min(500, Math.max(0, to.x))), y: round(Math.min(500, Math.max(0, to.y))) } : p,
      ),
    });
  const drag = (i: number, e: PointerEvent<SVGGElement>) => {
    const box = e.currentTarget.ownerSVGElement?.getBoundingClientRect();
    if (box) move(i, { x: (e.clientX - box.left - pad) / s, y: y1 - (e.clientY - box.top - pad) / s });
  };
  const nudge = (i: number, e: KeyboardEvent) => {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, step],
      ArrowDown: [0, -step],
    };
    const d = by[e.key];
    const p = plot.outline[i];
    if (!d || !p) return;
    e.preventDefault();
    const times = e.shiftKey ? 10 : 1;
    move(i, { x: p.x + times * d[0], y: p.y + times * d[1] });
  };
  const names = ['south-west', 'south-east', 'north-east', 'north-west'];
  return (
    <div ref={ref}>
      <svg
        width={width}
        height={y1 * s + 2 * pad}
        className={`${css.corners} corners`}
        role="group"
        aria-label="The plot and its corners"
      >
        <PlanFrame X={X} Y={Y} e={{ x0: 0, y0: 0, x1, y1 }} units={units} />
        <path
          d={`M${plot.outline.map((p) => `${String(X(p.x))} ${String(Y(p.y))}`).join('L')}Z`}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        <NorthMark x={X(x1) - 22} y={Y(y1) + 26} north={plot.north_deg} />
        {plot.outline.map((p, i) => {
          const q = plot.outline[(i + 1) % plot.outline.length] ?? p;
          return (
            <text
              key={`side${String(i)}`}
              className="halo"
              x={(X(p.x) + X(q.x)) / 2}
              y={(Y(p.y) + Y(q.y)) / 2 + (i === 0 ? -6 : i === 2 ? 14 : 4)}
              textAnchor={i === 1 ? 'end' : i === 3 ? 'start' : 'middle'}
              dx={i === 1 ? -8 : i === 3 ? 8 : 0}
              fontSize={12}
              fontWeight={700}
            >
              {show(Math.hypot(q.x - p.x, q.y - p.y), 'm', units)}
            </text>
          );
        })}
        {plot.outline.map((p, i) => (
          <g
            key={`corner${String(i)}`}
            role="slider"
            tabIndex={0}
            aria-label={`Corner ${names[i] ?? String(i + 1)}`}
            aria-valuenow={p.x}
            aria-valuetext={`${say(p.x, 'm', units)} east, ${say(p.y, 'm', units)} north`}
            onKeyDown={(e) => nudge(i, e)}
            onPointerDown={(e) => {
              e.currentTarget.setPointerCapture(e.pointerId);
              setFrozen({ x1: x1 * 1.15, y1: y1 * 1.15 });
            }}
            onPointerMove={(e) => {
              if (e.currentTarget.hasPointerCapture(e.pointerId)) drag(i, e);
            }}
            onPointerUp={() => setFrozen(null)}
            onPointerCancel={() => setFrozen(null)}
          >
            <rect x={X(p.x) - 14} y={Y(p.y) - 14} width={28} height={28} fill="transparent" />
            <rect
              x={X(p.x) - 6}
              y={Y(p.y) - 6}
              width={12}
              height={12}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          </g>
        ))}
      </svg>
    </div>
  );
}
