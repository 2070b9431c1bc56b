import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { lazy, Suspense, useState } from 'react';
import { Select } from '../shared/plain';
import { materials, type Material } from './materials';
import { Segments, type Segment } from '../shared/Segments';
import { plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useOfferUndo } from '../shared/undo';
import { Trouble } from '../shared/Trouble';
import { count, say } from '../shared/units';
import { useLogRig, type Bend, type BendAsked, type Which } from './queries';
import css from './training.module.css';

const AngleOfPicture = lazy(() => import('../shared/AngleOfPicture'));

interface Props {
  bend: Bend;
  /** It is of what was asked before: what is asked now is still worked out. */
  late: boolean;
  others: readonly Bend[];
  even: readonly string[];
  which: Which;
  error: unknown;
  asked: BendAsked;
  onAsk: (a: BendAsked) => void;
}

type Device = NonNullable<BendAsked['device']>;

const devices: Segment<Device>[] = [
  { value: 'peg_tie', name: 'Cord to peg' },
  { value: 'weight', name: 'Weight' },
  { value: 'spreader', name: 'Spreader' },
  { value: 'notched_stick', name: 'Notched stick' },
  { value: 'clothespin', name: 'Clothespin' },
  { value: 'tie_up', name: 'Tie up' },
];

const stiff = new Set(['spreader', 'notched_stick', 'clothespin']);
/** What a device is fixed to, where it stands between no two limbs. */
const anchorOf = (device: Device) => {
  if (device === 'peg_tie') return 'peg';
  return stiff.has(device) || device === 'tie_up' ? 'trunk' : '';
};

/** One limb bent: now, today, later; with what, how long, how wide the loop. */
export function BendPanel({ bend, late, others, even, which, error, asked, onAsk }: Props) {
  const { units } = useHere();
  const offer = useOfferUndo();
  const log = useLogRig(which);
  const [read, setRead] = useState<number>();
  const [material, setMaterial] = useState<Material>();
  const ask = (part: Partial<BendAsked>) => {
    setRead(undefined);
    onAsk({ ...asked, ...part });
  };
  const holds = read ?? bend.today_deg;
  const cm = (x: number) => say(x, 'cm', units);
  const to = asked.aim_deg ?? bend.to_deg;
  const device = devices.find((d) => d.value === bend.device)?.value;
  const can = device !== undefined;
  const of = material ?? (device && stiff.has(device) ? 'bamboo' : 'stretch-tape');
  const put = () => {
    if (!device) return;
    const needsLoop = !stiff.has(device);
    log.mutate(
      {
        act: {
          act: 'on',
          id: '',
          device,
          limb: bend.limb,
          anchor: bend.between?.limb ?? anchorOf(device),
          material: of,
          at_cm: bend.contact_cm,
          before_deg: bend.now_deg,
          after_deg: holds,
          aim_deg: to,
          d_mm: bend.d_mm,
          ...(needsLoop ? { loop_mm: bend.loop_mm } : {}),
          ...(bend.stick_cm > 0 ? { length_cm: bend.stick_cm } : {}),
          ...(bend.cord_cut_cm > 0 ? { length_cm: bend.cord_cut_cm, peg_cm: bend.peg_cm } : {}),
          ...(bend.mass_kg > 0 ? { mass_kg: bend.mass_kg } : {}),
        },
      },
      { onSuccess: (r) => offer({ id: r.entry.id, says: `${bend.device_name} on ${bend.limb} is logged.` }) },
    );
  };
  return (
    <section aria-label="Bend" className="bendpanel">
      <header>
        <h2>Bend {bend.limb}</h2>
        <p className="sm q">
          from the vertical; {say(bend.d_mm, 'mm', units)} thick, {cm(bend.length_cm)} long
        </p>
      </header>
      {even.map((e) => (
        <p key={e} className="sm">
          <b>First:</b> {e}
        </p>
      ))}
      <p className={`${css.degrees} num`} role="status">
        <span>
          <b>{bend.now_deg.toFixed(0)}°</b> now
        </span>
        <span aria-hidden="true">→</span>
        <span className={css.today}>
          <b>{bend.today_deg.toFixed(0)}°</b> today
        </span>
        {bend.to_deg - bend.today_deg > 1 && (
          <>
            <span aria-hidden="true">→</span>
            <span className={css.later}>
              <b>{bend.to_deg.toFixed(0)}°</b>{' '}
              {bend.weeks_between > 0 ? `${count(bend.weeks_between, 'week')} on` : 'later'}
            </span>
          </>
        )}
      </p>
      <Gauge bend={bend} />
      <label className="sm" id="angle-label">
        Angle wanted; {bend.low_deg.toFixed(0)} to {bend.high_deg.toFixed(0)}° is the aim
      </label>
      <Slider
        aria-labelledby="angle-label"
        value={Math.round(to)}
        min={5}
        max={100}
        onChange={(_, v) => ask({ aim_deg: Array.isArray(v) ? (v[0] ?? 45) : v })}
        valueLabelDisplay="auto"
      />
      <label className="sm" id="held-label">
        Held {cm(bend.contact_cm)} along the limb: further out bends gentler
      </label>
      <Slider
        aria-labelledby="held-label"
        value={Math.round(asked.contact_cm ?? bend.contact_cm)}
        min={Math.min(8, Math.round(bend.length_cm / 2))}
        max={Math.max(10, Math.round(bend.length_cm))}
        onChange={(_, v) => ask({ contact_cm: Array.isArray(v) ? (v[0] ?? 40) : v })}
        valueLabelDisplay="auto"
      />
      <Trouble error={error} />
      {bend.says.map((s) => (
        <p key={s} className="sm">
          {s}
        </p>
      ))}
      {can && (
        <>
          <Segments
            label="With what"
            small
            wrap
            all={devices.filter((d) => d.value !== 'tie_up' || bend.to_deg < bend.now_deg)}
            value={device}
            onChange={(d) => ask({ device: d })}
          />
          {bend.partners.length > 0 && (
            <label className="sm">
              It stands against{' '}
              <Select
                all={[{ value: '', name: 'the trunk' }, ...bend.partners.map((p) => ({ value: p, name: p }))]}
                value={bend.between?.limb ?? ''}
                onChange={(between) => ask({ between })}
              />
            </label>
          )}
          {bend.between && (
            <p className="sm" role="status">
              {bend.between.says}
            </p>
          )}
          <dl className={`${css.sizes} sm`}>
            {bend.stick_cm > 0 && (
              <Row
                name="Stick"
                value={cm(bend.stick_cm)}
                says={
                  bend.between
                    ? `between the two, ${cm(bend.contact_cm)} along each; ${cm(bend.between.gap_cm)} apart now`
                    : `cut; ${cm(bend.trunk_cm)} up the trunk, ${cm(bend.contact_cm)} along the limb`
                }
              />
            )}
            {bend.cord_cm > 0 && (
              <>
                <Row name="Cord" value={cm(bend.cord_cut_cm)} says={`${cm(bend.cord_cm)} between knots`} />
                <Row
                  name="Peg"
                  value={`${cm(bend.peg_cm)} out`}
                  says={bend.best_peg_cm !== bend.peg_cm ? `best is ${cm(bend.best_peg_cm)}` : 'square to the limb'}
                />
                <Row name="Pull" value={say(bend.pull_kg, 'kg', units)} says={`at ${cm(bend.contact_cm)}`} />
              </>
            )}
            {bend.mass_kg > 0 && (
              <Row
                name="Weight"
                value={say(bend.mass_kg, 'kg', units)}
                says={`at ${cm(bend.contact_cm)}, low and soft`}
              />
            )}
            {!stiff.has(bend.device) && (
              <Row
                name="Loop"
                value={say(bend.loop_mm, 'mm', units)}
                says={`inside, ${cm(bend.loop_cm)} around; it grows ${say(bend.grows_mm, 'mm', units)} a season`}
              />
            )}
            {bend.off && (
              <Row
                name="Off"
                value={plain(bend.off)}
                says={bend.bound === 'set' ? 'the wood has set by then' : 'by your school'}
              />
            )}
          </dl>
          {!stiff.has(bend.device) && <LoopPicture bend={bend} />}
          <p className="sm">{bend.how}</p>
          <p className="sm q">At home: {bend.stand_in}.</p>
          <label className="sm">
            Made of <Select all={materials.bend} value={of} onChange={setMaterial} />
          </label>
          {!bend.rig && (
            <details className="sm">
              <summary>Read off a picture what it holds at</summary>
              <Suspense>
                <AngleOfPicture limb={bend.limb} take="It holds so" onTake={setRead} />
              </Suspense>
            </details>
          )}
          <Trouble error={log.error} holds={log.error ? 'Nothing was logged; what you set stands.' : ''} />
          {bend.rig ? (
            <p className="sm" role="status">
              A device is on this limb: see below.
            </p>
          ) : (
            <div className="acts">
              <Button variant="contained" disabled={log.isPending || late} onClick={put}>
                It holds at {holds.toFixed(0)}°
              </Button>
            </div>
          )}
        </>
      )}
      <h2 className="h3">In this order round the ring</h2>
      <ol className={`${css.limborder} sm`}>
        {others.map((b) => (
          <li key={b.limb}>
            <button type="button" aria-pressed={b.limb === bend.limb} onClick={() => onAsk({ limb: b.limb })}>
              <b>{b.limb}</b>
              <span>
                {b.verdict === 'lower'
                  ? `${b.now_deg.toFixed(0)} → ${b.to_deg.toFixed(0)}°`
                  : b.verdict === 'raise'
                    ? `${b.now_deg.toFixed(0)}°, too flat`
                    : `${b.now_deg.toFixed(0)}°, leave`}
              </span>
              <span className="q">{b.rig ? 'held' : b.verdict === 'leave' ? '' : b.device_name}</span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Row({ name, value, says }: { name: string; value: string; says: string }) {
  return (
    <div>
      <dt>{name}</dt>
      <dd>
        <b className="num">{value}</b> <span className="q">{says}</span>
      </dd>
    </div>
  );
}

/** From upright to level: what stands, what is asked, where it would crack. */
function Gauge({ bend }: { bend: Bend }) {
  const x = (deg: number) => Math.min(320, (Math.max(0, Math.min(90, deg)) / 90) * 320);
  return (
    <svg
      className={css.bendgauge}
      viewBox="0 0 324 44"
      role="img"
      aria-label={`Stands at ${bend.now_deg.toFixed(0)} degrees; safe to ${bend.safe_deg.toFixed(0)} today`}
    >
      <rect x={1} y={14} width={320} height={18} fill="var(--sheet)" stroke="var(--rule-strong)" />
      <rect x={1} y={14} width={x(bend.now_deg)} height={18} fill="var(--wood-two)" />
      <rect
        x={1 + x(bend.now_deg)}
        y={14}
        width={Math.max(0, x(bend.today_deg) - x(bend.now_deg))}
        height={18}
        fill="var(--leaf-wash)"
        stroke="var(--leaf)"
      />
      <path d={`M${String(x(bend.low_deg))} 8H${String(x(bend.high_deg))}`} stroke="var(--leaf)" strokeWidth={4} />
      {bend.safe_deg < 90 && (
        <path
          d={`M${String(x(bend.safe_deg))} 6V38M${String(x(bend.safe_deg) - 6)} 6h12`}
          stroke="var(--ink)"
          strokeWidth={4}
        />
      )}
      {[0, 30, 60, 90].map((d) => (
        <text key={d} x={x(d) + 1} y={43} fontSize={11} textAnchor={d === 0 ? 'start' : d === 90 ? 'end' : 'middle'}>
          {d}°
        </text>
      ))}
    </svg>
  );
}

/** The loop true to size: wood solid, its growth dotted, the loop a ring that touches nowhere all round. */
function LoopPicture({ bend }: { bend: Bend }) {
  const k = 1.5;
  const r = (bend.d_mm / 2) * k;
  const grown = ((bend.d_mm + bend.grows_mm) / 2) * k;
  const loop = (bend.loop_mm / 2) * k;
  const size = 2 * loop + 8;
  return (
    <svg
      width={size}
      height={size}
      viewBox={`0 0 ${String(size)} ${String(size)}`}
      className={css.looppic}
      role="img"
      aria-label="The loop round the limb, with room to grow"
    >
      <circle cx={size / 2} cy={size / 2} r={loop} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.4} />
      <circle cx={size / 2} cy={size / 2 + (loop - r)} r={r} fill="var(--wood-two)" />
      <circle
        cx={size / 2}
        cy={size / 2 + (loop - grown)}
        r={grown}
        fill="none"
        stroke="var(--leaf)"
        strokeDasharray="2 3"
      />
    </svg>
  );
}
