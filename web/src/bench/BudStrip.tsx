import Button from '@mui/material/Button';
import { useCallback, useState } from 'react';
import { Heads } from '../shared/Heads';
import { useHere } from '../shared/orchard';
import { plain } from '../shared/day';
import { useWidth } from '../shared/measure';
import { Trouble } from '../shared/Trouble';
import { lengths, marksOf } from '../drawing/scale';
import { other, perUnit, say, show, unitOf } from '../shared/units';
import { compass, toneColour, toneOf } from '../drawing/wood';
import { FacingDial } from '../drawing/FacingDial';
import { BudGlyph } from '../drawing/BudGlyph';
import { useShoot, type Edit, type Shoot, type ShootNode } from './queries';
import css from './bench.module.css';

interface Props {
  which: { slug: string; id: string; day: string };
  limb: string;
  season: string;
  revision: number;
  busy: boolean;
  /** The chosen step's cut on this limb, and how to move it above a bud. */
  cut?: { n: number; cm: number } | undefined;
  onMoveCut?: ((cm: number) => void) | undefined;
  onEdit: (edits: Edit[]) => void;
  onClose: () => void;
}

const kinds: { kind: string; name: string }[] = [
  { kind: 'leaf', name: 'leaf' },
  { kind: 'flower', name: 'flower' },
  { kind: 'mixed', name: 'fruit, with leaves' },
  { kind: 'double', name: 'double' },
  { kind: 'triple', name: 'triple' },
  { kind: 'spur', name: 'spur' },
  { kind: 'latent', name: 'asleep' },
  { kind: 'blind', name: 'blind' },
];

const rolls = [
  { roll: 0, name: 'Up' },
  { roll: 90, name: 'Right' },
  { roll: 180, name: 'Under' },
  { roll: 270, name: 'Left' },
];

/** A chosen shoot laid flat: its buds by kind, where each faces, and what its bearing habit means here. */
export function BudStrip({ which, limb, season, revision, busy, cut, onMoveCut, onEdit, onClose }: Props) {
  const q = useShoot(which, limb, revision);
  const [picked, setPicked] = useState<number | null>(null);
  const come = useCallback((el: HTMLElement | null) => el?.scrollIntoView({ block: 'nearest' }), []);
  const shoot = q.data;
  const node = shoot?.nodes.find((n) => n.at_cm === picked);
  return (
    <section ref={come} className={css.strip} aria-label={`Bud strip of ${limb}`}>
      <div className="acts" style={{ justifyContent: 'space-between', marginTop: 0 }}>
        <h2>
          Bud strip <small className="q">{limb}</small>
        </h2>
        <Legend />
        <Button size="small" onClick={onClose}>
          Close
        </Button>
      </div>
      <Trouble error={q.error} />
      {shoot && (
        <>
          <p className="sm">{shoot.says}</p>
          <Strip shoot={shoot} season={season} picked={picked} cut={cut} onPick={setPicked} />
          {cut && node && node.n > 0 && onMoveCut && (
            <div className="acts">
              <Button
                size="small"
                variant="outlined"
                disabled={busy}
                onClick={() => onMoveCut(node.at_cm + aboveBudCm)}
              >
                Move cut {cut.n} above this bud
              </Button>
            </div>
          )}
          {node ? (
            <Looked
              node={node}
              limb={limb}
              busy={busy}
              onEdit={(e) => {
                onEdit(e);
              }}
              onDone={() => setPicked(null)}
            />
          ) : (
            <p className="sm q">
              {shoot.known
                ? 'Facings follow from the bud that was seen. Tap a bud to correct its kind or to say where it faces.'
                : 'Nobody has said yet where a bud faces. Look at one, tap it, and the others follow by the spiral.'}
            </p>
          )}
          <Years shoot={shoot} />
        </>
      )}
    </section>
  );
}

function Legend() {
  return (
    <span className={`sm q ${css.budlegend}`} aria-hidden="true">
      {(['leaf', 'flower', 'triple', 'spur', 'blind'] as const).map((k) => (
        <span key={k}>
          <svg width={26} height={20} viewBox="-13 -19 26 20">
            <BudGlyph kind={k} up />
          </svg>
          {k === 'flower' ? 'fruit' : k}
        </span>
      ))}
    </span>
  );
}

/** A cut above a bud stands 5-6 mm above it. */
const aboveBudCm = 0.55;

interface StripProps {
  cut: Props['cut'];
  shoot: Shoot;
  season: string;
  picked: number | null;
  onPick: (at: number) => void;
}

const rowUp = 46;
const edge = 30;

function Strip({ shoot, season, picked, cut, onPick }: StripProps) {
  const { units } = useHere();
  const [box, width] = useWidth(860);
  const length = shoot.length_cm - shoot.from_cm;
  const least = shoot.nodes.length * 26 + 2 * edge;
  const w = Math.max(width, least);
  const scale = (w - 2 * edge) / Math.max(1, length);
  const x = (cm: number) => edge + (cm - shoot.from_cm) * scale;
  const y = rowUp;
  const ruler = lengths(units, 10);
  return (
    <div ref={box} className={css.stripbox}>
      <svg width={w} height={150} viewBox={`0 0 ${String(w)} 150`} role="group" aria-label="Buds, base at the left">
        {shoot.rings.map((r) => (
          <rect
            key={r.from_cm}
            x={x(Math.max(r.from_cm, shoot.from_cm))}
            y={y - 5}
            width={(r.to_cm - Math.max(r.from_cm, shoot.from_cm)) * scale}
            height={10}
            fill={toneColour[toneOf(r.age, season)]}
          />
        ))}
        {shoot.rings.map((r) => (
          <g key={`y${String(r.from_cm)}`}>
            <path
              d={`M${x(Math.max(r.from_cm, shoot.from_cm)).toFixed(1)} ${String(y - 9)}v18`}
              stroke="var(--ink)"
              strokeWidth={1.4}
            />
            <text x={x(Math.max(r.from_cm, shoot.from_cm)) + 4} y={12} fontSize={12} fill="var(--quiet)">
              {r.year === undefined
                ? `wood of ${String(r.age)}`
                : `grew ${String(r.year)}, fruits from ${String(r.year + 1)}`}
            </text>
          </g>
        ))}
        {cut && <CutHere n={cut.n} x={x(Math.max(shoot.from_cm, cut.cm))} to={x(shoot.length_cm)} y={y} />}
        {marksOf(ruler, shoot.from_cm, shoot.from_cm + length).map((cm) => (
          <g key={cm}>
            <path d={`M${x(cm).toFixed(1)} ${String(y + 20)}v5`} stroke="var(--rule-strong)" />
            <text x={x(cm)} y={y + 38} textAnchor="middle" fontSize={12} fill="var(--quiet)">
              {show(cm, 'cm', units)}
            </text>
          </g>
        ))}
        <text x={2} y={y + 38} fontSize={12} fill="var(--quiet)">
          {unitOf('cm', units)}
        </text>
        {shoot.nodes.map((n, i) => (
          <Bud
            key={`${String(n.age)}-${String(n.n)}`}
            n={n}
            x={x(n.at_cm)}
            y={y}
            up={i % 2 === 0}
            outward={shoot.outward_deg}
            picked={n.at_cm === picked}
            onPick={() => onPick(n.at_cm)}
          />
        ))}
      </svg>
    </div>
  );
}

/** The cut on the strip: what comes off is hollow, the mark slants away from the bud. */
function CutHere({ n, x, to, y }: { n: number; x: number; to: number; y: number }) {
  return (
    <g data-cut={n}>
      <rect
        x={x}
        y={y - 5}
        width={Math.max(0, to - x)}
        height={10}
        fill="var(--ground)"
        stroke="var(--wood-last)"
        strokeWidth={1.4}
      />
      <path
        d={`M${(x - 3).toFixed(1)} ${String(y + 12)}L${(x + 3).toFixed(1)} ${String(y - 14)}`}
        stroke="var(--ink)"
        strokeWidth={3}
      />
      <rect x={x - 6} y={y - 34} width={18} height={18} fill="var(--ink)" />
      <text x={x + 3} y={y - 20.6} textAnchor="middle" fontSize={12} fontWeight={700} style={{ fill: 'var(--ground)' }}>
        {n}
      </text>
    </g>
  );
}

interface BudProps {
  n: ShootNode;
  x: number;
  y: number;
  up: boolean;
  outward: number;
  picked: boolean;
  onPick: () => void;
}

function Bud({ n, x, y, up, outward, picked, onPick }: BudProps) {
  const says = `bud ${n.n === 0 ? 'at the end' : String(n.n)}, ${n.kind}${n.seen ? ', seen' : ', expected'}${
    n.known ? `, faces ${n.class ?? ''} ${compass(n.bearing_deg)}${n.sure ? '' : ', check'}` : ', facing unknown'
  }`;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={says}
      aria-pressed={picked}
      className={css.bud}
      onClick={onPick}
      onKeyDown={(e) => {
        if (e.key === 'Enter' || e.key === ' ') {
          e.preventDefault();
          onPick();
        }
      }}
    >
      <title>{says}</title>
      <rect
        x={x - 12}
        y={16}
        width={24}
        height={130}
        fill={picked ? 'var(--leaf-wash)' : 'transparent'}
        stroke={picked ? 'var(--leaf)' : 'none'}
        rx={3}
      />
      <g transform={`translate(${x.toFixed(1)} ${String(up || n.n === 0 ? y - 5 : y + 5)})`}>
        <BudGlyph kind={n.kind} up={up || n.n === 0} seen={n.seen} />
      </g>
      {n.known ? (
        <FacingDial x={x} y={y + 60} bearing={n.bearing_deg} rise={n.rise} outward={outward} sure={n.sure} />
      ) : (
        <text x={x} y={y + 64} textAnchor="middle" fontSize={12} fill="var(--quiet)">
          ?
        </text>
      )}
      <text x={x} y={y + 92} textAnchor="middle" fontSize={12} fontWeight={picked ? 700 : 400} fill="var(--ink)">
        {n.n === 0 ? 'end' : n.n}
      </text>
    </g>
  );
}

interface LookedProps {
  node: ShootNode;
  limb: string;
  busy: boolean;
  onEdit: (edits: Edit[]) => void;
  onDone: () => void;
}

function Looked({ node, limb, busy, onEdit, onDone }: LookedProps) {
  const { units } = useHere();
  const at = node.at_cm;
  return (
    <div className={css.looked}>
      <p className="sm" style={{ margin: 0 }}>
        <b>Bud {node.n === 0 ? 'at the end' : node.n}</b>, {say(at, 'cm', units)} from the base,{' '}
        {say(node.height_cm / 100, 'm', units)} up.{' '}
        {node.known
          ? `It faces ${node.class ?? ''}, toward ${compass(node.bearing_deg)}${node.sure ? '' : ': check it, the hand of the spiral is not known'}.`
          : 'Where does it face, looking from base to tip?'}
      </p>
      <div className="chips" role="group" aria-label="This bud faces that way">
        {rolls.map((r) => (
          <button
            key={r.roll}
            type="button"
            disabled={busy || node.n === 0}
            aria-pressed={node.known && Math.abs(node.roll_deg - r.roll) < 1}
            onClick={() => onEdit([{ op: 'bud', id: limb, bud: { at_cm: at, roll_deg: r.roll } }])}
          >
            {r.name}
          </button>
        ))}
      </div>
      <div className="chips" role="group" aria-label="Its kind">
        {kinds.map((k) => (
          <button
            key={k.kind}
            type="button"
            disabled={busy}
            aria-pressed={node.kind === k.kind}
            onClick={() => onEdit([{ op: 'bud', id: limb, bud: { at_cm: at, kind: k.kind } }])}
          >
            {k.name}
          </button>
        ))}
        <button type="button" onClick={onDone}>
          Done
        </button>
      </div>
    </div>
  );
}

/** Laterals and fruit buds per metre of the limb, year by year. */
function Years({ shoot }: { shoot: Shoot }) {
  const { units } = useHere();
  if (shoot.years.length === 0) return null;
  const along = units === 'us' ? 'foot' : 'metre';
  return (
    <table className="list narrow">
      <caption className="visually-hidden">How this limb was clothed, year by year</caption>
      <Heads of={['Mapped', ['Length', 'n'], [`Laterals a ${along}`, 'n'], [`Spurs and fruit buds a ${along}`, 'n']]} />
      <tbody>
        {shoot.years.map((y) => (
          <tr key={y.date}>
            <td>
              {plain(y.date)} {y.date.slice(0, 4)}
            </td>
            <td className="n" title={other(y.length_cm, 'cm', units)}>
              {say(y.length_cm, 'cm', units)}
            </td>
            <td className="n">{show(perUnit(y.laterals_per_m, 'm', units), 'count', units)}</td>
            <td className="n">
              {show(perUnit(y.fruit_buds_per_m, 'm', units), 'count', units)}{' '}
              <span className="q">{y.counted ? 'counted' : 'expected'}</span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
