import { useMemo, type ReactNode } from 'react';
import type { Schemas } from '../shared/api';
import { count, type Units } from '../shared/units';
import { lengths, marksOf } from './scale';
import { toneColour, toneOf } from './wood';

type Limb = Schemas['FruitLimb'];
type Axis = Schemas['FruitAxis'];

interface Props {
  limb: Limb;
  season: string;
  width: number;
  height: number;
  /** The part worked on: its place in the list of laterals. */
  at: number;
  /** What was counted of each part so far. */
  counted: ReadonlyMap<string, { left: number; taken: number }>;
  /** The densest parts are ringed: knocked off first with a pole. */
  dense: boolean;
  units: Units;
  onAt: (k: number) => void;
}

interface Laid {
  axis: Axis;
  x: number;
  y: number;
  /** Heading on the sheet: 0 to the right, up positive. */
  turn: number;
}

const rad = Math.PI / 180;
/** Side limbs are laid no flatter and no steeper than this to their carrier, so that they can be told apart. */
const flattest = 28;
const steepest = 50;
const rise = 6; // degrees: the limb lies on the sheet almost level, base left

/** Where a place along a limb lies on the sheet, scale 1. */
function spot(l: Laid, cm: number): { x: number; y: number } {
  return { x: l.x + cm * Math.cos(l.turn * rad), y: l.y - cm * Math.sin(l.turn * rad) };
}

function lay(limb: Limb): Map<string, Laid> {
  const out = new Map<string, Laid>();
  for (const a of limb.axes) {
    if (!a.parent) {
      out.set(a.id, { axis: a, x: 0, y: 0, turn: rise });
      continue;
    }
    const p = out.get(a.parent);
    if (!p) continue;
    const at = spot(p, Math.min(a.attach_cm, p.axis.length_cm));
    const angle = Math.max(flattest, Math.min(steepest, a.angle_deg));
    out.set(a.id, { axis: a, ...at, turn: p.turn + a.side * angle });
  }
  return out;
}

const off = 5; // px a fruit hangs beside its wood

/** One limb laid flat: its side limbs in their places, fruit to leave, to take, taken, and not yet counted. */
export function FruitLimb(p: Props) {
  const { limb } = p;
  const laid = useMemo(() => lay(limb), [limb]);
  const box = useMemo(() => {
    let [x0, x1, y0, y1] = [0, 1, 0, 0];
    for (const l of laid.values()) {
      const e = spot(l, l.axis.length_cm);
      x0 = Math.min(x0, e.x);
      x1 = Math.max(x1, e.x);
      y0 = Math.min(y0, e.y);
      y1 = Math.max(y1, e.y);
    }
    return { x0, x1, y0, y1 };
  }, [laid]);
  const pad = { left: 18, right: 30, top: 34, foot: 52 };
  const scale = Math.min(
    (p.width - pad.left - pad.right) / Math.max(1, box.x1 - box.x0),
    (p.height - pad.top - pad.foot) / Math.max(1, box.y1 - box.y0),
  );
  const x = (v: number) => pad.left + (v - box.x0) * scale;
  const y = (v: number) => pad.top + (v - box.y0) * scale;
  // a limb whose side limbs are short needs no more of the sheet
  const height = Math.max(150, Math.round((box.y1 - box.y0) * scale + pad.top + pad.foot));
  const root = laid.get(limb.id);
  if (!root) return null;

  const wood: ReactNode[] = [];
  for (const l of laid.values()) {
    const e = spot(l, l.axis.length_cm);
    const tone = toneColour[toneOf(l.axis.age, p.season)];
    const w0 = Math.max(1.6, (l.axis.d_mm / 10) * scale);
    const w1 = Math.max(1, (l.axis.tip_mm / 10) * scale);
    const nx = Math.sin(l.turn * rad) / 2;
    const ny = Math.cos(l.turn * rad) / 2;
    const pts = [
      [x(l.x) + nx * w0, y(l.y) + ny * w0],
      [x(e.x) + nx * w1, y(e.y) + ny * w1],
      [x(e.x) - nx * w1, y(e.y) - ny * w1],
      [x(l.x) - nx * w0, y(l.y) - ny * w0],
    ];
    wood.push(
      <polygon
        key={l.axis.id}
        points={pts.map((q) => q.map((v) => v.toFixed(1)).join(',')).join(' ')}
        fill={tone}
        stroke={l.axis.source === 'measured' ? 'none' : 'var(--quiet)'}
        strokeWidth={0.8}
        strokeDasharray="3 2"
      />,
    );
  }

  const texts: Told[] = [];
  const badges: Told[] = [];
  limb.laterals.forEach((s, k) => {
    const l = laid.get(s.id);
    if (s.id === '' || !l) return;
    const tip = spot(l, l.axis.length_cm);
    const up = Math.sin((l.turn - rise) * rad) >= 0;
    badges.push(
      clear(badges, { id: s.id, k, says: '', half: 10, x: x(l.x), y: y(l.y) + (up ? 18 : -18) }, up ? 20 : -20),
    );
    const done = p.counted.get(s.id);
    if (!done && s.on === 0) return;
    const says = done
      ? `${String(done.left)} left, ${String(done.taken)} taken`
      : k === p.at
        ? `leave ${String(s.keep)} of ${String(s.on)}`
        : `est. ${String(s.on)}, leave ${String(s.keep)}`;
    const half = says.length * 3.2;
    const at = {
      x: Math.max(half + 2, Math.min(p.width - half - 2, x(tip.x) + half * 0.6)),
      y: Math.max(12, Math.min(height - pad.foot + 12, y(tip.y) + (up ? -8 : 16))),
    };
    texts.push(clear(texts, { id: s.id, k, says, half, ...at }, up ? -14 : 14));
  });

  const densest = p.dense ? densestPart(limb) : -1;
  return (
    <svg
      className="fruit-limb"
      width={p.width}
      height={height}
      viewBox={`0 0 ${String(p.width)} ${String(height)}`}
      role="img"
      aria-label={`${limb.id} laid flat, ${count(limb.laterals.length - 1, 'lateral')}; the list below tells the same`}
    >
      <defs>
        <pattern id="fruit-guess" width={4} height={4} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={4} height={4} fill="var(--sheet)" />
          <path d="M0 0V4" stroke="var(--quiet)" strokeWidth={1.6} />
        </pattern>
      </defs>
      {wood}
      {limb.laterals.map((s, k) => (
        <Fruits
          key={s.id || 'own'}
          side={s}
          laid={laid}
          now={k === p.at}
          counted={p.counted.get(s.id)}
          ringed={k === densest}
          x={x}
          y={y}
        />
      ))}
      {texts.map((t) => (
        <g key={t.id}>
          <text
            x={t.x}
            y={t.y}
            textAnchor="middle"
            fontSize={12}
            fontWeight={t.k === p.at ? 700 : 400}
            style={{ fill: t.k === p.at ? 'var(--leaf)' : 'var(--quiet)' }}
            className="halo"
          >
            {t.says}
          </text>
        </g>
      ))}
      {badges.map((t) => (
        <Badge key={t.id} n={t.k} x={t.x} y={t.y} now={t.k === p.at} onPick={() => p.onAt(t.k)} />
      ))}
      <Ruler root={root} x={x} y={height - 26} units={p.units} />
    </svg>
  );
}

interface Told {
  id: string;
  k: number;
  says: string;
  half: number;
  x: number;
  y: number;
}

/** Moves a text aside until it stands clear of those before it. */
function clear(before: readonly Told[], t: Told, by: number): Told {
  const hits = (y: number) => before.some((o) => Math.abs(o.x - t.x) < o.half + t.half && Math.abs(o.y - y) < 13);
  let y = t.y;
  for (let n = 0; n < 6 && hits(y); n++) y += by;
  return { ...t, y: Math.max(12, y) };
}

function densestPart(limb: Limb): number {
  let best = -1;
  let most = 0;
  limb.laterals.forEach((s, k) => {
    const per = s.on / Math.max(10, s.length_cm);
    if (s.on > 1 && per > most) {
      most = per;
      best = k;
    }
  });
  return best;
}

interface FruitsProps {
  side: Limb['laterals'][number];
  laid: Map<string, Laid>;
  now: boolean;
  counted: { left: number; taken: number } | undefined;
  ringed: boolean;
  x: (v: number) => number;
  y: (v: number) => number;
}

/** The fruit of one part. Counted: as many filled as were left, the rest small where they hung. */
function Fruits({ side, laid, now, counted, ringed, x, y }: FruitsProps) {
  // those to leave come first when what was left is drawn
  const order = [...side.fruits].sort((a, b) => Number(b.keep) - Number(a.keep));
  const rank = new Map(order.map((f, i) => [f, i]));
  const marks: ReactNode[] = [];
  let [sx, sy, n] = [0, 0, 0];
  side.fruits.forEach((f, i) => {
    const l = laid.get(f.limb);
    if (!l) return;
    const at = spot(l, f.at_cm);
    const hang = i % 2 === 0 ? 1 : -1;
    const cx = x(at.x) + hang * off * Math.sin(l.turn * rad);
    const cy = y(at.y) + hang * off * Math.cos(l.turn * rad);
    sx += cx;
    sy += cy;
    n++;
    const key = `${f.limb} ${String(f.at_cm)} ${String(i)}`;
    if (counted) {
      const stays = (rank.get(f) ?? 0) < counted.left;
      marks.push(
        stays ? (
          <circle key={key} cx={cx} cy={cy} r={5} fill="var(--leaf)" stroke="var(--ground)" />
        ) : (
          <circle key={key} cx={cx} cy={cy} r={1.8} fill="var(--ground)" stroke="var(--quiet)" />
        ),
      );
    } else if (now && f.keep) {
      marks.push(<circle key={key} cx={cx} cy={cy} r={5.4} fill="var(--leaf)" stroke="var(--ground)" />);
    } else if (now) {
      marks.push(
        <g key={key} stroke="var(--spring)" strokeWidth={1.6} fill="var(--sheet)">
          <circle cx={cx} cy={cy} r={4.6} />
          <path d={`M${String(cx - 3.2)} ${String(cy + 3.2)}l6.4 -6.4`} />
        </g>,
      );
    } else {
      marks.push(
        <circle key={key} cx={cx} cy={cy} r={4.6} fill="url(#fruit-guess)" stroke="var(--quiet)" strokeWidth={1} />,
      );
    }
  });
  return (
    <g>
      {marks}
      {ringed && n > 0 && (
        <circle
          cx={sx / n}
          cy={sy / n}
          r={26}
          fill="none"
          stroke="var(--summer)"
          strokeWidth={2}
          strokeDasharray="6 4"
        />
      )}
    </g>
  );
}

function Badge({ n, x, y, now, onPick }: { n: number; x: number; y: number; now: boolean; onPick: () => void }) {
  return (
    // the same choice stands in the list below as a button; this one is for the pointer
    <g onClick={onPick} style={{ cursor: 'pointer' }} aria-hidden="true">
      <rect
        x={x - 9}
        y={y - 9}
        width={18}
        height={18}
        rx={3}
        fill={now ? 'var(--leaf)' : 'var(--sheet)'}
        stroke={now ? 'var(--leaf)' : 'var(--rule-strong)'}
      />
      <text
        x={x}
        y={y + 4}
        textAnchor="middle"
        fontSize={12}
        fontWeight={700}
        style={{ fill: now ? 'var(--on-leaf)' : 'currentColor' }}
      >
        {n}
      </text>
    </g>
  );
}

function Ruler({ root, x, y, units }: { root: Laid; x: (v: number) => number; y: number; units: Units }) {
  const along = Math.cos(root.turn * rad);
  const length = root.axis.length_cm;
  const scale = lengths(units, length > 240 ? 100 : length > 90 ? 50 : 20);
  return (
    <g fontSize={12} style={{ color: 'var(--quiet)' }}>
      <path d={`M${String(x(0))} ${String(y)}H${String(x(length * along))}`} stroke="var(--ink)" />
      {marksOf(scale, 0, length).map((cm) => (
        <g key={cm}>
          <path d={`M${String(x(cm * along))} ${String(y)}v6`} stroke="var(--ink)" />
          <text x={x(cm * along)} y={y + 19} textAnchor={cm === 0 ? 'start' : 'middle'}>
            {cm === 0 ? 'trunk side' : scale.says(cm)}
          </text>
        </g>
      ))}
    </g>
  );
}
