import Button from '@mui/material/Button';
import { useState } from 'react';
import { addDays, between, plain, short } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useOfferUndo } from '../shared/undo';
import { StakeLabel } from '../drawing/StakeLabel';
import { Trouble } from '../shared/Trouble';
import { say } from '../shared/units';
import { useLogRig, type Rig, type RigDone, type Which } from './queries';
import css from './training.module.css';

interface Props {
  rigs: readonly Rig[];
  which: Which;
  day: string;
  /** Of an orchard: each row names its tree. */
  trees?: boolean;
}

type Found = NonNullable<RigDone['act']['found']>;

const founds: [Found, string][] = [
  ['sits', 'It sits well'],
  ['loosened', 'Loosened'],
  ['moved', 'Shifted the loop'],
  ['renewed', 'Renewed'],
];

/** What is still on, fewest days left first: nothing stays tied by accident. */
export function StillOn({ rigs, which, day, trees = false }: Props) {
  const [open, setOpen] = useState('');
  if (rigs.length === 0) return trees ? <p>Nothing is on any tree.</p> : null;
  const from = addDays(day, -150);
  const to = addDays(day, 215);
  const x = (d: string) => Math.max(0, Math.min(100, (between(from, d) / between(from, to)) * 100));
  return (
    <section aria-label="Still on" className={css.stillon}>
      <header>
        <h2>Still on</h2> <span className="sm q">days left</span>
      </header>
      <ul className="bare">
        {rigs.map((r) => (
          <li key={r.tree_id + r.rig.id} className={r.over ? css.overdue : undefined}>
            <button
              type="button"
              className={trees ? 'rigrow' : `rigrow ${css.own}`}
              aria-expanded={open === r.rig.id}
              onClick={() => setOpen(open === r.rig.id ? '' : r.rig.id)}
            >
              {trees && <StakeLabel code={r.code} look={r.over ? 'full' : 'line'} />}
              <span>
                <b>{r.rig.limb ?? ''}</b> {r.name}
              </span>
              <span className={`num ${r.over ? 'over' : ''}`}>
                {r.stays ? 'stays' : r.over ? `${String(-r.days_left)} over` : r.days_left}
              </span>
              <svg viewBox="0 0 100 12" preserveAspectRatio="none" aria-hidden="true">
                <rect x={x(r.on)} y={3} width={Math.max(0.4, x(day) - x(r.on))} height={6} fill="var(--wood-two)" />
                {!r.over && (
                  <rect
                    x={x(day)}
                    y={3}
                    width={Math.max(0.4, x(r.off) - x(day))}
                    height={6}
                    fill="var(--leaf-wash)"
                    stroke="var(--leaf)"
                    strokeWidth={0.3}
                  />
                )}
                {r.over && (
                  <rect x={x(r.off)} y={3} width={Math.max(0.4, x(day) - x(r.off))} height={6} fill="var(--autumn)" />
                )}
                {r.checks.map((c) => (
                  <rect key={c} x={x(c)} y={1} width={0.5} height={10} fill="var(--leaf)" />
                ))}
                <rect x={x(day)} y={0} width={0.4} height={12} fill="var(--ink)" />
              </svg>
              <span className={`sm ${r.over || r.loop_state === 'tight' ? 'over' : 'q'}`}>{r.says}</span>
            </button>
            {open === r.rig.id && <RigActs rig={r} which={{ ...which, id: r.tree_id }} />}
          </li>
        ))}
      </ul>
    </section>
  );
}

function RigActs({ rig, which }: { rig: Rig; which: Which }) {
  const { units } = useHere();
  const log = useLogRig(which);
  const offer = useOfferUndo();
  const [sprang, setSprang] = useState('');
  const act = (a: Omit<RigDone['act'], 'id' | 'device'>, says: string) =>
    log.mutate(
      { act: { ...a, id: rig.rig.id, device: rig.rig.device } },
      { onSuccess: (r) => offer({ id: r.entry.id, says }) },
    );
  const springs = Number(sprang);
  const back = sprang !== '' && (rig.rig.after_deg ?? 0) - springs > 10;
  return (
    <div className={css.rigacts}>
      <p className="sm">
        On since {plain(rig.on)}
        {rig.rig.before_deg
          ? `, from ${String(Math.round(rig.rig.before_deg))}° to ${String(Math.round(rig.rig.after_deg ?? 0))}°`
          : ''}
        {rig.rig.at_cm ? `, held at ${say(rig.rig.at_cm, 'cm', units)}` : ''}
        {rig.rig.material ? `, ${rig.rig.material.replace('-', ' ')}` : ''}
        {rig.rig.loop_mm ? `, loop ${say(rig.rig.loop_mm, 'mm', units)}` : ''}.{' '}
        {rig.checks[0] ? `Next look ${short(rig.checks[0])}. ` : ''}
        {rig.test ? `Let it go for a look about ${plain(rig.test)}. ` : ''}
        {rig.stays ? '' : `Off ${plain(rig.off)}.`}
      </p>
      <div className="acts">
        {founds.map(([found, name]) => (
          <Button
            key={found}
            variant="outlined"
            size="small"
            disabled={log.isPending}
            onClick={() => act({ act: 'look', found }, `Looked at the ${rig.name}.`)}
          >
            {name}
          </Button>
        ))}
      </div>
      <div className="acts">
        <label className="sm">
          The limb came to rest at{' '}
          <input
            inputMode="numeric"
            size={4}
            value={sprang}
            onChange={(e) => setSprang(e.target.value)}
            aria-label="Degrees it came to rest at"
          />{' '}
          °
        </label>
        <Button
          variant="contained"
          size="small"
          disabled={log.isPending || (sprang !== '' && !Number.isFinite(springs))}
          onClick={() => act({ act: 'off', ...(sprang ? { sprang_to_deg: springs } : {}) }, `The ${rig.name} is off.`)}
        >
          It is off
        </Button>
      </div>
      {back && (
        <p className="sm over">It springs back more than 10°: put it on again at another place, until midsummer.</p>
      )}
      <Trouble error={log.error} holds={log.error ? 'Nothing was logged.' : ''} />
    </div>
  );
}
