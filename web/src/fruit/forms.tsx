import Button from '@mui/material/Button';
import { useState } from 'react';
import { Num, Pick, Text } from '../shared/plain';
import { SegmentRow } from '../shared/Segments';
import { useHere, useUnits } from '../shared/orchard';
import { refusalOf } from '../shared/refusal';
import { useShown } from '../shared/shown';
import { PaperLinks } from '../sheet/PaperLinks';
import { Trouble } from '../shared/Trouble';
import type { Schemas } from '../shared/api';
import { read, show, unitOf, type Units } from '../shared/units';
import { useLogFruit, type Fruit } from './queries';
import css from './fruit.module.css';

/** What the program answered to a logged entry, with what it found odd. */
export function Logged({ answer, says }: { answer: Schemas['EntryBody'] | undefined; says: string }) {
  const units = useUnits();
  if (!answer) return null;
  return (
    <div role="status" className="sm">
      <p>{says}</p>
      {answer.warnings.map((w) => (
        <p key={w.field + w.code} className="trouble">
          {refusalOf(w, units)}.
        </p>
      ))}
    </div>
  );
}

const whole = (t: string) => (t.trim() === '' ? NaN : Number(t));

/** Frosted buds: cut across, counted, and what follows for the thinning. */
export function FrostCount({ fruit }: { fruit: Fruit }) {
  const { orchard } = useHere();
  const { today } = useShown();
  const log = useLogFruit(orchard.slug);
  const [opened, setOpened] = useState('');
  const [alive, setAlive] = useState('');
  const [o, a] = [whole(opened), whole(alive)];
  return (
    <section aria-label="Frosted buds" className={`${css.form} form`}>
      <header className={css.line}>
        <h2 className="h3">Frosted buds</h2>
        <span className="sm q">a day after the night: green to white heart alive, brown dead</span>
      </header>
      <p className="sm">
        Cut flower buds across, from low, middle and high wood, on all sides. Twenty tell a little, 68 make it sure.
      </p>
      <div className="limb-fields">
        <Num label="buds opened" value={opened} onChange={setOpened} />
        <Num label="alive" value={alive} onChange={setAlive} />
      </div>
      <div className="acts">
        <Button
          variant="outlined"
          disabled={log.isPending || !(o > 0) || !(a >= 0)}
          onClick={() =>
            log.mutate({
              date: today,
              tree_id: fruit.tree.id,
              kind: 'work',
              task: 'frost-count',
              outcome: 'done',
              fruiting: { opened: o, alive: a },
            })
          }
        >
          Log the frost count
        </Button>
      </div>
      {fruit.frost_says && <p>{fruit.frost_says}</p>}
      <Trouble error={log.error} holds={log.error ? 'What you typed is kept.' : ''} />
      <Logged answer={log.data} says="Logged: the thinning of this tree follows it." />
    </section>
  );
}

const qualities = [
  { value: '', name: 'not said' },
  { value: 'keeping', name: 'keeping' },
  { value: 'table', name: 'table' },
  { value: 'kitchen', name: 'kitchen' },
  { value: 'poor', name: 'poor' },
] as const;

const hanging = [
  { value: '', name: 'nothing' },
  { value: 'some', name: 'some still' },
] as const;

/** A harvest: number, weight, first and last day, how good, where it went; for the tree or a limb, and whether more hangs. */
export function HarvestLog({ fruit }: { fruit: Fruit }) {
  const { orchard, units } = useHere();
  const { today } = useShown();
  const log = useLogFruit(orchard.slug);
  const [kilos, setKilos] = useState('');
  const [n, setN] = useState('');
  const [first, setFirst] = useState(today);
  const [last, setLast] = useState(today);
  const [quality, setQuality] = useState<(typeof qualities)[number]['value']>('');
  const [went, setWent] = useState('');
  const [limb, setLimb] = useState('');
  const [more, setMore] = useState<(typeof hanging)[number]['value']>('');
  const [broke, setBroke] = useState('');
  const [why, setWhy] = useState('');
  const kg = read(kilos, 'kg', units);
  const limbs = [{ value: '', name: 'the whole tree' }, ...fruit.limbs.map((l) => ({ value: l.id, name: l.id }))];
  return (
    <section aria-label="Harvest" className={`${css.form} form`}>
      <header className={css.line}>
        <h2 className="h3">Harvest</h2>
        <span className="sm q">both weight and number: they give this tree’s own fruit</span>
      </header>
      <div className="limb-fields">
        <Num label={`weight, ${unitOf('kg', units)}`} value={kilos} onChange={setKilos} />
        <Num label="fruit" value={n} onChange={setN} />
        <Text label="first day" type="date" value={first} onChange={setFirst} />
        <Text label="last day" type="date" value={last} onChange={setLast} />
        <Pick label="quality" value={quality} onChange={setQuality} all={qualities} />
        <Pick label="from" value={limb} onChange={setLimb} all={limbs} />
        {!limb && <Pick label="hangs after it" value={more} onChange={setMore} all={hanging} />}
        <Text label="where it went" value={went} onChange={setWent} />
      </div>
      <div className="acts">
        <Button
          variant="outlined"
          disabled={log.isPending || (!(Number(n) > 0) && !((kg ?? 0) > 0))}
          onClick={() =>
            log.mutate({
              date: last || today,
              tree_id: fruit.tree.id,
              kind: 'work',
              task: 'harvest',
              outcome: limb || more ? 'part' : 'done',
              kilos: kg ?? 0,
              fruit: Number(n) || 0,
              fruiting: {
                first,
                last,
                ...(quality ? { quality } : {}),
                ...(went ? { went } : {}),
                ...(limb ? { limb } : {}),
              },
            })
          }
        >
          Log the harvest
        </Button>
      </div>
      <Trouble error={log.error} holds={log.error ? 'What you typed is kept.' : ''} />
      <Logged answer={log.data} says="Logged." />
      <details className={css.card}>
        <summary>A limb broke</summary>
        <div className="limb-fields">
          <Pick
            label="limb"
            value={broke}
            onChange={setBroke}
            all={[{ value: '', name: 'which' }, ...limbs.slice(1)]}
          />
          <Text label="what was seen" value={why} onChange={setWhy} />
        </div>
        <Button
          disabled={broke === '' || log.isPending}
          onClick={() =>
            log.mutate({ date: today, tree_id: fruit.tree.id, kind: 'trouble', reason: why, fruiting: { broke } })
          }
        >
          Log the broken limb
        </Button>
        {fruit.broken.map((b) => (
          <p key={b} className="sm">
            {b}
          </p>
        ))}
      </details>
    </section>
  );
}

/** The size of fruitlets: ten of them across the cheeks, or by a coin or the printed ring gauge. */
export function SizeLog({ fruit }: { fruit: Fruit }) {
  const { orchard, units } = useHere();
  const { today } = useShown();
  const log = useLogFruit(orchard.slug);
  const [mm, setMM] = useState('');
  const send = (v: number) =>
    log.mutate({ date: today, tree_id: fruit.tree.id, kind: 'measured', fruiting: { fruit_mm: v } });
  const typed = read(mm, 'mm', units);
  return (
    <div className={`${css.form} form`}>
      <p className="sm">
        Mean of ten across the cheeks, from all sides.{' '}
        {fruit.fruit_mm > 0 &&
          `${fruit.fruit_mm_measured ? 'Measured' : 'Expected'} about ${show(fruit.fruit_mm, 'mm', units)} ${unitOf('mm', units)}.`}
      </p>
      <div className="limb-fields">
        <Num
          label={`across, ${unitOf('mm', units)}`}
          value={mm}
          onChange={setMM}
          hint="a small coin: lay it beside and read its size"
        />
        <Button
          variant="outlined"
          disabled={typed === undefined || log.isPending}
          onClick={() => typed !== undefined && send(typed)}
        >
          Log the size
        </Button>
      </div>
      <p className="sm">Or the ring that just passes over most of them:</p>
      <RingGauge rings={fruit.rings_mm} units={units} onRing={send} />
      <Trouble error={log.error} />
      <Logged answer={log.data} says="Logged: the time left follows it." />
    </div>
  );
}

/** Prints the gauge alone, in true size. */
function printGauge() {
  const root = document.documentElement;
  root.classList.add('gauge-alone');
  window.addEventListener('afterprint', () => root.classList.remove('gauge-alone'), { once: true });
  window.print();
}

/** The ring gauge, in true size when printed at 100 %: rings of 14, 18, 19 and 24 mm. */
export function RingGauge({
  rings,
  units,
  onRing,
}: {
  rings: readonly number[];
  units: Units;
  onRing: (mm: number) => void;
}) {
  const { orchard } = useHere();
  const { today } = useShown();
  const gap = 4;
  const places = rings.map((mm, i) => ({ mm, at: rings.slice(0, i).reduce((sum, r) => sum + r + gap, 0) }));
  const x = rings.reduce((sum, r) => sum + r + gap, 0);
  const high = Math.max(...rings) + 8;
  return (
    <div className={css['ring-gauge']}>
      <svg
        width={`${String(x)}mm`}
        height={`${String(high)}mm`}
        viewBox={`0 0 ${String(x)} ${String(high)}`}
        aria-hidden="true"
      >
        {places.map(({ mm, at }) => (
          <g key={mm}>
            <circle
              cx={at + mm / 2 + 1}
              cy={high / 2 - 2}
              r={mm / 2}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={0.4}
            />
            <text x={at + mm / 2 + 1} y={high - 0.6} fontSize={3.4} textAnchor="middle">
              {show(mm, 'mm', units)}
            </text>
          </g>
        ))}
      </svg>
      <button type="button" className="plain" onClick={printGauge}>
        Print the gauge
      </button>
      <PaperLinks to={`/api/orchards/${orchard.slug}/gauge.pdf`} day={today} />
      <SegmentRow label="Ring" small>
        {rings.map((mm) => (
          <button key={mm} type="button" onClick={() => onRing(mm)}>
            {show(mm, 'mm', units)} {unitOf('mm', units)}
          </button>
        ))}
      </SegmentRow>
    </div>
  );
}
