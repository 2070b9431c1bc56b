import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Orchard, Plan, Schemas, TreeSummary } from '../shared/api';
import { arrowSteps } from '../shared/keys';
import { useWidth } from '../shared/measure';
import { clip, show, type Units } from '../shared/units';
import { Beneath, type Picture } from './Beneath';
import { NorthMark, PlanDefs, PlanFrame, ScaleBar, scaleBarHeight, type Extent } from './PlanFrame';
import { HeightStaff } from './HeightStaff';
import { lookOf, mostPressing, StakeShape } from './StakeLabel';
import { YearRing } from './YearRing';
import { FeatureShape } from './FeatureShape';
import { LightLayer } from './LightLayer';
import { Spacing, spacingSays } from './Spacing';
import css from './drawing.module.css';

export interface Ghost {
  /** Of a tree that stands already. */
  id: string;
  x: number;
  y: number;
  spreadM: number;
  form: string;
  code: string;
}

interface Props {
  orchard: Orchard;
  plan: Plan;
  units: Units;
  selected: string;
  onSelect: (id: string) => void;
  ghost?: Ghost | undefined;
  onGhost?: ((x: number, y: number) => void) | undefined;
  /** The yard in light instead of its work; with the tree asked about by pointer. */
  light?: Schemas['YardLightBody'] | undefined;
  onHover?: ((id: string) => void) | undefined;
  /** A spot whose sun is asked for, and what asks for it. */
  spot?: { x: number; y: number } | null | undefined;
  onSpot?: ((x: number, y: number) => void) | undefined;
  asked?: string | undefined;
  /** Beneath the plan while a tree is placed. */
  beneath?: Picture | null | undefined;
}

/** The ground drawn: the outline when there is one, else a frame round the trees. */
export function extentOf(orchard: Orchard, trees: { x: number; y: number; spread_m: number }[]): Extent {
  const pts = orchard.plot.outline.length > 2 ? orchard.plot.outline : [];
  const xs = [...pts.map((p) => p.x), ...trees.flatMap((t) => [t.x - t.spread_m / 2, t.x + t.spread_m / 2])];
  const ys = [...pts.map((p) => p.y), ...trees.flatMap((t) => [t.y - t.spread_m / 2, t.y + t.spread_m / 2])];
  if (pts.length)
    return {
      x0: Math.min(...pts.map((p) => p.x)),
      x1: Math.max(...pts.map((p) => p.x)),
      y0: Math.min(...pts.map((p) => p.y)),
      y1: Math.max(...pts.map((p) => p.y)),
    };
  if (!xs.length) return { x0: 0, y0: 0, x1: 12, y1: 8 };
  return {
    x0: Math.floor(Math.min(...xs, 0)),
    y0: Math.floor(Math.min(...ys, 0)),
    x1: Math.ceil(Math.max(...xs, 12)), // the frame of an empty plot: it grows, and never closes in on the trees
    y1: Math.ceil(Math.max(...ys, 8)),
  };
}

/** The plan of the plot to scale: every tree with its crown, year ring and height staff. */
export function YardPlan({
  orchard,
  plan,
  units,
  selected,
  onSelect,
  ghost,
  onGhost,
  light,
  onHover,
  spot: sunAt,
  onSpot,
  asked,
  beneath,
}: Props) {
  const [ref, width] = useWidth(700);
  const svg = useRef<SVGSVGElement>(null);
  const e = extentOf(orchard, plan.trees);
  const pad = 28;
  const s = Math.max(8, (width - 2 * pad) / (e.x1 - e.x0));
  const h = (e.y1 - e.y0) * s + 2 * pad + scaleBarHeight;
  const X = (m: number) => pad + (m - e.x0) * s;
  const Y = (m: number) => pad + (e.y1 - m) * s;
  const ring = width < 500 ? Math.min(20, Math.max(11, s * 0.5)) : Math.min(24, Math.max(14, s * 0.48));

  const spot = (p: PointerEvent, tell = onGhost) => {
    const box = svg.current?.getBoundingClientRect();
    if (!box || !tell) return;
    const round = (v: number) => Math.round(v * 10) / 10;
    tell(round((p.clientX - box.left - pad) / s + e.x0), round(e.y1 - (p.clientY - box.top - pad) / s));
  };
  const nudge = (k: KeyboardEvent) => {
    const d = arrowSteps[k.key];
    if (!d || !ghost || !onGhost) return;
    k.preventDefault();
    onGhost(Math.round((ghost.x + d[0]) * 10) / 10, Math.round((ghost.y + d[1]) * 10) / 10);
  };
  const placing = !!ghost && !!onGhost;

  return (
    <div ref={ref}>
      <svg
        ref={svg}
        className={css.plan}
        width={width}
        height={h}
        viewBox={`0 0 ${String(width)} ${String(h)}`}
        role="group"
        aria-label={`Plan of ${orchard.name}`}
        onPointerDown={(p) => {
          if (!placing) {
            if (onSpot && p.target instanceof Element && !p.target.closest('[role="button"]')) spot(p, onSpot);
            return;
          }
          p.currentTarget.setPointerCapture(p.pointerId);
          spot(p);
        }}
        onPointerMove={(p) => {
          if (placing && p.currentTarget.hasPointerCapture(p.pointerId)) spot(p);
        }}
        style={placing ? { cursor: 'crosshair', touchAction: 'none' } : undefined}
      >
        <PlanDefs />
        <PlanFrame X={X} Y={Y} e={e} units={units} />
        {placing && beneath && <Beneath p={beneath} X={X} Y={Y} s={s} />}
        {orchard.plot.outline.length > 2 && (
          <path
            d={`M${orchard.plot.outline.map((p) => `${String(X(p.x))} ${String(Y(p.y))}`).join('L')}Z`}
            fill="var(--sheet)"
            fillOpacity={placing && beneath ? 0.1 : 0.55}
            stroke="var(--rule-strong)"
            strokeWidth={0.8}
          />
        )}
        {orchard.plot.features.map((f) => (
          <FeatureShape key={f.id} f={f} X={X} Y={Y} s={s} />
        ))}
        {light && <LightLayer light={light} X={X} Y={Y} s={s} asked={asked ?? ''} />}
        {crowns(plan.trees).map((t) => (
          <Crown key={t.id} t={t} cx={X(t.x)} cy={Y(t.y)} s={s} />
        ))}
        {ghost && (
          <g>
            <circle
              cx={X(ghost.x)}
              cy={Y(ghost.y)}
              r={(ghost.spreadM / 2) * s}
              fill="var(--leaf-wash)"
              fillOpacity={0.6}
              stroke="var(--leaf)"
              strokeWidth={1.6}
              strokeDasharray="0.1 4"
              strokeLinecap="round"
            />
            {placing && (
              <g
                tabIndex={0}
                role="button"
                aria-label={`${ghost.code || 'New tree'}: arrow keys move it`}
                onKeyDown={nudge}
              >
                <circle
                  className={css.ringfocus}
                  cx={X(ghost.x)}
                  cy={Y(ghost.y)}
                  r={16}
                  fill="none"
                  stroke="var(--focus)"
                  strokeWidth={2}
                />
                <path
                  d={`M${String(X(ghost.x) - 9)} ${String(Y(ghost.y))}h18M${String(X(ghost.x))} ${String(Y(ghost.y) - 9)}v18`}
                  stroke="var(--ink)"
                  strokeWidth={1.6}
                />
              </g>
            )}
          </g>
        )}
        {plan.trees.map((t) => (
          <TreeMark
            key={t.id}
            t={t}
            plan={plan}
            cx={X(t.x)}
            cy={Y(t.y)}
            s={s}
            ring={ring}
            wide={width >= 500}
            units={units}
            selected={t.id === selected}
            onSelect={onSelect}
            inert={placing}
            bare={!!light}
            capM={light?.trees.find((x) => x.id === t.id)?.cap_m ?? 0}
            onHover={onHover}
          />
        ))}
        {ghost && placing && <Spacing ghost={ghost} trees={plan.trees} units={units} X={X} Y={Y} wide={width >= 500} />}
        {sunAt && (
          <path
            d={`M${String(X(sunAt.x) - 9)} ${String(Y(sunAt.y))}h18M${String(X(sunAt.x))} ${String(Y(sunAt.y) - 9)}v18`}
            stroke="var(--ink)"
            strokeWidth={2.4}
            aria-hidden="true"
            pointerEvents="none"
          />
        )}
        <ScaleBar x={X(e.x1)} y={Y(e.y0) + 20} s={s} units={units} />
        <NorthMark x={X(e.x1) - 20} y={Y(e.y1) + 26} north={orchard.plot.north_deg} />
      </svg>
      {ghost && placing && (
        <p className="sm q" role="status">
          {spacingSays(ghost, plan.trees, units)}
        </p>
      )}
    </div>
  );
}

/** The crowns drawn: trees of one hole are cut as one tree and drawn as one crown. */
export function crowns(trees: TreeSummary[]): TreeSummary[] {
  const out: TreeSummary[] = [];
  const holes = new Map<string, TreeSummary[]>();
  for (const t of trees) {
    if (!t.hole) out.push(t);
    else holes.set(t.hole, [...(holes.get(t.hole) ?? []), t]);
  }
  for (const group of holes.values()) {
    const [first] = group;
    if (!first) continue;
    const x = group.reduce((m, t) => m + t.x, 0) / group.length;
    const y = group.reduce((m, t) => m + t.y, 0) / group.length;
    const reach = Math.max(...group.map((t) => Math.hypot(t.x - x, t.y - y) + t.spread_m / 2));
    out.push({ ...first, x, y, spread_m: 2 * reach, estimated: group.some((t) => t.estimated) });
  }
  return out;
}

/** Forms as deep as a hand: drawn as strips. */
export const flat = new Set<string>(['flat-fan', 'wire-tiers', 'step-over']);

/** A crown footprint: solid when measured, hatched when estimated; flat forms are as deep as they are. */
function Crown({ t, cx, cy, s }: { t: TreeSummary; cx: number; cy: number; s: number }) {
  const r = (t.spread_m / 2) * s;
  const shape = (fill: string, stroke: string) =>
    flat.has(t.form) ? (
      <rect
        x={cx - r}
        y={cy - 0.25 * s}
        width={2 * r}
        height={0.5 * s}
        rx={0.2 * s}
        fill={fill}
        stroke={stroke}
        strokeWidth={1.1}
      />
    ) : (
      <circle cx={cx} cy={cy} r={r} fill={fill} stroke={stroke} strokeWidth={1.1} />
    );
  return (
    <g aria-hidden="true">
      {shape('var(--leaf-wash)', 'none')}
      {t.estimated && shape('url(#hatch-leaf)', 'none')}
      {shape('none', 'var(--leaf)')}
    </g>
  );
}

interface MarkProps {
  t: TreeSummary;
  plan: Plan;
  cx: number;
  cy: number;
  s: number;
  ring: number;
  wide: boolean;
  units: Units;
  selected: boolean;
  onSelect: (id: string) => void;
  inert: boolean;
  /** The height a neighbour's light allows; 0: none binds it, or it is not asked. */
  capM: number;
  /** In the light layer the ring of work stays away. */
  bare: boolean;
  onHover?: ((id: string) => void) | undefined;
}

function TreeMark({
  t,
  plan,
  cx,
  cy,
  s,
  ring,
  wide,
  units,
  selected,
  onSelect,
  inert,
  capM,
  bare,
  onHover,
}: MarkProps) {
  const group = mostPressing(t.bars);
  const over = t.height_m > t.reach_m + 0.05;
  const half = flat.has(t.form) ? 0.3 * s : (t.spread_m / 2) * s;
  const labelY = cy + Math.max(ring + 5, Math.min(half, ring + 14)) - 2;
  const says = [
    `${t.code} ${t.kind_name}${t.name ? ` ${t.name}` : ''}`,
    t.stage_says,
    t.height_m > 0 ? `${show(t.height_m, 'm', units)} high${over ? ', over reach' : ''}` : 'height unknown',
    group
      ? {
          now: 'work to do now',
          closing: 'work closing soon',
          opening: 'work opening soon',
          wait: 'work waits',
          anytime: 'work at any time',
        }[group]
      : 'nothing due',
  ].join(', ');
  return (
    <g
      role="button"
      tabIndex={inert ? -1 : 0}
      aria-label={says}
      aria-pressed={selected}
      onClick={() => onSelect(t.id)}
      onPointerEnter={() => onHover?.(t.id)}
      onPointerLeave={() => onHover?.('')}
      onFocus={() => onHover?.(t.id)}
      onBlur={() => onHover?.('')}
      onKeyDown={(k) => {
        if (k.key === 'Enter' || k.key === ' ') {
          k.preventDefault();
          onSelect(t.id);
        }
      }}
      style={inert ? { pointerEvents: 'none' } : undefined}
    >
      <circle cx={cx} cy={cy} r={Math.max(ring + 6, 24)} fill="transparent" />
      <circle
        className={css.ringfocus}
        cx={cx}
        cy={cy}
        r={ring + 10}
        fill="none"
        stroke="var(--focus)"
        strokeWidth={2}
      />
      {selected && (
        <circle cx={cx} cy={cy} r={Math.max(half + 5, ring + 9)} fill="none" stroke="var(--ink)" strokeWidth={1.6} />
      )}
      {!bare && <YearRing cx={cx} cy={cy} r={ring} bars={t.bars} from={plan.from} to={plan.to} day={plan.day} />}
      {wide && t.height_m > 0 && (
        <HeightStaff
          x={cx + ring + 15}
          foot={cy + ring}
          heightM={t.height_m}
          reachM={t.reach_m}
          label={show(t.height_m, 'm', units)}
          {...(capM > 0 && { capM, capLabel: show(capM, 'm', units) })}
        />
      )}
      <StakeShape code={t.code} look={lookOf(group)} x={wide && t.name ? cx - ring - 14 : cx - 13} y={labelY} />
      {wide && t.name && (
        <text
          className="halo"
          x={cx - ring - 14 + Math.max(22, 8 + t.code.length * 8) + 9}
          y={labelY + 13}
          fontSize={12}
        >
          {clip(t.name, 16)}
        </text>
      )}
    </g>
  );
}
