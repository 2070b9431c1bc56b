import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { compass, extent, fromAbove, line, turned, type Limb } from './wood';
import css from './drawing.module.css';

interface Props {
  limbs: readonly Limb[];
  bearing: number;
  size: number;
  /** While the dial is dragged: the drawing follows without a new layout. */
  onTurning: (bearing: number) => void;
  /** The dial came to rest. */
  onTurn: (bearing: number) => void;
}

/** A smaller dial has no room for names. */
const labelledFrom = 140;

/** The tree from above in a compass; the stake on its rim is where you stand. */
export function WalkRound({ limbs, bearing, size, onTurning, onTurn }: Props) {
  const dragging = useRef(false);
  const you = useRef<SVGGElement>(null);
  const c = size / 2;
  const r = c - 18;
  const { radius } = extent(limbs);
  const sheet = { scale: (r - 14) / radius, x: c, y: c };
  const at = (e: PointerEvent<SVGSVGElement>) => {
    const box = e.currentTarget.getBoundingClientRect();
    const dx = e.clientX - box.left - (c * box.width) / size;
    const dy = e.clientY - box.top - (c * box.height) / size;
    return turned((Math.atan2(dx, -dy) * 180) / Math.PI, 0);
  };
  const show = (b: number) =>
    you.current?.setAttribute('transform', `rotate(${b.toFixed(1)} ${String(c)} ${String(c)})`);
  const key = (e: KeyboardEvent) => {
    const by = { ArrowLeft: -5, ArrowDown: -5, ArrowRight: 5, ArrowUp: 5, PageUp: 45, PageDown: -45 }[e.key];
    if (by === undefined) return;
    e.preventDefault();
    onTurn(turned(bearing, by));
  };
  const wedge = `M${String(c)} ${String(c)}L${String(c - r * 0.62)} ${String(c - r * 0.78)}A${String(r)} ${String(r)} 0 0 1 ${String(c + r * 0.62)} ${String(c - r * 0.78)}Z`;
  return (
    <svg
      className={css.dial}
      viewBox={`0 0 ${String(size)} ${String(size)}`}
      width={size}
      height={size}
      role="slider"
      tabIndex={0}
      aria-label="Walk round: where you stand"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={Math.round(bearing)}
      aria-valuetext={`${String(Math.round(bearing))} degrees, looking ${compass(bearing + 180)}`}
      onKeyDown={key}
      onPointerDown={(e) => {
        dragging.current = true;
        e.currentTarget.setPointerCapture(e.pointerId);
        show(at(e));
        onTurning(at(e));
      }}
      onPointerMove={(e) => {
        if (!dragging.current) return;
        show(at(e));
        onTurning(at(e));
      }}
      onPointerUp={(e) => {
        if (!dragging.current) return;
        dragging.current = false;
        onTurn(at(e));
      }}
    >
      <circle cx={c} cy={c} r={r} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.2} />
      <g ref={you} transform={`rotate(${bearing.toFixed(1)} ${String(c)} ${String(c)})`}>
        <path d={wedge} fill="var(--leaf-wash)" transform={`rotate(180 ${String(c)} ${String(c)})`} />
        <path
          d={`M${String(c - 7)} ${String(c - r - 14)}h14v10l-7 8l-7 -8Z`}
          fill="var(--leaf)"
          stroke="var(--ground)"
          strokeWidth={1}
        />
      </g>
      {Array.from({ length: 24 }, (_, i) => (
        <path
          key={i}
          d={`M${String(c)} ${String(c - r)}v${i % 6 === 0 ? '8' : '4'}`}
          stroke="var(--ink)"
          strokeWidth={i % 6 === 0 ? 1.4 : 0.8}
          transform={`rotate(${String(i * 15)} ${String(c)} ${String(c)})`}
        />
      ))}
      {(['N', 'E', 'S', 'W'] as const).map((n, i) => (
        <text
          key={n}
          x={c + (r - 15) * Math.sin((i * Math.PI) / 2)}
          y={c - (r - 15) * Math.cos((i * Math.PI) / 2) + 4}
          textAnchor="middle"
          fontSize={12}
          fontWeight={700}
          fill="var(--ink)"
          className="halo"
        >
          {n}
        </text>
      ))}
      {limbs.map((l) => (
        <path
          key={l.id}
          d={line(l.stations, fromAbove, sheet)}
          fill="none"
          stroke={l.depth < 2 ? 'var(--wood-old)' : 'var(--wood-last)'}
          strokeWidth={Math.max(0.6, (l.diameter_mm / 10) * sheet.scale)}
          strokeDasharray={l.dead_from_cm === 0 ? '2 2' : undefined}
          strokeLinecap="round"
        />
      ))}
      {limbs
        .filter((l) => l.depth === 1 && size > labelledFrom)
        .map((l) => {
          const i = l.stations.length - 5;
          const x = c + (l.stations[i] ?? 0) * sheet.scale * 0.72;
          const y = c - (l.stations[i + 1] ?? 0) * sheet.scale * 0.72;
          return (
            <text key={l.id} x={x} y={y + 4} textAnchor="middle" fontSize={12} fill="var(--ink)" className="halo">
              {l.id.length <= 3 ? l.id : ''}
            </text>
          );
        })}
    </svg>
  );
}
