import type { PointerEvent } from 'react';
import type { Scale } from './scale';
import { along, place, type Limb, type Sheet, type Spot, type View } from './wood';
import css from './drawing.module.css';

/** Room at the left for the scale of heights. */
export const gutter = 46;

/** The rings of a chosen limb: a stroke across it where a year's growth began, with the year. */
export function RingMarks({ l, view, sheet }: { l: Limb; view: View; sheet: Sheet }) {
  return (
    <g className={css.rings} role="presentation" pointerEvents="none">
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

export function Handle({
  spot,
  round,
  name,
  onDown,
}: {
  spot: Spot;
  round?: boolean;
  name: string;
  onDown: () => void;
}) {
  const down = (e: PointerEvent<SVGGElement>) => {
    e.stopPropagation();
    e.preventDefault(); // no text is selected or dragged along
    e.currentTarget.ownerSVGElement?.setPointerCapture(e.pointerId);
    onDown();
  };
  return (
    <g
      className={css.handle}
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

export function HeightScale({ sheet, top, scale: { step, says } }: { sheet: Sheet; top: number; scale: Scale }) {
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

/** The shape a form is kept to, as shares of its half width at shares of its height, from its foot up. */
const shapes: Record<string, readonly (readonly [number, number])[]> = {
  bowl: [
    [0.18, 0.22],
    [0.55, 0.3],
    [0.95, 0.62],
    [1, 1],
    [0.45, 0.86],
    [0, 0.72],
  ],
  cone: [
    [0.3, 0.14],
    [1, 0.2],
    [0.72, 0.5],
    [0.38, 0.8],
    [0, 1],
  ],
  bush: [
    [0.3, 0.02],
    [0.85, 0.15],
    [1, 0.5],
    [0.9, 0.85],
    [0.4, 1],
    [0, 1],
  ],
  fan: [
    [0.08, 0.14],
    [0.6, 0.3],
    [1, 0.62],
    [0.96, 1],
    [0.4, 1],
    [0, 1],
  ],
  round: [
    [0.35, 0.22],
    [0.95, 0.4],
    [1, 0.62],
    [0.75, 0.9],
    [0.3, 1],
    [0, 1],
  ],
};

/** Which of them a form is. */
export function shapeOf(form: string): keyof typeof shapes {
  if (/vase|bowl|four-arm/.test(form)) return 'bowl';
  if (/late|modified/.test(form)) return 'round';
  if (/leader|spindle|slim|column/.test(form)) return 'cone';
  if (/bush/.test(form)) return 'bush';
  if (/fan|wire|tier|step-over|flat/.test(form)) return 'fan';
  return 'round';
}

export function Outline({
  outline,
  sheet,
}: {
  outline: { height: number; width: number; form?: string };
  sheet: Sheet;
}) {
  const h = outline.height * sheet.scale;
  const w = (outline.width * sheet.scale) / 2;
  const side = shapes[shapeOf(outline.form ?? '')] ?? [];
  const at = ([x, y]: readonly [number, number], sign: number) =>
    `${(sheet.x + sign * x * w).toFixed(1)} ${(sheet.y - y * h).toFixed(1)}`;
  return (
    <path
      d={`M${side.map((p) => at(p, 1)).join('L')}L${[...side]
        .reverse()
        .map((p) => at(p, -1))
        .join('L')}Z`}
      strokeLinejoin="round"
      fill="var(--leaf-wash)"
      fillOpacity={0.7}
      stroke="var(--leaf)"
      strokeWidth={1.4}
      strokeDasharray="2 4"
    />
  );
}

/** Pixels between the words of two rings. */
const ringApart = 16;

/** Pixels at the rim where north has its letter. */
const underNorth = 34;

export function AboveFrame({
  sheet,
  width,
  height,
  scale: { step, says },
}: {
  sheet: Sheet;
  width: number;
  height: number;
  scale: Scale;
}) {
  const rings = [];
  const half = Math.min(width, height) / 2;
  const every = Math.max(1, Math.ceil(ringApart / (step * sheet.scale))); // rings whose words would meet have none
  for (let cm = step; cm * sheet.scale < half && rings.length < 12; cm += step)
    rings.push(
      <g key={cm}>
        <circle cx={sheet.x} cy={sheet.y} r={cm * sheet.scale} fill="none" stroke="var(--rule)" />
        {Math.round(cm / step) % every === 0 && cm * sheet.scale < half - underNorth && (
          <text x={sheet.x + 3} y={sheet.y - cm * sheet.scale - 3} fontSize={12} fill="var(--quiet)" className="halo">
            {says(cm)}
          </text>
        )}
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
          x={sheet.x + dx * (half - 10)}
          y={sheet.y + dy * (half - 10) + 5}
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
