import {
  useEffect,
  useImperativeHandle,
  useMemo,
  useRef,
  type KeyboardEvent,
  type MouseEvent,
  type PointerEvent,
  type Ref,
} from 'react';
import type { Schemas } from '../shared/api';
import { spread } from './labels';
import {
  along,
  baseOf,
  coarser,
  depthOf,
  extent,
  fade,
  farFirst,
  fromAbove,
  haloFrom,
  line,
  nearest,
  place,
  ribbon,
  standingAt,
  stationCount,
  stretches,
  tipOf,
  toneColour,
  type Limb,
  type Sheet,
  type Spot,
  type Vec,
  type View,
} from './wood';

type Finding = Schemas['FindingBody'];

/** What the drawing can be told to do between renders. */
export interface Turnable {
  turn: (bearing: number) => void;
}

interface Props {
  limbs: readonly Limb[];
  season: string;
  findings: readonly Finding[];
  /** Where one stands; ignored from above. */
  bearing: number;
  above: boolean;
  width: number;
  height: number;
  reachCm: number;
  reachSays: string;
  chosen: string;
  /** Wanted outline of the form, cm; none: not shown. */
  outline?: { height: number; width: number } | undefined;
  /** Height in cm to what stands beside each tick of the scale. */
  scaleSays: (cm: number) => string;
  scaleStepCm: number;
  onChoose: (id: string) => void;
  onMoveTip?: ((id: string, to: Vec) => void) | undefined;
  onMoveBase?: ((id: string, cm: number) => void) | undefined;
  chosenFinding?: string | undefined;
  ref?: Ref<Turnable>;
}

const foot = 26;
const head = 12;
const gutter = 46;
/** Estimated wood wide enough on the screen is hatched. */
const hatchFrom = 2.6;
/** So many letters stand on the drawing at once; the list has them all. */
const mostLetters = 14;

/** A tree drawn from its own limb map: from where one stands, or from above. */
export function TreeDrawing({ ref, ...p }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ kind: 'tip' | 'base'; id: string } | null>(null);
  const dropped = useRef(false);
  const { sheet, height } = useMemo(
    () => layout(p.limbs, p.above, p.width, p.height, p.reachCm, p.outline),
    [p.limbs, p.above, p.width, p.height, p.reachCm, p.outline],
  );
  const view = p.above ? fromAbove : standingAt(p.bearing);
  const wood = useRef<Painted | null>(null);
  useEffect(() => {
    wood.current = null; // what was rendered anew is found anew
    svg.current?.classList.remove('turning');
  });
  useImperativeHandle(
    ref,
    () => ({
      turn: (bearing) => {
        if (!svg.current) return;
        wood.current ??= painted(svg.current, p.limbs, p.season, sheet);
        const at = standingAt(bearing);
        for (const w of wood.current) w.path.setAttribute('d', w.draw(at));
      },
    }),
    [p.limbs, p.season, sheet],
  );
  const byId = useMemo(() => new Map(p.limbs.map((l) => [l.id, l])), [p.limbs]);
  const order = useMemo(() => farFirst(p.limbs, view), [p.limbs, p.above, p.bearing]); // eslint-disable-line react-hooks/exhaustive-deps -- the view follows from the two
  const chosen = byId.get(p.chosen);
  const ground = sheet.y;
  const reachY = sheet.y - p.reachCm * sheet.scale;

  const spotOf = (e: PointerEvent | MouseEvent): Spot => {
    const box = svg.current?.getBoundingClientRect();
    return box
      ? {
          x: ((e.clientX - box.left) * p.width) / box.width,
          y: ((e.clientY - box.top) * height) / box.height,
        }
      : { x: 0, y: 0 };
  };
  const drop = (e: PointerEvent) => {
    const d = drag.current;
    drag.current = null;
    dropped.current = !!d;
    svg.current?.querySelector('.ghost')?.setAttribute('d', '');
    const l = d && byId.get(d.id);
    if (!d || !l || e.type === 'pointercancel') return;
    const spot = spotOf(e);
    if (d.kind === 'tip') p.onMoveTip?.(l.id, dragged(tipOf(l), spot, view, sheet));
    else {
      const parent = byId.get(l.parent ?? '');
      if (parent) p.onMoveBase?.(l.id, Math.round(nearest(parent.stations, spot, view, sheet).cm * 10) / 10);
    }
  };
  const move = (e: PointerEvent) => {
    const d = drag.current;
    const l = d && byId.get(d.id);
    if (!d || !l) return;
    const s = spotOf(e);
    const from = place(d.kind === 'tip' ? baseOf(l) : tipOf(l), view, sheet);
    svg.current
      ?.querySelector('.ghost')
      ?.setAttribute('d', `M${from.x.toFixed(1)} ${from.y.toFixed(1)}L${s.x.toFixed(1)} ${s.y.toFixed(1)}`);
  };
  const choose = (e: MouseEvent) => {
    if (dropped.current) {
      dropped.current = false; // the click that ends a drag chooses nothing
      return;
    }
    const hit = hitLimb(p.limbs, spotOf(e), view, sheet);
    if (hit) p.onChoose(hit);
  };
  const key = (e: KeyboardEvent, id: string) => {
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      p.onChoose(id);
      return;
    }
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[e.key];
    if (step === undefined) return;
    e.preventDefault();
    const i = p.limbs.findIndex((l) => l.id === id);
    const next = p.limbs[Math.max(0, Math.min(p.limbs.length - 1, i + step))];
    if (next) svg.current?.querySelector<SVGGElement>(`[data-limb="${CSS.escape(next.id)}"]`)?.focus();
  };
  const shown = p.findings.slice(0, mostLetters);
  const picked = p.findings.find((f) => f.letter === p.chosenFinding);
  if (picked && !shown.includes(picked)) shown.push(picked);
  const labels = spread(
    shown.map((f) => ({ item: f, at: place(f.place as unknown as Vec, view, sheet) })),
    sheet.x,
    { left: gutter + 12, right: p.width - 12, top: 14, bottom: height - foot - 6 },
  );
  const reach = extent(p.limbs).radius;

  return (
    <svg
      ref={svg}
      className="tree"
      viewBox={`0 0 ${String(p.width)} ${String(height)}`}
      width={p.width}
      height={height}
      role="tree"
      aria-label={p.above ? 'The tree from above, north up' : 'The tree from where you stand'}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={drop}
      onDragStart={(e) => e.preventDefault()}
      onPointerDown={() => (dropped.current = false)}
      onClick={choose}
    >
      <defs>
        <pattern id="hatch" width={5} height={5} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="var(--wood-old)" strokeWidth={1.3} />
        </pattern>
        <pattern id="soil" width={9} height={8} patternUnits="userSpaceOnUse">
          <path d="M0 8L6 0" stroke="var(--rule-strong)" strokeWidth={0.8} />
        </pattern>
      </defs>
      {p.above ? (
        <AboveFrame sheet={sheet} width={p.width} height={height} says={p.scaleSays} step={p.scaleStepCm} />
      ) : (
        <g role="presentation">
          {reachY > 0 && (
            <rect x={gutter} y={0} width={p.width - gutter} height={reachY} fill="var(--autumn-wash)" opacity={0.6} />
          )}
          <rect x={gutter} y={ground} width={p.width - gutter} height={9} fill="url(#soil)" />
          <path
            d={`M${String(gutter)} ${ground.toFixed(1)}H${String(p.width)}`}
            stroke="var(--ink)"
            strokeWidth={1.2}
          />
          <HeightScale sheet={sheet} top={height} says={p.scaleSays} step={p.scaleStepCm} />
          {p.outline && <Outline outline={p.outline} sheet={sheet} />}
        </g>
      )}
      {order.map((l) => (
        <Wood
          key={l.id}
          l={l}
          view={view}
          sheet={sheet}
          season={p.season}
          mix={fade(depthOf(l, view), p.above ? extent(p.limbs).top : reach)}
          parentRadius={(byId.get(l.parent ?? '')?.diameter_mm ?? 0) / 20}
          chosen={l.id === p.chosen}
          first={l.id === (p.chosen || p.limbs[0]?.id)}
          onKey={key}
        />
      ))}
      {!p.above && (
        <g role="presentation" pointerEvents="none">
          <path
            d={`M${String(gutter)} ${reachY.toFixed(1)}H${String(p.width)}`}
            stroke="var(--leaf)"
            strokeWidth={1.8}
            strokeDasharray="7 5"
          />
          <path d={`M${String(gutter - 8)} ${(reachY - 5).toFixed(1)}l8 5l-8 5Z`} fill="var(--leaf)" />
          <text
            x={p.width - 4}
            y={reachY - 6}
            textAnchor="end"
            fontSize={13}
            fontWeight={700}
            fill="var(--leaf)"
            className="halo"
          >
            {p.reachSays}
          </text>
        </g>
      )}
      {chosen && <RingMarks l={chosen} view={view} sheet={sheet} />}
      <g className="letters" role="presentation">
        {labels.map(({ item, at, label }) => (
          <g
            key={item.letter}
            role="presentation"
            onClick={(e) => {
              e.stopPropagation();
              p.onChoose(item.limb);
            }}
          >
            <path
              d={`M${label.x.toFixed(1)} ${label.y.toFixed(1)}L${at.x.toFixed(1)} ${at.y.toFixed(1)}`}
              stroke="var(--ink)"
              strokeWidth={0.9}
              pointerEvents="none"
            />
            <circle cx={at.x} cy={at.y} r={2} fill="var(--ink)" pointerEvents="none" />
            <circle
              cx={label.x}
              cy={label.y}
              r={10}
              fill={item.letter === p.chosenFinding ? 'var(--ink)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
            <text
              x={label.x}
              y={label.y + 4.3}
              textAnchor="middle"
              fontSize={12}
              fontWeight={700}
              style={{ fill: item.letter === p.chosenFinding ? 'var(--ground)' : 'var(--ink)' }}
            >
              {item.letter}
            </text>
          </g>
        ))}
      </g>
      {chosen && (p.onMoveTip ?? p.onMoveBase) && (
        <g className="handles" role="presentation">
          <Handle
            spot={place(tipOf(chosen), view, sheet)}
            round
            name="tip"
            onDown={() => (drag.current = { kind: 'tip', id: chosen.id })}
          />
          {chosen.parent && (
            <Handle
              spot={place(baseOf(chosen), view, sheet)}
              name="base"
              onDown={() => (drag.current = { kind: 'base', id: chosen.id })}
            />
          )}
        </g>
      )}
      <path className="ghost" d="" stroke="var(--leaf)" strokeWidth={3} strokeDasharray="6 4" fill="none" />
    </svg>
  );
}

function layout(
  limbs: readonly Limb[],
  above: boolean,
  width: number,
  height: number,
  reachCm: number,
  outline: { height: number; width: number } | undefined,
): { sheet: Sheet; height: number } {
  const e = extent(limbs);
  const half = Math.max(e.radius, (outline?.width ?? 0) / 2) + 12;
  if (above) {
    const scale = Math.min(width - 2 * gutter, height - 40) / (2 * half);
    return { sheet: { scale, x: width / 2, y: height / 2 }, height };
  }
  const top = Math.max(e.top, reachCm + 12, outline?.height ?? 0) + 14;
  const scale = Math.min((width - gutter - 40) / (2 * half), (height - foot - head) / top);
  const used = Math.min(height, top * scale + foot + head); // a wide low tree needs no empty sky
  return { sheet: { scale, x: gutter + (width - gutter) / 2, y: used - foot }, height: used };
}

/** Where a tip dragged to a spot lies: its depth stays, what is seen moves. */
function dragged(tip: Vec, spot: Spot, view: View, sheet: Sheet): Vec {
  const was = place(tip, view, sheet);
  const dx = (spot.x - was.x) / sheet.scale;
  const dy = -(spot.y - was.y) / sheet.scale;
  return [
    tip[0] + dx * view.right[0] + dy * view.up[0],
    tip[1] + dx * view.right[1] + dy * view.up[1],
    tip[2] + dx * view.right[2] + dy * view.up[2],
  ];
}

/** A finger is wide: the limb nearest within this many pixels is meant, the thinner before the thicker. */
const fingerPx = 14;

function hitLimb(limbs: readonly Limb[], spot: Spot, view: View, sheet: Sheet): string | undefined {
  let best: { id: string; score: number } | undefined;
  for (const l of limbs) {
    const { px } = nearest(l.stations, spot, view, sheet);
    if (px > fingerPx + (l.diameter_mm / 20) * sheet.scale) continue;
    const score = px + l.diameter_mm * 0.02;
    if (!best || score < best.score) best = { id: l.id, score };
  }
  return best?.id;
}

const span = (s: { from: number; to: number }) => s.to - s.from;

/** The elements of the wood, found once, so that a turn only writes attributes. */
type Painted = { path: SVGPathElement; draw: (view: View) => string }[];

function painted(svg: SVGSVGElement, limbs: readonly Limb[], season: string, sheet: Sheet): Painted {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const out: Painted = [];
  for (const g of svg.querySelectorAll<SVGGElement>('[data-limb]')) {
    const l = byId.get(g.dataset.limb ?? '');
    if (!l) continue;
    const parts = stretches(l, season);
    const longest = parts.reduce((a, p, i) => (span(p) > span(parts[a] ?? p) ? i : a), 0);
    g.querySelectorAll<SVGPathElement>('path[data-part]').forEach((path, k) => {
      const part = parts[k];
      if (!part) return;
      const twig = l.depth > 1; // on the move a twig is one piece, in the colour of most of it
      if (twig && k !== longest) {
        path.setAttribute('d', '');
        return;
      }
      const some = twig
        ? coarser(l.stations, 0, stationCount(l.stations) - 1, 5)
        : coarser(l.stations, part.from, part.to, 2);
      const last = stationCount(some) - 1;
      out.push({ path, draw: (v) => ribbon(some, 0, last, v, sheet) });
    });
  }
  svg.classList.add('turning'); // letters, halos and hatching come back at rest
  return out;
}

interface WoodProps {
  l: Limb;
  view: View;
  sheet: Sheet;
  season: string;
  mix: number;
  parentRadius: number;
  chosen: boolean;
  first: boolean;
  onKey: (e: KeyboardEvent, id: string) => void;
}

function Wood({ l, view, sheet, season, mix, parentRadius, chosen, first, onKey }: WoodProps) {
  const n = l.stations.length / 5;
  const from = haloFrom(l.stations, parentRadius);
  const estimated = l.source === 'estimated';
  const wide = (l.diameter_mm / 10) * sheet.scale > hatchFrom;
  return (
    <g
      role="treeitem"
      aria-selected={chosen}
      aria-level={l.depth + 1}
      aria-label={limbSays(l)}
      tabIndex={first ? 0 : -1}
      data-limb={l.id}
      className={chosen ? 'limb chosen' : 'limb'}
      onKeyDown={(e) => onKey(e, l.id)}
    >
      {from < n - 1 && (
        <path
          data-halo={from}
          d={ribbon(l.stations, from, n - 1, view, sheet)}
          stroke="var(--ground)"
          strokeWidth={2.4}
          fill="var(--ground)"
        />
      )}
      {stretches(l, season).map((s) => {
        const colour = `color-mix(in srgb, ${toneColour[s.tone]} ${String(Math.round((1 - mix) * 100))}%, var(--ground))`;
        const dead = s.tone === 'dead';
        const light = estimated && wide && !dead;
        return (
          <path
            key={s.from}
            data-part=""
            d={ribbon(l.stations, s.from, s.to, view, sheet)}
            fill={dead ? 'var(--ground)' : light ? `color-mix(in srgb, ${colour} 45%, var(--ground))` : colour}
            stroke={chosen ? 'var(--leaf)' : colour}
            strokeWidth={chosen ? 1.8 : dead ? 1.2 : light ? 1 : 0.3}
            strokeDasharray={dead ? '4 3' : undefined}
          />
        );
      })}
      {estimated && wide && l.dead_from_cm !== 0 && (
        <path
          data-hatch=""
          d={ribbon(l.stations, 0, n - 1, view, sheet)}
          fill="url(#hatch)"
          opacity={0.5 * (1 - mix)}
        />
      )}
      {l.source === 'predicted' && (
        <path
          d={line(l.stations, view, sheet)}
          fill="none"
          stroke="var(--leaf)"
          strokeWidth={1.6}
          strokeDasharray="0.1 5"
          strokeLinecap="round"
        />
      )}
    </g>
  );
}

function limbSays(l: Limb): string {
  const parts = [
    l.id,
    l.parent ? `on ${l.parent}` : 'stem',
    `${String(Math.round(l.length_cm))} cm long`,
    `${String(Math.round(l.diameter_mm))} mm thick`,
    l.source,
  ];
  if (l.dead_from_cm !== undefined) parts.push('dead wood');
  return parts.join(', ');
}

/** The rings of a chosen limb: a stroke across it where a year's growth began, with the year. */
function RingMarks({ l, view, sheet }: { l: Limb; view: View; sheet: Sheet }) {
  return (
    <g className="rings" role="presentation" pointerEvents="none">
      {l.rings.slice(1).map((r) => {
        const a = place(along(l.stations, r.from_cm), view, sheet);
        const b = place(along(l.stations, r.from_cm + 2), view, sheet);
        const d = Math.hypot(b.x - a.x, b.y - a.y) || 1;
        const half = Math.max(4, (l.diameter_mm / 20) * sheet.scale + 3);
        const nx = (-(b.y - a.y) / d) * half;
        const ny = ((b.x - a.x) / d) * half;
        return (
          <g key={r.from_cm}>
            <path
              d={`M${(a.x - nx).toFixed(1)} ${(a.y - ny).toFixed(1)}L${(a.x + nx).toFixed(1)} ${(a.y + ny).toFixed(1)}`}
              stroke="var(--ink)"
              strokeWidth={1.6}
            />
            {r.year !== undefined && (
              <text x={a.x + nx + 3} y={a.y + ny + 4} fontSize={12} className="halo" fill="var(--ink)">
                {r.year}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

function Handle({ spot, round, name, onDown }: { spot: Spot; round?: boolean; name: string; onDown: () => void }) {
  const down = (e: PointerEvent<SVGGElement>) => {
    e.stopPropagation();
    e.preventDefault(); // no text is selected or dragged along
    e.currentTarget.ownerSVGElement?.setPointerCapture(e.pointerId);
    onDown();
  };
  return (
    <g
      className="handle"
      data-handle={name}
      role="presentation"
      onPointerDown={down}
      onClick={(e) => e.stopPropagation()}
    >
      <circle cx={spot.x} cy={spot.y} r={24} fill="transparent" />
      {round ? (
        <circle cx={spot.x} cy={spot.y} r={7} fill="var(--sheet)" stroke="var(--leaf)" strokeWidth={2.4} />
      ) : (
        <rect
          x={spot.x - 6}
          y={spot.y - 6}
          width={12}
          height={12}
          fill="var(--sheet)"
          stroke="var(--leaf)"
          strokeWidth={2.4}
        />
      )}
    </g>
  );
}

function HeightScale({
  sheet,
  top,
  says,
  step,
}: {
  sheet: Sheet;
  top: number;
  says: (cm: number) => string;
  step: number;
}) {
  const marks = [];
  for (let cm = 0; sheet.y - cm * sheet.scale > 8 && marks.length < 40; cm += step) {
    const y = sheet.y - cm * sheet.scale;
    if (y > top) break;
    marks.push(
      <g key={cm}>
        <path d={`M${String(gutter - 6)} ${y.toFixed(1)}h6`} stroke="var(--ink)" strokeWidth={1} />
        <text x={gutter - 9} y={y + 4} textAnchor="end" fontSize={12} fill="var(--quiet)">
          {says(cm)}
        </text>
      </g>,
    );
  }
  return (
    <g>
      <path d={`M${String(gutter)} ${sheet.y.toFixed(1)}V0`} stroke="var(--rule-strong)" strokeWidth={1} />
      {marks}
    </g>
  );
}

function Outline({ outline, sheet }: { outline: { height: number; width: number }; sheet: Sheet }) {
  const h = outline.height * sheet.scale;
  const w = (outline.width * sheet.scale) / 2;
  const foot = 0.22 * h;
  return (
    <path
      d={`M${(sheet.x - w * 0.35).toFixed(1)} ${(sheet.y - foot).toFixed(1)}C${(sheet.x - w * 1.15).toFixed(1)} ${(sheet.y - h * 0.45).toFixed(1)} ${(sheet.x - w * 1.1).toFixed(1)} ${(sheet.y - h).toFixed(1)} ${sheet.x.toFixed(1)} ${(sheet.y - h).toFixed(1)}S${(sheet.x + w * 1.15).toFixed(1)} ${(sheet.y - h * 0.45).toFixed(1)} ${(sheet.x + w * 0.35).toFixed(1)} ${(sheet.y - foot).toFixed(1)}Z`}
      fill="var(--leaf-wash)"
      fillOpacity={0.7}
      stroke="var(--leaf)"
      strokeWidth={1.4}
      strokeDasharray="2 4"
    />
  );
}

function AboveFrame({
  sheet,
  width,
  height,
  says,
  step,
}: {
  sheet: Sheet;
  width: number;
  height: number;
  says: (cm: number) => string;
  step: number;
}) {
  const rings = [];
  for (let cm = step; cm * sheet.scale < Math.min(width, height) / 2 && rings.length < 12; cm += step)
    rings.push(
      <g key={cm}>
        <circle cx={sheet.x} cy={sheet.y} r={cm * sheet.scale} fill="none" stroke="var(--rule)" />
        <text x={sheet.x + 3} y={sheet.y - cm * sheet.scale - 3} fontSize={12} fill="var(--quiet)" className="halo">
          {says(cm)}
        </text>
      </g>,
    );
  return (
    <g role="presentation">
      {rings}
      {(
        [
          ['N', 0, -1],
          ['E', 1, 0],
          ['S', 0, 1],
          ['W', -1, 0],
        ] as const
      ).map(([n, dx, dy]) => (
        <text
          key={n}
          x={sheet.x + dx * (Math.min(width, height) / 2 - 10)}
          y={sheet.y + dy * (Math.min(width, height) / 2 - 10) + 5}
          textAnchor="middle"
          fontSize={14}
          fontWeight={700}
          fill="var(--ink)"
        >
          {n}
        </text>
      ))}
    </g>
  );
}
