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
import type { Units } from '../shared/units';
import { spread, type Label } from './labels';
import { AboveFrame, gutter, Handle, HeightScale, Outline, RingMarks } from './treeFrame';
import { ZoneLines, type Zone } from './ZoneBars';
import { CutBar, CutMarks, cutSpot, type CutMark } from './CutMarks';
import type { Scale } from './scale';
import { Tag } from './Tag';
import { TopEnds } from './TopEnds';
import { painted, Wood, type Painted } from './LimbShape';
import {
  along,
  baseOf,
  depthOf,
  extent,
  fade,
  farFirst,
  fromAbove,
  nearest,
  place,
  standingAt,
  tipOf,
  type Limb,
  type Sheet,
  type Spot,
  type Vec,
  type View,
} from './wood';
import css from './drawing.module.css';

type Finding = Schemas['FindingBody'];

/** What the drawing can be told to do between renders. */
export interface Turnable {
  turn: (bearing: number) => void;
}

interface Props {
  limbs: readonly Limb[];
  season: string;
  units: Units;
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
  outline?: { height: number; width: number; form?: string } | undefined;
  /** What stands beside the tree, or as rings round it from above. */
  scale: Scale;
  /** Height in cm to what is said of it; none: as the scale has it. */
  heightSays?: ((cm: number) => string) | undefined;
  onChoose: (id: string) => void;
  onMoveTip?: ((id: string, to: Vec) => void) | undefined;
  onMoveBase?: ((id: string, cm: number) => void) | undefined;
  /** A new limb is being drawn: pressed on what carries it, so many cm along, and drawn to its tip. None: limbs are chosen. */
  onDrawn?: ((drawn: Drawn) => void) | undefined;
  chosenFinding?: string | undefined;
  /** Cuts on the slip, and the wood that goes with them: from which station on, by limb. */
  cuts?: readonly CutMark[] | undefined;
  chosenCut?: number | undefined;
  going?: ReadonlyMap<string, { from: number; n: number }> | undefined;
  onChooseCut?: ((n: number) => void) | undefined;
  /** Thirds of the height, where each has its own limit. */
  zones?: readonly Zone[] | undefined;
  /** Where the main limbs end under the slip. */
  tops?: readonly Schemas['TopBody'][] | undefined;
  ref?: Ref<Turnable>;
}

/** A limb drawn by hand: what carries it, from where along that, cm, and from where to where it goes. */
export interface Drawn {
  parent: string;
  attachCm: number;
  base: Vec;
  tip: Vec;
}

/** Shorter strokes than this on the screen draw no limb: they were taps. */
const leastStrokePx = 14;

const foot = 26;
const head = 12;
/** So many letters stand on the drawing at once; the list has them all. */
const mostLetters = 14;

/** A tree drawn from its own limb map: from where one stands, or from above. */
export function TreeDrawing({ ref, ...p }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ kind: 'tip' | 'base' | 'new'; id: string; at?: number } | null>(null);
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
  const order = useMemo(() => farFirst(p.limbs, view), [p.limbs, p.above, p.bearing]); // oxlint-disable-line react/exhaustive-deps -- the view follows from the two
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
    if (d.kind === 'new') {
      const base = along(l.stations, d.at ?? 0);
      const from = place(base, view, sheet);
      if (Math.hypot(spot.x - from.x, spot.y - from.y) >= leastStrokePx)
        p.onDrawn?.({ parent: l.id, attachCm: d.at ?? 0, base, tip: dragged(base, spot, view, sheet) });
    } else if (d.kind === 'tip') p.onMoveTip?.(l.id, dragged(tipOf(l), spot, view, sheet));
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
    const ends = { tip: baseOf, base: tipOf, new: () => along(l.stations, d.at ?? 0) };
    const from = place(ends[d.kind](l), view, sheet);
    svg.current
      ?.querySelector('.ghost')
      ?.setAttribute('d', `M${from.x.toFixed(1)} ${from.y.toFixed(1)}L${s.x.toFixed(1)} ${s.y.toFixed(1)}`);
  };
  /** Pressed while a limb is drawn: it begins on the limb under the finger. */
  const begin = (e: PointerEvent) => {
    dropped.current = false;
    if (!p.onDrawn || e.button !== 0) return;
    const spot = spotOf(e);
    const on = byId.get(hitLimb(p.limbs, spot, view, sheet) ?? '');
    if (!on) return;
    e.preventDefault();
    svg.current?.setPointerCapture(e.pointerId);
    drag.current = { kind: 'new', id: on.id, at: nearest(on.stations, spot, view, sheet).cm };
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
  const cuts = shownCuts(p.cuts ?? [], p.chosenCut ?? 0);
  const all = spread<Finding | CutMark>(
    [
      ...shown.map((f) => ({ item: f, at: place(f.place, view, sheet) })),
      ...cuts.flatMap((c) => {
        if (c.mark === '') return [];
        const l = byId.get(c.limb);
        return l ? [{ item: c, at: cutSpot(l, c.cm, view, sheet).at }] : [];
      }),
    ],
    sheet.x,
    { left: gutter + 12, right: p.width - 12, top: 14, bottom: height - foot - 6 },
  );
  const labels = all.filter((l): l is Label<Finding> => 'letter' in l.item);
  const marks = all.filter((l): l is Label<CutMark> => 'n' in l.item);
  const reach = extent(p.limbs).radius;

  return (
    // oxlint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/interactive-supports-focus -- its limbs take the keys and the focus
    <svg
      ref={svg}
      className={p.onDrawn ? `${css.tree} ${css.drawing}` : css.tree}
      viewBox={`0 0 ${String(p.width)} ${String(height)}`}
      width={p.width}
      height={height}
      role="tree"
      aria-label={p.above ? 'The tree from above, north up' : 'The tree from where you stand'}
      onPointerMove={move}
      onPointerUp={drop}
      onPointerCancel={drop}
      onDragStart={(e) => e.preventDefault()}
      onPointerDown={begin}
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
        <AboveFrame sheet={sheet} width={p.width} height={height} scale={p.scale} />
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
          <HeightScale sheet={sheet} top={height} scale={p.scale} />
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
          units={p.units}
          mix={fade(depthOf(l, view), p.above ? extent(p.limbs).top : reach)}
          parentRadius={(byId.get(l.parent ?? '')?.diameter_mm ?? 0) / 20}
          chosen={l.id === p.chosen}
          first={l.id === (p.chosen || p.limbs[0]?.id)}
          gone={goneOf(p.going?.get(l.id), p.chosenCut)}
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
      {!p.above && p.zones && <ZoneLines zones={p.zones} sheet={sheet} width={p.width} />}
      {!p.above && p.tops && p.tops.length > 0 && (
        <TopEnds
          tops={p.tops}
          limbs={p.limbs}
          view={view}
          sheet={sheet}
          width={p.width}
          from={gutter}
          letters={[...labels, ...marks].map((l) => l.label)}
          reach={{ x: p.width - 4 - p.reachSays.length * 3.6, y: reachY - 10, letters: p.reachSays.length }}
          says={p.heightSays ?? p.scale.says}
        />
      )}
      {chosen && <RingMarks l={chosen} view={view} sheet={sheet} />}
      <g className={css.letters} role="presentation">
        {labels.map(({ item, at, label }) => (
          <Tag
            key={item.letter}
            at={at}
            label={label}
            letter={item.letter}
            fill={item.letter === p.chosenFinding ? 'var(--ground)' : 'var(--ink)'}
            onPick={() => p.onChoose(item.limb)}
          >
            <circle cx={at.x} cy={at.y} r={2} fill="var(--ink)" pointerEvents="none" />
            <circle
              cx={label.x}
              cy={label.y}
              r={10}
              fill={item.letter === p.chosenFinding ? 'var(--ink)' : 'var(--sheet)'}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
          </Tag>
        ))}
      </g>
      {cuts
        .filter((c) => c.mark === '')
        .map((c) => (
          <CutBar key={c.n} c={c} l={byId.get(c.limb)} view={view} sheet={sheet} chosen={p.chosenCut ?? 0} />
        ))}
      {marks.length > 0 && (
        <CutMarks
          labels={marks}
          limbs={byId}
          view={view}
          sheet={sheet}
          chosen={p.chosenCut ?? 0}
          onChoose={(n) => p.onChooseCut?.(n)}
        />
      )}
      {chosen && (p.onMoveTip ?? p.onMoveBase) && (
        <g className={css.handles} role="presentation">
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

/** So many cut marks stand on the drawing at once, the chosen one among them. */
const mostCuts = 14;

function shownCuts(cuts: readonly CutMark[], chosen: number): readonly CutMark[] {
  if (cuts.length <= mostCuts) return cuts;
  const first = cuts.slice(0, mostCuts);
  const picked = cuts.find((c) => c.n === chosen);
  return picked && !first.includes(picked) ? [...first, picked] : first;
}

function goneOf(g: { from: number; n: number } | undefined, chosen: number | undefined) {
  return g && { from: g.from, chosen: g.n === chosen };
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
