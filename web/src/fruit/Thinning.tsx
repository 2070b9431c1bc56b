import { useState } from 'react';
import Button from '@mui/material/Button';
import { Link, useNavigate, useParams } from 'react-router';
import { FruitLimb as FruitLimbDrawing } from '../drawing/FruitLimb';
import { SizeCurve } from '../drawing/SizeCurve';
import { StakeLabel } from '../drawing/StakeLabel';
import { Segments } from '../shared/Segments';
import { useAddress } from '../shared/address';
import { Refused } from '../shared/api';
import { short } from '../shared/day';
import { useWidth } from '../shared/measure';
import { useOfferUndo } from '../shared/undo';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { say } from '../shared/units';
import { LogPanel } from '../yard/LogPanel';
import { CountSet } from './CountSet';
import { CropYears } from './CropYears';
import { LimbsList } from './LimbsList';
import { FrostCount, HarvestLog, SizeLog } from './forms';
import { className, sideName } from './names';
import { CountPad, type Way } from './Pad';
import { usePad } from './pad';
import { PlotCrop } from './PlotCrop';
import { useFruit, type Fruit, type FruitLimb } from './queries';
import { SetBars } from './SetBars';
import css from './fruit.module.css';

/** Fruit: without a tree the plot's crop, with one its limbs, the counting pad and what sets the numbers. */
export default function Thinning() {
  const { id } = useParams();
  return id ? <TreeFruit key={id} id={id} /> : <PlotCrop />;
}

function TreeFruit({ id }: { id: string }) {
  const { orchard } = useHere();
  const { settled } = useShown();
  const fruit = useFruit(orchard.slug, id, settled);
  if (fruit.error instanceof Refused && fruit.error.fields.some((f) => f.field === 'scaffolds') && !fruit.data)
    return <Unmeasured id={id} />;
  if (fruit.error && !fruit.data)
    return (
      <div className="page">
        <Trouble error={fruit.error} />
        <Link to="..">To the plot’s crop</Link>
      </div>
    );
  if (!fruit.data) return <p className="page q">Reading the tree’s fruit.</p>;
  return <Laid fruit={fruit.data} />;
}

/** A tree of which nothing was measured: what would tell its fruit, and the log of what was picked, which needs nothing. */
function Unmeasured({ id }: { id: string }) {
  const { orchard, plan } = useHere();
  const go = useNavigate();
  const tree = plan?.trees.find((t) => t.id === id);
  return (
    <div className={`page ${css.narrowpage}`}>
      <header className="fruit-head">
        <StakeLabel code={tree?.code ?? ''} />
        <h1>
          {tree?.kind_name} {tree?.name ? `‘${tree.name}’` : ''}
        </h1>
      </header>
      <p>
        What it should carry is reckoned from its limbs, or from the girth of its trunk. Nothing of it was measured yet;
        what is picked can be logged all the same.
      </p>
      <div className="acts">
        <Button variant="outlined" component={Link} to={`/${orchard.slug}/trees/${encodeURIComponent(id)}`}>
          Sketch it from a few numbers
        </Button>
        <Button component={Link} to={`/${orchard.slug}/yard?tree=${encodeURIComponent(id)}`}>
          Give the girth of its trunk
        </Button>
      </div>
      <LogPanel
        task={{ id: '', kind: 'harvest', title: 'Weight and number', cut: false }}
        treeId={id}
        treeCode={tree?.code ?? ''}
        onDone={() => void go(`/${orchard.slug}/yard?tree=${encodeURIComponent(id)}`)}
      />
    </div>
  );
}

const belows = [
  { value: 'sets', name: 'What sets it' },
  { value: 'count', name: 'Count the set' },
  { value: 'frost', name: 'Frosted buds' },
  { value: 'harvest', name: 'Harvest' },
  { value: 'years', name: 'Over the years' },
] as const;

function Laid({ fruit }: { fruit: Fruit }) {
  const { orchard, units } = useHere();
  const { day, today } = useShown();
  const offer = useOfferUndo();
  const [params, put] = useAddress();
  const pad = usePad(orchard.slug, fruit.tree.id, fruit.season, fruit.limbs);
  const wanted = params.get('limb');
  const limb = fruit.limbs.find((l) => l.id === wanted) ?? fruit.limbs.find((l) => !l.done) ?? fruit.limbs[0];
  const [part, setPart] = useState({ limb: '', k: 0 });
  const [way, setWay] = useState<Way>('hand');
  const at = part.limb === limb?.id ? part.k : 0;
  const setAt = (k: number) => setPart({ limb: limb?.id ?? '', k });
  const below =
    belows.find((b) => b.value === params.get('below'))?.value ??
    (fruit.picked ? 'years' : fruit.available === undefined ? 'count' : 'sets');
  const fixed = day !== today;
  const done = (w: Way) => {
    if (!limb) return;
    const others = fruit.limbs.filter(
      (l) => l.id !== limb.id && !l.done && !pad.closing(l.id) && l.keep + (l.remove ?? 0) > 0,
    );
    const entry = crypto.randomUUID();
    pad.close({
      id: entry,
      day: today,
      season: fruit.season,
      limb: limb.id,
      pass: limb.pass,
      way: w,
      last: others.length === 0,
      reason: fruit.window && fruit.window.days_left < 0 ? 'thinned late, to save limbs' : '',
    });
    offer({ id: entry, says: `${limb.id} logged.` });
    const next = others[0];
    if (next) put({ limb: next.id });
  };
  if (!limb)
    return <p className="page">No limb of it was measured: map it on the bench, or give the girth of its scaffolds.</p>;
  const totals = pad.totals(limb.id, limb.pass);
  const counted = new Map(totals.by);
  return (
    <div className={css.thinning}>
      <LimbsList fruit={fruit} limb={limb} pad={pad} onLimb={(l) => put({ limb: l })} />
      <section className={css['fruit-centre']} aria-label={`Limb ${limb.id}`}>
        <header className="fruit-head">
          <StakeLabel code={fruit.tree.code} />
          <h1>
            {fruit.tree.kind_name} {fruit.tree.name ? `‘${fruit.tree.name}’` : ''}, {limb.id}
          </h1>
          <span className="sm q">
            {[
              limb.length_cm > 0 ? `${say(limb.length_cm, 'cm', units)} long` : '',
              `${say(limb.diameter_mm, 'mm', units)} thick`,
              limb.side ? `${limb.side} side` : '',
            ]
              .filter(Boolean)
              .join(', ')}
          </span>
        </header>
        {fruit.picked ? (
          <p>{fruit.picked_says}</p>
        ) : fruit.mapped ? (
          <LimbView fruit={fruit} limb={limb} at={at} onAt={setAt} counted={counted} dense={way === 'pole'} />
        ) : (
          <p className="q">
            No limb map: the numbers come from its girth. <Link to={`../../trees/${fruit.tree.id}`}>Map it</Link> to see
            the limb and what it carries.
          </p>
        )}
        <Segments
          label="Below the limb"
          small
          className={css.below}
          all={belows}
          value={below}
          onChange={(k) => put({ below: k })}
        />
        {below === 'sets' && <SetBars limb={limb} left={totals.left} units={units} spacing={fruit.spacing_cm} />}
        {below === 'count' && <CountSet fruit={fruit} />}
        {below === 'frost' && <FrostCount fruit={fruit} />}
        {below === 'harvest' && <HarvestLog fruit={fruit} />}
        {below === 'years' && <CropYears fruit={fruit} />}
      </section>
      <aside className={css['fruit-right']}>
        <div className={`${css['limb-pick']} ${css['only-phone']}`} role="group" aria-label="Limb">
          {fruit.limbs.map((l) => (
            <button key={l.id} type="button" aria-pressed={l.id === limb.id} onClick={() => put({ limb: l.id })}>
              {l.id}
              {l.done ? ' done' : ''}
            </button>
          ))}
        </div>
        {!fruit.picked && (
          <>
            <CountPad
              code={fruit.tree.code}
              pome={fruit.pome}
              apart={fruit.spacing_cm ? say(fruit.spacing_cm, 'cm', units) : ''}
              limb={limb}
              pad={pad}
              at={at}
              fixed={fixed}
              onAt={setAt}
              onDone={done}
              way={way}
              onWay={setWay}
            />
            {fixed && (
              <p className="sm q" role="status">
                The pad counts today’s fruit; the rail stands on {short(day)}.
              </p>
            )}
            <Curve limb={limb} />
          </>
        )}
        <details className={css.card}>
          <summary>Why this size, and how to take one off</summary>
          <p>{fruit.why_this_size}</p>
          <p>{fruit.how_to_pinch}</p>
        </details>
        <details className={css.card}>
          <summary>Size of the fruitlets</summary>
          <SizeLog fruit={fruit} />
        </details>
        <ul className="safety sm">
          {fruit.safety.map((s) => (
            <li key={s}>{s}</li>
          ))}
        </ul>
      </aside>
    </div>
  );
}

function Curve({ limb }: { limb: FruitLimb }) {
  const { units } = useHere();
  const [ref, width] = useWidth(320);
  return (
    <section ref={ref} aria-label="Size against number left" className={css.curve}>
      <header className={css.line}>
        <h2 className="h3">If you leave {limb.keep}</h2>
        <span className="nt q">hatched: likely range, our estimate</span>
      </header>
      <SizeCurve points={limb.curve} keep={limb.keep} on={limb.on} width={width} units={units} />
    </section>
  );
}

interface LimbViewProps {
  fruit: Fruit;
  limb: FruitLimb;
  at: number;
  counted: Map<string, { left: number; taken: number }>;
  dense: boolean;
  onAt: (k: number) => void;
}

function LimbView({ fruit, limb, at, counted, dense, onAt }: LimbViewProps) {
  const { units } = useHere();
  const [ref, width] = useWidth(680);
  return (
    <div ref={ref} className="limb-view">
      <ul className={`${css.legend} legend sm`} aria-label="Marks">
        <li className={css.leave}>leave</li>
        <li className={css.take}>take</li>
        <li className="taken">taken</li>
        <li className={css.guess}>not yet counted, estimated</li>
      </ul>
      <FruitLimbDrawing
        limb={limb}
        season={fruit.map_season ?? 'dormant'}
        width={width}
        height={Math.max(230, Math.min(330, width * 0.5))}
        at={at}
        counted={counted}
        dense={dense}
        units={units}
        onAt={onAt}
      />
      <ol className={`${css.laterals} sm`} start={0}>
        {limb.laterals.map((s, k) => {
          const c = counted.get(s.id);
          return (
            <li key={s.id || 'own'}>
              <button type="button" aria-pressed={k === at} onClick={() => onAt(k)}>
                <b>{k === 0 ? 'own' : k}</b>{' '}
                {c
                  ? `${String(c.left)} left, ${String(c.taken)} taken`
                  : `leave ${String(s.keep)} of about ${String(s.on)}`}
                <span className="visually-hidden">
                  , {sideName(s, k)}, {say(s.length_cm, 'cm', units)}, {className(s.class)}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
