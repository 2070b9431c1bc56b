import { useMemo, useRef, useState } from 'react';
import { angleAt, spotOn } from '../shared/turned';
import { lengths, marksOf } from '../drawing/scale';
import { dot, standingAt, stationAt, stationCount, type Limb } from '../drawing/wood';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { say } from '../shared/units';
import type { Bend, Candidate } from './queries';
import css from './training.module.css';

interface Props {
  limbs: readonly Limb[];
  bend: Bend | undefined;
  candidates: readonly Candidate[] | undefined;
  reachCm: number;
  onChoose: (limb: string) => void;
  /** The angle that is wanted of the limb, where a person asked for one. */
  aimDeg: number | undefined;
  onAim: (deg: number) => void;
}

/** A limb is pulled on the drawing between these, degrees from upright. */
const pulled = { least: 5, most: 100 };

const high = 400;
const ground = 372;
const rad = Math.PI / 180;

/** The tree from the side, turned so that the limb that is bent stands square to the eye: else its angle would lie. */
export function Elevation({ limbs, bend, candidates, reachCm, onChoose, aimDeg, onAim }: Props) {
  const { units } = useHere();
  const scale = lengths(units, 50);
  const [box, width] = useWidth(620);
  const [over, setOver] = useState('');
  const svg = useRef<SVGSVGElement>(null);
  const [pulling, setPulling] = useState(false);
  const bearing = ((bend?.azimuth_deg ?? 115) + 90) % 360;
  const view = useMemo(() => standingAt(bearing), [bearing]);
  const drawn = useMemo(() => {
    return limbs.map((l) => {
      const points: { x: number; z: number; r: number; age: number }[] = [];
      for (let k = 0; k < stationCount(l.stations); k++) {
        const p = stationAt(l.stations, k);
        points.push({
          x: dot(p, view.right),
          z: p[2],
          r: l.stations[k * 5 + 3] ?? 0.5,
          age: l.stations[k * 5 + 4] ?? 1,
        });
      }
      return { id: l.id, depth: l.depth, points };
    });
  }, [limbs, view]);
  const tops = Math.max(120, ...drawn.flatMap((l) => l.points.map((p) => p.z)));
  const wide = Math.max(
    90,
    ...drawn.flatMap((l) => l.points.map((p) => Math.abs(p.x))),
    (bend?.peg_cm ?? 0) + 20,
    bend ? Math.max(...bend.bent.map((p) => p.out)) + 30 : 0,
  );
  const k = Math.min(
    (ground - 26) / Math.max(tops + 8, Math.min(reachCm + 10, tops * 1.25)),
    (width - 60) / (2 * wide),
  );
  const X = (x: number) => width / 2 + x * k;
  const Y = (z: number) => ground - z * k;
  const chosen = limbs.find((l) => l.id === bend?.limb);
  const fork = chosen ? dot(stationAt(chosen.stations, 0), view.right) : 0;
  const out = 1; // the limb runs to the right of the sheet
  const curve = (points: Bend['now']) =>
    points.map((p) => `${String(X(fork + out * p.out))} ${String(Y((bend?.fork_cm ?? 0) + p.up))}`).join('L');
  const at = (deg: number, cm: number) => ({
    x: X(fork + Math.sin(deg * rad) * cm),
    y: Y((bend?.fork_cm ?? 0) + Math.cos(deg * rad) * cm),
  });
  const arc = (from: number, to: number, cm: number) => {
    const a = at(from, cm);
    const b = at(to, cm);
    return `M${String(a.x)} ${String(a.y)}A${String(cm * k)} ${String(cm * k)} 0 0 1 ${String(b.x)} ${String(b.y)}`;
  };
  const r = bend ? Math.max(bend.contact_cm, 30) : 0;
  const moves = bend && Math.abs(bend.to_deg - bend.now_deg) >= 1;
  const today = bend ? at(bend.today_deg, bend.contact_cm) : { x: 0, y: 0 };
  const wanted = aimDeg ?? bend?.to_deg ?? 45;
  const pull = (deg: number) => onAim(Math.round(Math.max(pulled.least, Math.min(pulled.most, deg))));
  const grip = bend ? at(wanted, 0.62 * r) : { x: 0, y: 0 };
  const partner = bend?.between && drawn.find((l) => l.id === bend.between?.limb);
  const far = partner && bend ? along(partner.points, bend.contact_cm) : undefined;
  const said =
    bend && moves
      ? [
          { ...at(bend.now_deg, r + 34), dx: 6, dy: 0 },
          { ...at(bend.today_deg, r + 40), dx: 8, dy: 14 },
        ].map(({ x, y, dx, dy }) => ({ x: x + dx, y: y + dy }))
      : [];
  /** A limb's name stands at its tip, or over the words of the bend where they stand there. */
  const nameAt = (x: number, y: number): number => {
    const under = said.find((w) => x > w.x - nameWide && x < w.x + wordsWide && Math.abs(y - w.y) < lineHigh);
    return under ? nameAt(x, under.y - lineHigh) : y;
  };
  const stateOf = (id: string) => candidates?.find((c) => c.limb === id)?.state;
  const colour = (age: number) => (age <= 1 ? 'var(--wood-last)' : age === 2 ? 'var(--wood-two)' : 'var(--wood-old)');
  return (
    <div ref={box} className={css.elevation}>
      <svg
        width={width}
        height={high}
        viewBox={`0 0 ${String(width)} ${String(high)}`}
        ref={svg}
        role="group"
        onPointerMove={(e) => {
          if (!pulling || !bend || !svg.current) return;
          const fixed = { x: X(fork), y: Y(bend.fork_cm) };
          pull(angleAt(fixed, { x: fixed.x, y: fixed.y - 1 }, spotOn(svg.current, e)));
        }}
        onPointerUp={() => setPulling(false)}
        onPointerCancel={() => setPulling(false)}
        aria-label={
          bend
            ? `${bend.limb} square to the eye: ${bend.now_deg.toFixed(0)} degrees now${moves ? `, ${bend.today_deg.toFixed(0)} today, safe to ${bend.safe_deg.toFixed(0)}` : ''}`
            : 'The tree from the side'
        }
      >
        <path d={`M20 ${String(ground)}H${String(width - 20)}`} stroke="var(--wood-old)" />
        <path d={`M20 12V${String(ground)}`} stroke="var(--rule-strong)" />
        {marksOf(scale, 0, tops).map((cm) => (
          <g key={cm}>
            <path d={`M14 ${String(Y(cm))}H20`} stroke="var(--rule-strong)" />
            {cm > 0 && (
              <text x={26} y={Y(cm) + 4} fontSize={12}>
                {scale.says(cm)}
              </text>
            )}
          </g>
        ))}
        {reachCm * k < ground - 10 && (
          <g>
            <path
              d={`M20 ${String(Y(reachCm))}H${String(width - 20)}`}
              stroke="var(--leaf)"
              strokeDasharray="8 4 2 4"
            />
            <text x={width - 24} y={Y(reachCm) - 5} fontSize={12} textAnchor="end" className={css.leaftext}>
              reach {say(reachCm, 'cm', units)}
            </text>
          </g>
        )}
        {drawn.map((l) =>
          l.points.slice(1).map((p, i) => {
            const a = l.points[i];
            if (!a) return null;
            const hollow = stateOf(l.id) === 'refused' || stateOf(l.id) === 'spare';
            return (
              <line
                key={`${l.id}${String(i)}`}
                x1={X(a.x)}
                y1={Y(a.z)}
                x2={X(p.x)}
                y2={Y(p.z)}
                stroke={l.id === over ? 'var(--leaf)' : colour(p.age)}
                strokeOpacity={hollow ? 0.5 : 1}
                strokeWidth={Math.max(1.4, (a.r + p.r) * k)}
                strokeLinecap="round"
              />
            );
          }),
        )}
        {bend && moves && (
          <g>
            <path
              d={arc(Math.max(0, bend.low_deg), bend.high_deg, r + 14)}
              fill="none"
              stroke="var(--leaf)"
              strokeWidth={7}
              strokeOpacity={0.3}
            />
            <path d={arc(0, 90, r + 8)} fill="none" stroke="var(--rule-strong)" />
            {Array.from({ length: 19 }, (_, i) => i * 5).map((deg) => {
              const a = at(deg, r + 8);
              const b = at(deg, r + (deg % 15 === 0 ? 14 : 11));
              return <line key={deg} x1={a.x} y1={a.y} x2={b.x} y2={b.y} stroke="var(--rule-strong)" />;
            })}
            {bend.safe_deg < 90 && (
              <g>
                <line
                  x1={at(bend.safe_deg, r).x}
                  y1={at(bend.safe_deg, r).y}
                  x2={at(bend.safe_deg, r + 20).x}
                  y2={at(bend.safe_deg, r + 20).y}
                  stroke="var(--ink)"
                  strokeWidth={4}
                />
                <text x={at(bend.safe_deg, r + 26).x} y={at(bend.safe_deg, r + 26).y} fontSize={12} fontWeight={700}>
                  safe to {bend.safe_deg.toFixed(0)}°
                </text>
              </g>
            )}
            <path
              d={`M${curve(bend.bent)}`}
              fill="none"
              stroke="var(--leaf)"
              strokeWidth={Math.max(5, bend.d_mm * k * 0.1 + 4)}
              strokeLinecap="round"
              strokeOpacity={0.28}
            />
            <path d={`M${curve(bend.bent)}`} fill="none" stroke="var(--leaf)" strokeWidth={2} strokeLinecap="round" />
            <line
              x1={X(fork)}
              y1={Y(bend.fork_cm)}
              x2={today.x}
              y2={today.y}
              stroke="var(--ink)"
              strokeDasharray="4 4"
            />
            {bend.cord_cm > 0 && (
              <g>
                <line
                  x1={today.x}
                  y1={today.y}
                  x2={X(fork + bend.peg_cm)}
                  y2={ground}
                  stroke="var(--ink)"
                  strokeWidth={1.6}
                />
                <path
                  d={`M${String(X(fork + bend.peg_cm) - 3)} ${String(ground - 8)}l8 22`}
                  stroke="var(--wood-two)"
                  strokeWidth={5}
                />
                <text x={X(fork + bend.peg_cm)} y={ground + 24} fontSize={12} fontWeight={700} textAnchor="middle">
                  peg {say(bend.peg_cm, 'cm', units)} out
                </text>
              </g>
            )}
            {bend.mass_kg > 0 && (
              <g>
                <line
                  x1={today.x}
                  y1={today.y}
                  x2={today.x}
                  y2={Math.min(ground - 14, today.y + 56)}
                  stroke="var(--ink)"
                />
                <path
                  d={`M${String(today.x - 9)} ${String(Math.min(ground - 14, today.y + 56))}h18l5 15h-28z`}
                  fill="var(--ink)"
                />
              </g>
            )}
            {far && (
              <line
                x1={X(far.x)}
                y1={Y(far.z)}
                x2={today.x}
                y2={today.y}
                stroke="var(--wood-two)"
                strokeWidth={5}
                strokeLinecap="butt"
              />
            )}
            {bend.stick_cm > 0 && !far && (
              <line
                x1={X(fork)}
                y1={Y(bend.fork_cm + bend.trunk_cm)}
                x2={today.x}
                y2={today.y}
                stroke="var(--wood-two)"
                strokeWidth={5}
                strokeLinecap="butt"
              />
            )}
            <ellipse
              cx={today.x}
              cy={today.y}
              rx={4}
              ry={7}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={2}
              transform={`rotate(${String(bend.today_deg - 90)} ${String(today.x)} ${String(today.y)})`}
            />
            <text x={said[0]?.x} y={said[0]?.y} fontSize={13} fontWeight={700}>
              {bend.limb} now {bend.now_deg.toFixed(0)}°
            </text>
            <text x={said[1]?.x} y={said[1]?.y} fontSize={13} fontWeight={700} className={css.leaftext}>
              today {bend.today_deg.toFixed(0)}°
            </text>
          </g>
        )}
        {bend && (
          <g
            role="slider"
            tabIndex={0}
            className={pulling ? `${css.pullgrip} held` : css.pullgrip}
            aria-label={`Pull ${bend.limb} to the angle wanted`}
            aria-valuemin={pulled.least}
            aria-valuemax={pulled.most}
            aria-valuenow={Math.round(wanted)}
            aria-valuetext={`${wanted.toFixed(0)} degrees from upright`}
            onKeyDown={(e) => {
              const by = { ArrowUp: -1, ArrowLeft: -1, ArrowDown: 1, ArrowRight: 1, PageUp: -5, PageDown: 5 }[e.key];
              if (by === undefined) return;
              e.preventDefault();
              pull(wanted + by);
            }}
            onPointerDown={(e) => {
              svg.current?.setPointerCapture(e.pointerId);
              setPulling(true);
            }}
          >
            <circle cx={grip.x} cy={grip.y} r={18} fill="transparent" />
            <circle cx={grip.x} cy={grip.y} r={9} fill="var(--sheet)" stroke="var(--leaf)" strokeWidth={3} />
            <path
              d="M-4 -3v6M0 -3v6M4 -3v6"
              stroke="var(--leaf)"
              strokeWidth={1.6}
              transform={`translate(${String(grip.x)} ${String(grip.y)}) rotate(${String(wanted)})`}
            />
          </g>
        )}
        {drawn
          .filter((l) => l.depth === 1)
          .map((l) => {
            const tip = l.points[l.points.length - 1];
            if (!tip || l.id === bend?.limb) return null;
            return (
              <g
                key={l.id}
                className={css.tiplabel}
                onClick={() => onChoose(l.id)}
                onPointerEnter={() => setOver(l.id)}
                onPointerLeave={() => setOver('')}
              >
                <circle cx={X(tip.x)} cy={Y(tip.z)} r={14} fill="transparent" />
                <text x={X(tip.x)} y={nameAt(X(tip.x), Y(tip.z) - 6)} fontSize={12} textAnchor="middle">
                  {l.id}
                </text>
              </g>
            );
          })}
      </svg>
      <p className="nt q">
        Seen from {Math.round(bearing)}°{bend ? `, so that ${bend.limb} stands square to you` : ''}. Angles from the
        vertical, from fork to tie.
      </p>
    </div>
  );
}

/** What stands in words takes, px: half a limb's name, the words of an angle, a line. */
const [nameWide, wordsWide, lineHigh] = [12, 100, 16];

/** The place so many cm along a drawn limb; its end where it is shorter. */
function along(points: readonly { x: number; z: number }[], cm: number): { x: number; z: number } | undefined {
  let left = cm;
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1];
    const b = points[i];
    if (!a || !b) break;
    const step = Math.hypot(b.x - a.x, b.z - a.z);
    if (step >= left && step > 0) return { x: a.x + ((b.x - a.x) * left) / step, z: a.z + ((b.z - a.z) * left) / step };
    left -= step;
  }
  return points[points.length - 1];
}
