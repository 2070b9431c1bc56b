import { WordSelect } from './WordSelect';
import { dot, stationAt, stationCount, type Limb } from '../drawing/wood';
import { useWidth } from '../shared/measure';
import { useHere } from '../shared/orchard';
import { count, say } from '../shared/units';
import { Trouble } from '../shared/Trouble';
import type { CandidateMark, Rig, Wall } from './queries';
import css from './training.module.css';
import { ShootHead } from './ShootHead';

const high = 430;
const ground = 404;

const states = { rise: 'rising', lay_base: 'lay it', finish: 'finished' };

/** A wall, as its joints only: the wood stays first. */
const Stones = ({ width }: { width: number }) => (
  <>
    {Array.from({ length: 9 }, (_, row) => (
      <g key={row} stroke="var(--rule)">
        {Array.from({ length: 12 }, (_, i) => (
          <path key={i} d={`M${String(i * 64 + (row % 2) * 30)} ${String(row * 46)}v46`} />
        ))}
        <path d={`M0 ${String(row * 46)}H${String(width)}`} />
      </g>
    ))}
  </>
);

/** A window: its frame, its bars, and the sill that stands out below it. */
const Glass = ({ x, wide, sill, top }: { x: number; wide: number; sill: number; top: number }) => (
  <g fill="var(--ground)" stroke="var(--quiet)">
    <rect x={x} y={Math.max(-2, top)} width={wide} height={Math.max(2, sill - Math.max(-2, top))} />
    <path d={`M${String(x + wide / 2)} ${String(Math.max(-2, top))}V${String(sill)}`} />
    <rect x={x - 5} y={sill} width={wide + 10} height={5} fill="var(--sheet)" stroke="var(--ink)" />
  </g>
);

/** How a tie goes, from the end of the wire: behind the wire, crossed, round the limb, room for a finger. */
const TiePicture = () => (
  <figure className={css.tiepic}>
    <svg
      viewBox="0 0 150 92"
      role="img"
      aria-label="A band behind the wire, crossed between wire and limb, loose round the limb"
    >
      <circle cx={30} cy={46} r={5} fill="var(--ink)" />
      <circle cx={104} cy={46} r={17} fill="var(--wood-two)" />
      <path
        d="M22 46C22 32 38 30 52 44C62 54 76 74 104 74C122 74 132 62 132 46C132 30 122 18 104 18C76 18 62 38 52 48C38 62 22 60 22 46Z"
        fill="none"
        stroke="var(--leaf)"
        strokeWidth={5}
        strokeLinejoin="round"
      />
      <path d="M22 46l-14 -8M22 46l-14 8" stroke="var(--leaf)" strokeWidth={4} strokeLinecap="round" />
      <text x={30} y={88} fontSize={12} textAnchor="middle">
        wire
      </text>
      <text x={104} y={88} fontSize={12} textAnchor="middle">
        limb
      </text>
    </svg>
    <figcaption className="sm">
      Behind the wire, crossed, round the limb: the cross is the cushion, so that wind rubs no bark on metal. Room for a
      finger; the knot at the wire, its tails cut short. The limb stays on one side of the wire, never wound round it.
    </figcaption>
  </figure>
);

/** The two end posts that hold the wires of a tree in the open. */
const Posts = ({ left, right, top }: { left: number; right: number; top: number }) => (
  <>
    {[left, right].map((x) => (
      <rect
        key={x}
        x={x - 5}
        y={top}
        width={10}
        height={ground - top}
        fill="var(--sheet)"
        stroke="var(--wood-old)"
        strokeWidth={1.6}
      />
    ))}
  </>
);

const armWords = [
  { value: 'keep', name: 'an arm' },
  { value: 'doubt', name: 'doubt it' },
  { value: 'out', name: 'no arm' },
] as const;

/** The flat tree on its wires, seen from in front: side a to the right of the drawing as it is named. */
export function WallView({ wall, limbs, rigs }: { wall: Wall; limbs: readonly Limb[]; rigs: readonly Rig[] }) {
  const { units } = useHere();
  const [box, width] = useWidth(660);
  const s = Math.sin((wall.along_deg * Math.PI) / 180);
  const c = Math.cos((wall.along_deg * Math.PI) / 180);
  const along = [s, c, 0] as const;
  const run = wall.goal_cm * 1.12;
  const top = Math.max(wall.leader_cm, ...wall.wires_cm) + 16;
  const beside = units === 'us' ? 166 : 130; // room for the heights of the wires
  const k = Math.min((width - beside) / (2 * run), (ground - 20) / top);
  const X = (x: number) => width / 2 + x * k;
  const Y = (z: number) => ground - z * k;
  const held = new Set(rigs.map((r) => r.rig.limb));
  const colour = (age: number) => (age <= 1 ? 'var(--wood-last)' : age === 2 ? 'var(--wood-two)' : 'var(--wood-old)');
  const spare = new Set(
    wall.steps.filter((x) => x.kind === 'cut').flatMap((x) => x.title.match(/\bS\d+(?:\.\d+)?\b/g) ?? []),
  );
  const off = new Map(wall.off.map((o, i) => [o.limb, 'abcdefgh'[i] ?? '']));
  return (
    <div ref={box} className={css.wallview}>
      <svg
        width={width}
        height={high}
        viewBox={`0 0 ${String(width)} ${String(high)}`}
        role="img"
        aria-label={`The tree on ${count(wall.wires_cm.length, 'wire')}; leader at ${say(wall.leader_cm, 'cm', units)}`}
      >
        {wall.support === 'wall' ? <Stones width={width} /> : <Posts left={X(-run)} right={X(run)} top={Y(top - 4)} />}
        {wall.windows.map((w) => (
          <Glass
            key={w.from_cm}
            x={X(w.from_cm)}
            wide={(w.to_cm - w.from_cm) * k}
            sill={Y(w.sill_cm)}
            top={w.top_cm > 0 ? Y(w.top_cm) : 0}
          />
        ))}
        <path d={`M0 ${String(ground)}H${String(width)}`} stroke="var(--wood-old)" strokeWidth={2} />
        {wall.wires_cm.map((w) => (
          <g key={w}>
            <path d={`M${String(X(-run))} ${String(Y(w))}H${String(X(run))}`} stroke="var(--ink)" strokeWidth={1.4} />
            <circle cx={X(-run)} cy={Y(w)} r={4} fill="var(--sheet)" stroke="var(--ink)" />
            <circle cx={X(run)} cy={Y(w)} r={4} fill="var(--sheet)" stroke="var(--ink)" />
            <text x={X(run) + 10} y={Y(w) + 4} fontSize={13} fontWeight={700} className={`${css.halo} halo`}>
              {say(w, 'cm', units)}
            </text>
          </g>
        ))}
        {wall.next_wire_cm > 0 && (
          <path
            d={`M${String(X(-8))} ${String(Y(wall.next_wire_cm + 3))}h${String(16 * k)}`}
            stroke="var(--leaf)"
            strokeWidth={5}
          />
        )}
        {limbs.map((l) => {
          const out = [];
          const hollow = spare.has(l.id) || off.has(l.id);
          for (let i = 1; i < stationCount(l.stations); i++) {
            const a = stationAt(l.stations, i - 1);
            const b = stationAt(l.stations, i);
            const r = l.stations[i * 5 + 3] ?? 0.5;
            const age = l.stations[i * 5 + 4] ?? 1;
            out.push(
              <line
                key={i}
                x1={X(dot(a, along))}
                y1={Y(a[2])}
                x2={X(dot(b, along))}
                y2={Y(b[2])}
                stroke={colour(age)}
                strokeWidth={Math.max(1.4, 2 * r * k)}
                strokeLinecap="round"
                strokeDasharray={hollow ? '3 3' : undefined}
              />,
            );
          }
          return <g key={l.id}>{out}</g>;
        })}
        {wall.arms.map((a) => {
          const side = a.side === 'a' ? 1 : -1;
          const limb = limbs.find((l) => l.id === a.limb);
          const base = limb ? stationAt(limb.stations, 0) : ([0, 0, a.wire_cm] as const);
          const tip = limb ? stationAt(limb.stations, stationCount(limb.stations) - 1) : base;
          return (
            <g key={a.limb}>
              {a.lay_cm > 0 && Math.abs(tip[2] - a.wire_cm) > 12 && (
                <path
                  d={`M${String(X(dot(base, along)))} ${String(Y(base[2]))}Q${String(X(side * 12))} ${String(Y(a.wire_cm))} ${String(X(side * 20))} ${String(Y(a.wire_cm))}H${String(X(side * a.lay_cm))}`}
                  fill="none"
                  stroke="var(--leaf)"
                  strokeWidth={3}
                  strokeDasharray="2 4"
                />
              )}
              {a.ties.map((t) => (
                <ellipse
                  key={t}
                  cx={X(side * t)}
                  cy={Y(a.wire_cm)}
                  rx={3.6}
                  ry={6.2}
                  fill={held.has(a.limb) ? 'var(--sheet)' : 'var(--leaf-wash)'}
                  stroke={held.has(a.limb) ? 'var(--ink)' : a.lies ? 'var(--quiet)' : 'var(--leaf)'}
                  strokeWidth={1.8}
                />
              ))}
              <text
                x={X(side * run) + (side > 0 ? -8 : 8)}
                y={Y(a.wire_cm) + 18}
                fontSize={12}
                textAnchor={side > 0 ? 'end' : 'start'}
                className={`${css.halo} halo`}
              >
                {a.lies && a.state === 'lay_base' ? 'end rising' : states[a.state]}
              </text>
              <text
                x={X(dot(tip, along))}
                y={Y(tip[2]) - 6}
                fontSize={12}
                fontWeight={700}
                textAnchor="middle"
                className={`${css.halo} halo`}
              >
                {a.limb}
              </text>
            </g>
          );
        })}
        {wall.off.map((o) => {
          const limb = limbs.find((l) => l.id === o.limb);
          if (!limb) return null;
          const tip = stationAt(limb.stations, stationCount(limb.stations) - 1);
          return (
            <g key={o.limb}>
              <circle cx={X(dot(tip, along)) + 16} cy={Y(tip[2])} r={9} fill="var(--sheet)" stroke="var(--ink)" />
              <text x={X(dot(tip, along)) + 16} y={Y(tip[2]) + 4} fontSize={12} textAnchor="middle">
                {off.get(o.limb)}
              </text>
            </g>
          );
        })}
        {wall.leader_cut_cm != null && wall.leader_cm > wall.leader_cut_cm + 5 && (
          <path
            d={`M${String(X(-5))} ${String(Y(wall.leader_cut_cm) - 4)}L${String(X(5))} ${String(Y(wall.leader_cut_cm) + 4)}`}
            stroke="var(--ink)"
            strokeWidth={4}
          />
        )}
        <text x={14} y={ground + 20} fontSize={12}>
          {wall.side_b}
        </text>
        <text x={width - 14} y={ground + 20} fontSize={12} textAnchor="end">
          {wall.side_a}
        </text>
      </svg>
      <p className="nt q">
        Loops: ink is on, leaf is due; dots of leaf: will lie here; dashed wood comes off; letters: out of the plane.
      </p>
      <Arms wall={wall} />
    </div>
  );
}

/** The arms in the places of their wires: laid solid, rising hatched, to lay now in leaf. */
function Arms({ wall }: { wall: Wall }) {
  const { units } = useHere();
  return (
    <section aria-label="Arms" className={css.arms}>
      <h2 className="h3">
        Arms <small className="q">of {say(wall.goal_cm, 'cm', units)} each</small>
      </h2>
      {[...wall.wires_cm].reverse().map((w) => (
        <div key={w}>
          {(['b', 'a'] as const).map((side) => {
            const a = wall.arms.find((x) => x.wire_cm === w && x.side === side);
            const bar = (
              <svg viewBox="0 0 130 10" preserveAspectRatio="none" aria-hidden="true">
                <rect
                  x={0.5}
                  y={0.5}
                  width={129}
                  height={9}
                  fill="var(--sheet)"
                  stroke="var(--rule-strong)"
                  strokeDasharray={a ? undefined : '2 2'}
                />
                {a && (
                  <g transform={side === 'b' ? 'translate(130 0) scale(-1 1)' : undefined}>
                    <rect
                      y={1}
                      width={(130 * Math.min(a.length_cm, wall.goal_cm)) / wall.goal_cm}
                      height={8}
                      fill="var(--rule-strong)"
                      opacity={0.5}
                    />
                    <rect
                      y={1}
                      width={(130 * a.lay_cm) / wall.goal_cm}
                      height={8}
                      fill={a.state === 'lay_base' && !a.lies ? 'var(--leaf)' : 'var(--wood-two)'}
                    />
                  </g>
                )}
              </svg>
            );
            return (
              <span key={side} className={`${css.arm} ${side}`}>
                <small>
                  {a ? (
                    <>
                      <b>{a.limb}</b> {say(a.length_cm, 'cm', units)},{' '}
                      {a.lies && a.state === 'lay_base' ? 'its end rising' : states[a.state]}
                      {a.too_close.length > 0 && (
                        <span className="over">, {count(a.too_close.length, 'shoot')} too close</span>
                      )}
                    </>
                  ) : (
                    <span className="q">no arm yet</span>
                  )}
                </small>
                {bar}
              </span>
            );
          })}
          <b className={`num ${css.wire}`}>{w}</b>
        </div>
      ))}
    </section>
  );
}

const shootStates = { arm: 'an arm', spare: 'spare', 'out-of-plane': 'out of the plane' };

interface SideProps {
  wall: Wall;
  marks: CandidateMark[];
  onMarks: (m: CandidateMark[]) => void;
  error: Error | null;
}

/** What is done at the wall this season, in order, and what it is made of. */
export function WallSide({ wall, marks, onMarks, error }: SideProps) {
  const { units } = useHere();
  return (
    <>
      <section aria-label="At the wall">
        <header>
          <h2>This season</h2>
          <p className="sm q">ties before cuts; a spare only when both arms hold</p>
        </header>
        {wall.says.map((s) => (
          <p key={s} className="sm">
            {s}
          </p>
        ))}
        {wall.steps.length === 0 && <p>Nothing to tie or cut.</p>}
        <ol className={`steps ${css.wallsteps}`}>
          {wall.steps.map((s) => (
            <li key={s.n}>
              <b className="num">{s.n}</b>
              <span>
                <b>{s.title}</b>
                <small className="q">{s.says}</small>
              </span>
              <small className="q">{s.kind}</small>
            </li>
          ))}
        </ol>
      </section>
      {wall.shoots.length > 0 && (
        <section aria-label="Shoots for arms">
          <h2>Shoots for arms</h2>
          <table className="list sm">
            <ShootHead measure="long" />
            <tbody>
              {wall.shoots.map((k) => (
                <tr key={k.limb}>
                  <td>
                    <b>{k.limb}</b> <span className="q">{`${k.side}, ${shootStates[k.state]}`}</span>
                  </td>
                  <td className="n num">{say(k.height_cm, 'cm', units)}</td>
                  <td className="n num">{say(k.length_cm, 'cm', units)}</td>
                  <td>
                    <WordSelect
                      limb={k.limb}
                      value={marks.find((m) => m.limb === k.limb)?.mark ?? ''}
                      all={armWords}
                      onSay={(v) => {
                        const rest = marks.filter((m) => m.limb !== k.limb);
                        onMarks(v === '' || v === 'bend' ? rest : [...rest, { limb: k.limb, mark: v }]);
                      }}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {error && <Trouble error={error} />}
        </section>
      )}
      <section aria-label="Hardware">
        <h2>Hardware</h2>
        <table className="list sm">
          <tbody>
            {wall.hardware.map((h) => (
              <tr key={h.what}>
                <td>{h.what}</td>
                <td className="q">{h.stand_in}</td>
                <td className="n num">{h.amount}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <TiePicture />
      </section>
    </>
  );
}
