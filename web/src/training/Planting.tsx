import { Link } from 'react-router';
import { compass } from '../drawing/wood';
import { plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useTicks } from '../shared/ticks';
import { say } from '../shared/units';
import type { Planting, Which } from './queries';
import { lengths } from '../drawing/scale';
import { Marks } from './Marks';
import css from './training.module.css';

/** The day a tree is planted: where it is headed, above which bud, and what is done in which order. */
export function PlantingDay({ planting, treeId, which }: { planting: Planting; treeId: string; which: Which }) {
  const { orchard, units } = useHere();
  const [done, tick] = useTicks(`planting-${treeId}`);
  const cm = (x: number) => say(x, 'cm', units);
  const left = planting.checks.filter((c) => !done.includes(c.key));
  const cut = planting.cut_cm;
  return (
    <section aria-label="Planting day" className={css.planting}>
      <header>
        <h2>
          {planting.done
            ? 'It is headed'
            : planting.action === 'cut' && cut
              ? `Head it at ${cm(cut)}${planting.bud ? `, bud ${planting.bud}` : ''}`
              : 'Leave its top this winter'}
        </h2>
        {planting.from && planting.to && (
          <p className="sm q">
            {plain(planting.from)} to {plain(planting.to)}, when buds break
          </p>
        )}
      </header>
      {planting.waits && <p className="over">{planting.waits}</p>}
      <Whip planting={planting} />
      {planting.says.map((s) => (
        <p key={s} className="sm">
          {s}
        </p>
      ))}
      {planting.task && !planting.done && (
        <p className="sm">
          <Link to={`/${orchard.slug}/yard?tree=${which.id}&task=${planting.task}`}>Log the cut as made, or left</Link>
        </p>
      )}
      <div className={css.plantchecks} role="group" aria-label="In this order">
        {planting.checks.map((c) => (
          <button
            key={c.key}
            type="button"
            aria-pressed={done.includes(c.key)}
            className={c === left[0] ? css.next : undefined}
            onClick={() => tick(c.key)}
          >
            <span className={css.box} aria-hidden="true">
              {done.includes(c.key) ? '✓' : ''}
            </span>
            <span>
              <b>{c.name}</b>
              <small>{c.says}</small>
            </span>
          </button>
        ))}
        <p className="sm">
          <b>
            {planting.checks.length - left.length} of {planting.checks.length} done
          </b>
          {left[0] ? <span className="q"> {left[0].name.toLowerCase()} is next</span> : ''}
        </p>
      </div>
      <details>
        <summary>To have at home before it comes</summary>
        <ul className="bare sm">
          {planting.buy.map((b) => (
            <li key={b.key}>
              <b>{b.name}:</b> {b.says}
            </li>
          ))}
        </ul>
      </details>
      <details>
        <summary>What to look for in a nursery tree</summary>
        <ul className="sm">
          {planting.pick.map((p) => (
            <li key={p}>{p}</li>
          ))}
        </ul>
      </details>
    </section>
  );
}

/** The whole whip, and the stretch round the cut with its buds larger. */
function Whip({ planting }: { planting: Planting }) {
  const { units } = useHere();
  const tall = Math.max(60, planting.height_cm || 140);
  const k = 216 / Math.max(150, tall);
  const y = (c: number) => 236 - c * k;
  const cut = planting.cut_cm ?? planting.nominal_cm;
  const from = cut - 22;
  const to = cut + 8;
  const Y = (c: number) => 240 - ((c - from) / (to - from)) * 220;
  const near = planting.buds.filter((b) => b.height_cm >= from && b.height_cm <= to);
  return (
    <svg
      viewBox="0 0 380 262"
      className={css.whip}
      role="img"
      aria-label={`Cut at ${say(cut, 'cm', units)}${planting.bud ? ` above bud ${planting.bud}` : ''}`}
    >
      <path d="M58 236H170" stroke="var(--wood-old)" />
      <Marks scale={lengths(units, 50)} from={0} to={Math.max(100, tall)} x={50} y={y} />
      <path d={`M100 ${String(y(0))}V${String(y(cut))}`} stroke="var(--wood-last)" strokeWidth={6} />
      {planting.action === 'cut' && (
        <path
          d={`M97 ${String(y(cut))}V${String(y(tall))}h6V${String(y(cut))}`}
          fill="none"
          stroke="var(--wood-last)"
        />
      )}
      <path
        d={`M90 ${String(y(planting.graft_cm) + 3)}q10 -7 20 0`}
        stroke="var(--wood-old)"
        strokeWidth={3}
        fill="none"
      />
      <text x={116} y={y(planting.graft_cm)} fontSize={12}>
        graft
      </text>
      <path d={`M70 ${String(y(0))}q30 22 60 0M84 ${String(y(0))}q16 34 30 0`} stroke="var(--wood-two)" fill="none" />
      <rect x={84} y={y(to)} width={32} height={y(from) - y(to)} fill="none" stroke="var(--ink)" />
      <path d={`M116 ${String(y(to))}L200 14M116 ${String(y(from))}L200 246`} stroke="var(--rule-strong)" />
      <path d={`M244 246V${String(Y(cut))}`} stroke="var(--wood-last)" strokeWidth={16} />
      {planting.action === 'cut' && (
        <>
          <path d={`M236 ${String(Y(cut))}V14h16V${String(Y(cut))}`} fill="none" stroke="var(--wood-last)" />
          <path d={`M226 ${String(Y(cut) - 8)}L262 ${String(Y(cut) + 6)}`} stroke="var(--ink)" strokeWidth={4} />
          <text x={268} y={Y(cut) - 6} fontSize={14} fontWeight={700}>
            cut {say(cut, 'cm', units)}
          </text>
        </>
      )}
      {near.map((b, i) => {
        const right = i % 2 === 0;
        const chosen = b.id === planting.bud;
        const gone = b.height_cm > cut;
        return (
          <g key={b.id} opacity={gone ? 0.5 : 1}>
            <ellipse
              cx={right ? 255 : 233}
              cy={Y(b.height_cm)}
              rx={8}
              ry={4.5}
              fill={chosen ? 'var(--leaf)' : 'var(--wood-two)'}
              transform={`rotate(${right ? '-38' : '38'} ${right ? '255' : '233'} ${String(Y(b.height_cm))})`}
            />
            {!gone && (
              <text x={284} y={Y(b.height_cm) + 4} fontSize={13} fontWeight={chosen ? 700 : 400}>
                {b.id} {compass(b.azimuth_deg)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
