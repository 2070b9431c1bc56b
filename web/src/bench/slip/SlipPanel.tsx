import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { scaffoldOf, type Limb } from '../../drawing/wood';
import { HelperLinks } from '../../helper/HelperLinks';
import { SegmentRow, Segments, type Segment } from '../../shared/Segments';
import { plain } from '../../shared/day';
import { Trouble } from '../../shared/Trouble';
import { count, percent } from '../../shared/units';
import { GroupItem } from './GroupItem';
import { LogSlip } from './LogSlip';
import { SlipGauge } from './SlipGauge';
import { StepItem } from './StepItem';
import { Waits } from './Waits';
import { useDecide, type Asking, type Season, type Slip, type Group, type Step, type Waiting } from './queries';
import css from '../bench.module.css';

interface Props {
  slip: Slip | undefined;
  error: unknown;
  asking: Asking;
  limbs: readonly Limb[];
  code: string;
  step: number;
  decide: ReturnType<typeof useDecide>;
  onStep: (s: Step | undefined) => void;
  onSeason: (s: Season) => void;
  /** What stands below the drawing. */
  look: Look;
  onLook: (l: Look) => void;
}

export type Look = '' | 'compare';

type Order = 'step' | 'limb' | 'ground' | 'large';

const orders: Segment<Order>[] = [
  { value: 'step', name: 'By step' },
  { value: 'limb', name: 'Limb by limb' },
  { value: 'ground', name: 'Ground first' },
  { value: 'large', name: 'Large first' },
];

/** The slip: what to cut this season, where, in which order, under the stop line; and what waits. */
export function SlipPanel(p: Props) {
  const { slip, decide } = p;
  const [order, setOrder] = useState<Order>('step');
  const flat = order === 'limb' || order === 'large';
  const [logging, setLogging] = useState(false);
  const { look, onLook: setLook } = p;
  const steps = useMemo(
    () =>
      order === 'limb'
        ? limbByLimb(slip?.steps ?? [], p.limbs)
        : order === 'large'
          ? largeFirst(slip?.steps ?? [])
          : (slip?.steps ?? []),
    [slip, order, p.limbs],
  );
  const begin = useMemo(() => startLimb(slip?.steps ?? [], p.limbs), [slip, p.limbs]);
  if (p.error) return <Trouble error={p.error} />;
  if (!slip) return <p className="q">Making the slip.</p>;
  const act = (s: Step, choice: 'taken' | 'left' | 'open') => decide.mutate({ choice, findings: s.findings });
  const item = (s: Step, no = s.mark) => (
    <StepItem
      no={no}
      key={s.cut.limb + s.cut.kind + String(s.cut.at_cm)}
      s={s}
      open={s.n === p.step}
      asking={p.asking}
      busy={decide.isPending}
      fixed={slip.predicted}
      onOpen={() => p.onStep(s.n === p.step ? undefined : s)}
      onTake={() => act(s, s.state === 'taken' ? 'open' : 'taken')}
      onLeave={() => act(s, 'left')}
      onMove={(cut) => decide.mutate({ choice: 'moved', findings: s.findings, cut })}
    />
  );
  const back = (w: Waiting) => decide.mutate({ choice: 'open', findings: [w.finding] });
  return (
    <section className={css.slip} aria-label="Slip">
      <header>
        <h2>Slip</h2>
        {slip.opens && slip.closes && (
          <p className="sm">
            Cut {plain(slip.opens)} to {plain(slip.closes)}
          </p>
        )}
        <p className={css.headline}>{slip.height.says}</p>
        <p className="sm q">{slip.says}</p>
      </header>
      {slip.enough && <p className="sm">{slip.enough}</p>}
      {slip.way_in && <p className="sm q">{slip.way_in}</p>}
      <div className={css.turns}>
        <Segments
          label="Slip of"
          small
          all={[
            { value: 'dormant', name: 'Winter' },
            { value: 'summer', name: 'Summer' },
          ]}
          value={slip.season}
          onChange={p.onSeason}
        />
        {steps.length > 1 && (
          <Segments
            label="Working order"
            small
            all={orders.filter(
              (o) => o.value !== 'ground' || (steps.some((s) => s.high) && steps.some((s) => !s.high)),
            )}
            value={order}
            onChange={setOrder}
          />
        )}
      </div>
      {order === 'limb' && begin && (
        <p className="sm q">
          If you do not know where to begin: with {begin}. Its work lies lowest; stand back after it, and see what to
          work with round it.
        </p>
      )}
      {slip.predicted && (
        <p className="sm" role="status">
          {slip.missed
            ? `A forecast: the map is of the last season. ${slip.missed}`
            : 'A forecast: the map is of another season. It is decided and logged when its season comes.'}
        </p>
      )}
      {slip.training && (
        <p className="sm">
          {slip.training}{' '}
          <Link to={`/${p.asking.slug}/trees/${encodeURIComponent(p.asking.id)}/training`}>To its training</Link>
        </p>
      )}
      {slip.no_leaf_cut && <p className="sm">{slip.no_leaf_cut}</p>}
      <Trouble error={decide.error} holds={decide.error ? 'The slip is as it was.' : ''} />
      {steps.length === 0 && (
        <p>
          Nothing to cut{slip.carried.length > 0 ? ' now' : ''}.{' '}
          {slip.confidence < 0.4 ? 'The map is too thin to decide from.' : ''}
        </p>
      )}
      {order === 'large' && steps.length > 1 && (
        <p className="sm q">
          Large cuts open the tree, so that the small ones can be judged: look again after each. Sick wood goes before
          all.
        </p>
      )}
      {order === 'ground' ? (
        [false, true].map((high) => {
          const list = slip.steps.filter((s) => s.high === high);
          const minutes = list.reduce((sum, s) => sum + s.minutes, 0);
          return (
            <section key={String(high)} aria-label={high ? 'From a step' : 'From the ground'}>
              <h2 className={`h3 ${css.sectionhead}`}>
                {high ? 'From a step' : 'From the ground'}{' '}
                <small className="q num">
                  {list.length}, {Math.ceil(minutes)} min
                </small>
              </h2>
              <ol className="steps">{list.map((s) => item(s))}</ol>
            </section>
          );
        })
      ) : flat || slip.groups.length === 0 ? (
        <ol className="steps">{steps.map((s) => item(s))}</ol>
      ) : (
        sectionsOf(slip).map((section) => (
          <section key={section.name} aria-label={section.name}>
            <h2 className={`h3 ${css.sectionhead}`}>
              {section.name} <small className="q num">{section.sum}</small>
            </h2>
            <ol className="steps">
              {section.groups.map(({ g, list }) => {
                const [only] = list;
                return list.length === 1 && only ? (
                  item(only)
                ) : (
                  <GroupItem
                    key={`${g.section}${String(g.steps[0])}`}
                    g={g}
                    steps={list}
                    open={list.some((s) => s.n === p.step)}
                    fixed={slip.predicted}
                    busy={decide.isPending}
                    onAct={(choice) => decide.mutate({ choice, findings: list.flatMap((s) => s.findings) })}
                  >
                    {list.map((s, i) => item(s, `${s.mark}${letters[i] ?? ''}`))}
                  </GroupItem>
                );
              })}
            </ol>
          </section>
        ))
      )}
      <SlipGauge slip={slip} chosen={p.step} />
      <p className="sm" aria-label="Fruit against the cut">
        {slip.fruit.says}
      </p>
      {!slip.predicted && slip.steps.length > 0 && !logging && (
        <Button variant="outlined" onClick={() => setLogging(true)}>
          Log what was cut
        </Button>
      )}
      {logging && slip.steps.length > 0 && (
        <LogSlip slip={slip} asking={p.asking} code={p.code} onDone={() => setLogging(false)} />
      )}
      <Waits
        title="Left by you"
        list={slip.left}
        act={slip.predicted ? undefined : { name: 'Put it back', onAct: back }}
      />
      <Waits title="Look first" list={slip.look_first} />
      <Waits title="Waits" list={slip.carried} />
      <Told title="Without a cut" list={slip.jobs} />
      <Told title="Small cuts, or the limb" list={slip.bundles} />
      <Told title="Main limbs" list={slip.forming} />
      <Told title="Renewal, a third a year" list={slip.renewing} />
      {slip.exposed.length > 0 && (
        <p className="over">
          Bark of {slip.exposed.join(', ')} comes into the sun: leave a twig for shade, or paint it white.
        </p>
      )}
      {slip.graft_wood.length > 0 && (
        <p className="sm">
          Grafting wood among what goes: {slip.graft_wood.slice(0, 5).join(', ')}. Keep it before it lies on the ground.
        </p>
      )}
      <SegmentRow label="Look ahead" className={css.lookahead}>
        <button
          type="button"
          aria-pressed={look === 'compare'}
          onClick={() => setLook(look === 'compare' ? '' : 'compare')}
        >
          Winter or summer
        </button>
        <Link to={`/${p.asking.slug}/trees/${encodeURIComponent(p.asking.id)}/ways`}>Two schools, side by side</Link>
      </SegmentRow>
      <Levels slip={slip} />
      {!slip.predicted && slip.steps.length > 0 && <HelperLinks asking={p.asking} />}
      <details className="behind">
        <summary>What this slip stands on</summary>
        <ul className="bare sm">
          {slip.choices.map((c) => (
            <li key={c.key}>
              {c.name}: {c.value}
            </li>
          ))}
          <li>How far the map can be trusted: {Math.round(slip.confidence * 100)} %</li>
        </ul>
      </details>
      <ul className="bare sm q" aria-label="Safety">
        {slip.safety.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
    </section>
  );
}

const sectionNames = {
  sick: 'Sick wood and sprouts',
  tops: 'Tops, big cuts first',
  frame: 'Crossing, narrow, in the way',
  thin: 'Thin stuff, by place',
};

const letters = 'abcdefghijklmnopqrstuvwxyz';

interface Part {
  name: string;
  sum: string;
  groups: { g: Group; list: Step[] }[];
}

/** The groups of a slip in their sections, each with what it comes to. */
export function sectionsOf(slip: Slip): Part[] {
  const out: Part[] = [];
  for (const [section, name] of Object.entries(sectionNames)) {
    const groups = slip.groups
      .filter((g) => g.section === section)
      .map((g) => ({ g, list: slip.steps.filter((s) => g.steps.includes(s.n)) }));
    if (groups.length === 0) continue;
    const minutes = groups.reduce((sum, { g }) => sum + g.minutes, 0);
    const share = groups.reduce((sum, { g }) => sum + g.share, 0);
    const what = count(groups.length, 'step');
    out.push({ name, sum: `${what}, ${String(Math.ceil(minutes))} min, ${percent(share)}`, groups });
  }
  return out;
}

/** The thickest wood first, sick wood before all: what is large sets the frame. */
function largeFirst(steps: readonly Step[]): Step[] {
  const sick = (s: Step) => (s.step === 1 ? 0 : 1);
  return [...steps].sort((a, b) => sick(a) - sick(b) || b.d_mm - a.d_mm || a.n - b.n);
}

/** The main limb whose work lies lowest: where one begins who does not dare to begin. */
export function startLimb(steps: readonly Step[], limbs: readonly Limb[]): string | undefined {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const top = new Map<string, number>();
  for (const s of steps) {
    const on = scaffoldOf(byId, s.cut.limb);
    top.set(on, Math.max(top.get(on) ?? 0, s.place?.[2] ?? 0));
  }
  const [first] = [...top].sort(([a, ha], [b, hb]) => ha - hb || a.localeCompare(b));
  return top.size > 1 ? first?.[0] : undefined;
}

/** One moves round the tree from the top down and from outside in: scaffold by scaffold, the highest cut first. */
export function limbByLimb(steps: readonly Step[], limbs: readonly Limb[]): Step[] {
  const byId = new Map(limbs.map((l) => [l.id, l]));
  const scaffold = (id: string) => scaffoldOf(byId, id);
  const top = new Map<string, number>();
  for (const s of steps) {
    const on = scaffold(s.cut.limb);
    top.set(on, Math.max(top.get(on) ?? 0, s.place?.[2] ?? 0));
  }
  return [...steps].sort((a, b) => {
    const sa = scaffold(a.cut.limb);
    const sb = scaffold(b.cut.limb);
    if (sa !== sb) return (top.get(sb) ?? 0) - (top.get(sa) ?? 0) || sa.localeCompare(sb);
    return (b.place?.[2] ?? 0) - (a.place?.[2] ?? 0) || a.n - b.n;
  });
}

function Levels({ slip }: { slip: Slip }) {
  if (slip.levels.length === 0 || slip.levels.every((l) => l.cuts === slip.levels[0]?.cuts)) return null;
  return (
    <details className="behind">
      <summary>With another limit</summary>
      <ul className="bare sm">
        {slip.levels.map((l) => (
          <li key={l.limit}>
            {Math.round(l.limit * 100)} %{l.chosen ? ' (yours)' : ''}: {count(l.cuts, 'cut')},{' '}
            {Math.round(l.account * 100)} % goes; weight of what is left {l.unsolved}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Told({ title, list }: { title: string; list: readonly string[] }) {
  if (list.length === 0) return null;
  return (
    <section aria-label={title}>
      <h2 className="h3">{title}</h2>
      <ul className="bare sm">
        {list.map((l) => (
          <li key={l}>{l}</li>
        ))}
      </ul>
    </section>
  );
}
