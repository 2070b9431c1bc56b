import { WordSelect } from './WordSelect';
import { compass } from '../drawing/wood';
import { useHere } from '../shared/orchard';
import { say } from '../shared/units';
import { Trouble } from '../shared/Trouble';
import type { Candidate, CandidateMark, MainLimbs } from './queries';
import css from './training.module.css';
import { ShootHead } from './ShootHead';

interface Props {
  choice: MainLimbs;
  marks: CandidateMark[];
  onMarks: (m: CandidateMark[]) => void;
  error: Error | null;
  chosen: string | undefined;
  onChoose: (limb: string) => void;
}

const limbWords = [
  { value: 'keep', name: 'keep it' },
  { value: 'bend', name: 'bend it first' },
  { value: 'doubt', name: 'doubt it' },
  { value: 'out', name: 'out' },
] as const;

/** The best set of main limbs beside the next, and one's own word on each. */
export function MainLimbsPanel({ choice: c, marks, onMarks, error, chosen, onChoose }: Props) {
  const { units } = useHere();
  const set = (limb: string, part: Partial<CandidateMark> | undefined) => {
    const rest = marks.filter((m) => m.limb !== limb);
    const was = marks.find((m) => m.limb === limb);
    onMarks(part ? [...rest, { ...was, limb, ...part }] : rest);
  };
  return (
    <section aria-label="Main limbs" className={css.mainlimbs}>
      <header>
        <h2>Main limbs</h2>
        <p className="sm q">the set, the next best, and what you say of each</p>
      </header>
      <Ring choice={c} onChoose={onChoose} />
      <table className="list sm">
        <ShootHead measure="angle" />
        <tbody>
          {c.candidates.map((k) => {
            const mark = marks.find((m) => m.limb === k.limb);
            return (
              <tr key={k.limb} className={k.limb === chosen ? css.chosen : undefined}>
                <td>
                  <button type="button" className="plain" onClick={() => onChoose(k.limb)}>
                    <Sign state={k.state} /> <b>{k.limb}</b> <span className="q">{compass(k.azimuth_deg)}</span>
                  </button>
                  {k.why && <small className="over"> {k.why}</small>}
                </td>
                <td className="n num">{say(k.height_cm, 'cm', units)}</td>
                <td className={`n num ${k.angle_deg < 25 ? 'over' : ''}`}>
                  {k.angle_deg}°{k.bent && <small className="q"> bent</small>}
                </td>
                <td>
                  <WordSelect
                    limb={k.limb}
                    value={mark?.mark ?? (mark?.angle_deg ? 'bend' : '')}
                    all={limbWords}
                    onSay={(v) => {
                      const rest = marks.filter((m) => m.limb !== k.limb);
                      if (v === '') set(k.limb, undefined);
                      else
                        onMarks([...rest, v === 'bend' ? { limb: k.limb, angle_deg: 50 } : { limb: k.limb, mark: v }]);
                    }}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <div role="status" aria-label="The choice">
        <ul className="bare sm">
          {c.says.slice(0, 2).map((s) => (
            <li key={s}>{s}</li>
          ))}
          {(c.loses ?? []).slice(0, 3).map((l) => (
            <li key={l.term} className="q">
              The next best loses {l.points} points by {l.term}.
            </li>
          ))}
        </ul>
      </div>
      {error && <Trouble error={error} />}
      {marks.length > 0 && (
        <button type="button" className="plain" onClick={() => onMarks([])}>
          Take your words back
        </button>
      )}
    </section>
  );
}

function Sign({ state }: { state: Candidate['state'] }) {
  return (
    <svg width={12} height={12} viewBox="0 0 12 12" aria-label={state} role="img">
      {state === 'chosen' ? (
        <circle cx={6} cy={6} r={5} fill="var(--leaf)" />
      ) : state === 'refused' ? (
        <path d="M2 2l8 8M10 2l-8 8" stroke="var(--quiet)" strokeWidth={1.6} />
      ) : (
        <circle
          cx={6}
          cy={6}
          r={4.4}
          fill="none"
          stroke={state === 'runner-up' ? 'var(--leaf)' : 'var(--quiet)'}
          strokeWidth={1.6}
        />
      )}
    </svg>
  );
}

/** From above, north up: spokes to the shoots, and the widest gap. */
function Ring({ choice, onChoose }: { choice: MainLimbs; onChoose: (limb: string) => void }) {
  const longest = Math.max(1, ...choice.candidates.map((c) => c.d_mm));
  const at = (deg: number, r: number) => ({
    x: 90 + Math.sin((deg * Math.PI) / 180) * r,
    y: 90 - Math.cos((deg * Math.PI) / 180) * r,
  });
  const gap = choice.widest_gap_deg ?? 0;
  const from = (choice.fill_azimuth_deg ?? 0) - gap / 2;
  const a = at(from, 76);
  const b = at(from + gap, 76);
  return (
    <svg
      viewBox="0 0 180 180"
      className={css.ring}
      role="img"
      aria-label={`From above: ${choice.chosen.join(', ')} chosen; widest gap ${String(Math.round(gap))} degrees`}
    >
      <circle cx={90} cy={90} r={70} fill="var(--sheet)" stroke="var(--rule-strong)" />
      {gap > 0 && gap < 360 && (
        <path
          d={`M${String(a.x)} ${String(a.y)}A76 76 0 ${gap > 180 ? '1' : '0'} 1 ${String(b.x)} ${String(b.y)}`}
          fill="none"
          stroke="var(--autumn)"
          strokeWidth={2.4}
        />
      )}
      <text x={90} y={16} fontSize={12} textAnchor="middle">
        N
      </text>
      {choice.candidates.map((c) => {
        const end = at(c.azimuth_deg, 26 + 34 * (c.d_mm / longest));
        const word = at(c.azimuth_deg, 40 + 34 * (c.d_mm / longest));
        return (
          <g key={c.limb} onClick={() => onChoose(c.limb)} className={css.tiplabel}>
            <line
              x1={90}
              y1={90}
              x2={end.x}
              y2={end.y}
              stroke={c.state === 'chosen' ? 'var(--wood-two)' : 'var(--wood-last)'}
              strokeWidth={c.state === 'chosen' ? 5 : 2}
            />
            <circle
              cx={end.x}
              cy={end.y}
              r={4}
              fill={c.state === 'chosen' ? 'var(--leaf)' : 'var(--sheet)'}
              stroke="var(--leaf)"
            />
            <text x={word.x} y={word.y + 4} fontSize={12} textAnchor="middle">
              {c.limb}
            </text>
          </g>
        );
      })}
      <circle cx={90} cy={90} r={6} fill="var(--wood-old)" />
    </svg>
  );
}
