import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useRef, useState, type FormEvent } from 'react';
import { Field } from '../shared/Field';
import { Choose } from '../shared/Choose';
import { Refused, type Entry } from '../shared/api';
import type { Day } from '../shared/day';
import { useLog, usePeople } from '../shared/queries';
import { useHere } from '../shared/orchard';
import { focusFault } from '../shared/keys';
import { Trouble } from '../shared/Trouble';
import { fieldsOf } from '../shared/fields';
import { useOfferUndo } from '../shared/undo';
import { degree, percent, read, readTemp, show, showTemp, unitOf } from '../shared/units';
import { useShown } from '../shared/shown';
import { GraftFields, GraftTook } from './LogGraft';
import { draftedTrial, firstTrial, trialOf, TrialFields } from './LogTrial';
import css from './yard.module.css';

/** The job a log is for: a task of the plan, or that of an entry being corrected. */
export interface Job {
  id: string;
  kind: string;
  title: string;
  cut: boolean;
  minutes_says?: string;
  /** What went of the crown, pressed before: per cent. */
  went?: number;
}

/** Another tree that the same job stands open on. */
export interface Also {
  taskId: string;
  treeId: string;
  code: string;
}

interface Props {
  task?: Job | undefined;
  treeId: string;
  treeCode: string;
  correct?: Entry | undefined;
  also?: readonly Also[] | undefined;
  onDone: () => void;
}

const outcomes = [
  { value: 'done', label: 'Done' },
  { value: 'part', label: 'Part' },
  { value: 'left', label: 'Left' },
  { value: 'nothing-needed', label: 'Looked, nothing needed' },
] as const;

type Outcome = NonNullable<Entry['outcome']>;

const seenKinds = [
  { value: 'observed', label: 'A stage' },
  { value: 'measured', label: 'A measure' },
  { value: 'frost-night', label: 'A frost night' },
  { value: 'seen', label: 'A pest or sickness' },
  { value: 'treatment', label: 'A treatment' },
  { value: 'trouble', label: 'Something went not as meant' },
  { value: 'note', label: 'A note' },
] as const;

/** The fields a person fills; text until it is sent. */
type Draft = {
  -readonly [
    k in
      | (typeof wordsOf)[number]
      | (typeof numbersOf)[number]
      | (typeof measured)[number][0]
      | 'tmin_c'
      | 'tmax_c'
      | 'rain_mm'
      | 'share'
      | 'cut_mm'
      | 'kilos'
      | 'headed_cm'
      | 'task'
  ]?: string;
} & { [k in (typeof ticksOf)[number] | 'of_plot']?: boolean } & Pick<Entry, 'device' | 'packing'>;

const wordsOf = ['who', 'reason', 'note', 'stage', 'agent', 'treatment'] as const;
const numbersOf = ['minutes', 'cuts', 'fruit', 'count'] as const;
const ticksOf = ['free_only', 'headed', 'opens_sun'] as const;

function emptyEntry(): Entry {
  return { id: '', created: '', date: '', season: 0, kind: 'note' };
}

/** The fields of an entry as a person typed them. */
function drafted(e: Entry, units: 'metric' | 'us'): Draft {
  const d: Draft = {};
  for (const k of wordsOf) if (e[k]) d[k] = e[k];
  if (e.device) d.device = e.device;
  if (e.packing) d.packing = e.packing;
  for (const k of numbersOf) if (e[k] !== undefined) d[k] = String(e[k]);
  if (e.tmin_c !== undefined) d.tmin_c = showTemp(e.tmin_c, units);
  for (const k of ticksOf) if (e[k]) d[k] = true;
  if (e.headed_cm) d.headed_cm = show(e.headed_cm, 'cm', units);
  if (e.share) d.share = String(Math.round(e.share * 100));
  if (e.cut_mm?.length) d.cut_mm = e.cut_mm.map((mm) => show(mm, 'mm', units)).join(' ');
  d.of_plot = !e.tree_id;
  if (e.kilos) d.kilos = show(e.kilos, 'kg', units);
  for (const [k, q] of measured) if (e[k]) d[k] = show(e[k], q, units);
  return d;
}

const measured = [
  ['height_m', 'm'],
  ['spread_m', 'm'],
  ['trunk_mm', 'mm'],
  ['shoot_cm', 'cm'],
] as const;

/** Shares of the crown to press, per cent. */
export const shares = [5, 10, 15, 20, 30] as const;

/** Lists of diameters as people type them: parted by spaces or commas. */
function diameters(text: string, units: 'metric' | 'us'): number[] {
  return text
    .split(units === 'us' ? /[\s;]+/ : /[\s;,]+/)
    .map((t) => read(t, 'mm', units))
    .filter((n): n is number => n !== undefined);
}

/** Logs a job, or what was seen: only what the next plan needs. */
export function LogPanel({ task, treeId, treeCode, correct, also = [], onDone }: Props) {
  const { orchard, units, meta, plan } = useHere();
  const { day, today } = useShown();
  const people = usePeople(orchard.slug);
  const log = useLog(orchard.slug);
  const offer = useOfferUndo();
  const [outcome, setOutcome] = useState<Outcome>(correct?.outcome ?? 'done');
  const [kind, setKind] = useState<Entry['kind']>(correct && correct.kind !== 'work' ? correct.kind : 'observed');
  const [date, setDate] = useState<Day>(correct?.date ?? (day <= today ? day : today));
  const [id] = useState(() => crypto.randomUUID()); // sent again after a lost answer, it is logged once
  const [draft, setDraft] = useState<Draft>(() =>
    correct ? drafted(correct, units) : { of_plot: true, ...(task?.went ? { share: String(task.went) } : {}) },
  );
  const [graft, setGraft] = useState<Partial<NonNullable<Entry['grafted']>>>(correct?.grafted ?? {});
  const [trial, setTrial] = useState(() => (correct?.trial ? draftedTrial(correct.trial) : firstTrial()));
  const [ids] = useState(() => new Map<string, string>(also.map((a) => [a.treeId, crypto.randomUUID()])));
  const [first, setFirst] = useState(false); // of several trees, the first is logged
  const [without, setWithout] = useState<readonly string[]>([]);
  const [caliper, setCaliper] = useState(!!correct?.cut_mm?.length);
  const left = plan?.trees.find((t) => t.id === treeId)?.account;
  const refused = log.error instanceof Refused ? log.error.fields : [];
  const { text, typed: number, pick, tick, told } = fieldsOf(draft, setDraft, units, refused);
  const said = (k: Exclude<keyof Draft, (typeof ticksOf)[number] | 'of_plot' | 'device' | 'packing'>) => draft[k] ?? '';
  const set = (part: Draft) => setDraft((d) => ({ ...d, ...part }));
  const num = (k: Parameters<typeof said>[0]): number | undefined => read(said(k), 'count', units);

  /** Frost falls on the whole plot, unless the person says otherwise. */
  const frost = !task && kind === 'frost-night';
  const ofPlot = frost && draft.of_plot === true;
  const build = (): Entry => {
    const e: Entry = { ...emptyEntry(), id, date, kind: task ? 'work' : kind };
    if (treeId && !ofPlot) e.tree_id = treeId;
    if (correct) e.corrects = correct.id;
    if (said('who')) e.who = said('who');
    if (said('reason')) e.reason = said('reason');
    if (said('note')) e.note = said('note');
    const minutes = num('minutes');
    if (minutes !== undefined) e.minutes = minutes;
    const tmax = readTemp(said('tmax_c'), units);
    const rain = read(said('rain_mm'), 'mm', units);
    if (tmax !== undefined || rain !== undefined) {
      e.weather = {
        source: 'person',
        ...(tmax !== undefined ? { tmax_c: tmax } : {}),
        ...(rain !== undefined ? { rain_mm: rain } : {}),
      };
    }
    if (task) {
      e.task = task.kind;
      e.task_id = task.id;
      e.outcome = outcome;
      const share = num('share');
      if (share !== undefined) e.share = share / 100;
      const mm = diameters(said('cut_mm'), units);
      if (mm.length) e.cut_mm = mm;
      const cuts = num('cuts');
      if (cuts !== undefined) e.cuts = Math.round(cuts);
      if (draft.free_only === true) e.free_only = true;
      if (draft.headed === true) e.headed = true;
      if (draft.opens_sun === true) e.opens_sun = true;
      if (draft.device) e.device = draft.device;
      if (draft.packing) e.packing = draft.packing;
      const headed = read(said('headed_cm'), 'cm', units);
      if (headed !== undefined) e.headed_cm = headed;
      if (task.kind === 'graft' && graft.kind) e.grafted = { ...graft, kind: graft.kind };
      if (task.kind === 'graft-look' && graft.took !== undefined) e.grafted = graft;
      const counted = trialOf(trial);
      if (task.kind === 'notch-look' && counted) e.trial = counted;
      const kilos = read(said('kilos'), 'kg', units);
      if (kilos !== undefined) e.kilos = kilos;
      const fruit = num('fruit');
      if (fruit !== undefined) e.fruit = Math.round(fruit);
    } else {
      // what was typed for another kind stays in the form and is not sent
      if (kind === 'observed') e.stage = said('stage');
      if (kind === 'trouble' && said('task')) e.task = said('task');
      const tmin = readTemp(said('tmin_c'), units);
      if (frost && tmin !== undefined) e.tmin_c = tmin;
      const count = num('count');
      if (kind === 'seen' && count !== undefined) e.count = Math.round(count);
      if ((kind === 'seen' || kind === 'treatment') && said('agent')) e.agent = said('agent');
      if (kind === 'treatment' && said('treatment')) e.treatment = said('treatment');
    }
    if (task || kind === 'measured')
      for (const [k, q] of measured) {
        const v = read(said(k), q, units);
        if (v !== undefined) e[k] = v;
      }
    return e;
  };

  const send = async (ev: FormEvent) => {
    ev.preventDefault();
    const e = build();
    const more = also
      .filter((a) => !without.includes(a.treeId))
      .map((a): Entry => ({ ...e, id: ids.get(a.treeId) ?? '', tree_id: a.treeId, task_id: a.taskId }));
    try {
      const res = await log.mutateAsync(e);
      setFirst(more.length > 0);
      for (const m of more) await log.mutateAsync(m);
      const on = [treeCode, ...also.filter((a) => !without.includes(a.treeId)).map((a) => a.code)];
      offer({
        id: res.entry.id,
        also: more.map((m) => m.id),
        says: `Logged${treeCode && !ofPlot ? ` on ${on.join(' ')}` : ''}. ${res.grade && res.grade.level !== 'better' ? res.grade.says : ''} ${res.warnings.map((w) => w.says ?? '').join(' ')}`.trim(),
      });
      onDone();
    } catch {
      focusFault(form.current); // what was refused stands in the form
    }
  };
  const form = useRef<HTMLFormElement>(null);
  const worked = outcome === 'done' || outcome === 'part';

  return (
    <form
      ref={form}
      className="form"
      onSubmit={(ev) => void send(ev)}
      aria-label={task ? `Log ${task.title}` : 'Log what was seen'}
      noValidate
    >
      <div>
        <h1 className={css.h2}>{task ? task.title : 'What was seen'}</h1>
        <span className="sm q">
          {treeCode || orchard.name}
          {task?.minutes_says ? `, ${task.minutes_says} planned` : ''}
          {correct ? '. A correction: the first entry is kept.' : ''}
        </span>
      </div>
      {task ? (
        <ToggleButtonGroup
          exclusive
          value={outcome}
          onChange={(_, v: Outcome | null) => v && setOutcome(v)}
          aria-label="Outcome"
          size="small"
          sx={{ flexWrap: 'wrap' }}
        >
          {outcomes.map((o) => (
            <ToggleButton key={o.value} value={o.value}>
              {o.label}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      ) : (
        <Choose
          label="What"
          value={kind}
          onChange={(v) => setKind(v)}
          all={seenKinds.map((k) => ({ value: k.value, name: k.label }))}
        />
      )}
      <div className="pair">
        <Field
          label="Day"
          type="date"
          value={date}
          onChange={(e) => setDate(e.target.value)}
          helperText={day > today && date === today ? `a day to come can’t be logged: today is taken` : undefined}
          {...told('date')}
          slotProps={{ htmlInput: { max: today }, inputLabel: { shrink: true } }}
        />
        {task && worked && number('minutes', 'Minutes')}
      </div>
      {also.length > 0 && (
        <div role="group" aria-label="On which trees">
          {[{ treeId, code: treeCode }, ...also].map((a) => (
            <FormControlLabel
              key={a.treeId}
              control={
                <Checkbox
                  size="small"
                  checked={!without.includes(a.treeId)}
                  disabled={a.treeId === treeId}
                  onChange={(e) =>
                    setWithout((w) => (e.target.checked ? w.filter((id) => id !== a.treeId) : [...w, a.treeId]))
                  }
                />
              }
              label={a.code}
            />
          ))}
        </div>
      )}
      {task?.cut && worked && (
        <>
          <div className="chips" role="group" aria-label="How much of the crown went">
            {shares.map((n) => (
              <button
                key={n}
                type="button"
                aria-pressed={said('share') === String(n)}
                onClick={() => set({ share: String(n) })}
              >
                {n} %
              </button>
            ))}
            <button type="button" aria-pressed={caliper} onClick={() => setCaliper(!caliper)}>
              by caliper
            </button>
            {left && !left.exempt && <span className="sm q">{percent(left.left)} may still go this tree year</span>}
          </div>
          <div className="pair">
            {number('share', 'Share of the crown, %')}
            {number('cuts', 'Number of cuts')}
          </div>
          {caliper &&
            text('cut_mm', `diameters of the cuts, ${unitOf('mm', units)}`, {
              helperText: 'parted by spaces; the share is worked out from them',
            })}
          <div>
            {tick('free_only', 'Only dead or sick wood or suckers')}
            {tick('headed', 'A stub or heading cut: choose one shoot later')}
            {tick('opens_sun', 'Bark newly open to the sun')}
          </div>
          {number('height_m', `Height now, ${unitOf('m', units)}`)}
        </>
      )}
      {task?.kind === 'planting-cut' && worked && number('headed_cm', `Headed at, ${unitOf('cm', units)}`)}
      {task?.kind === 'graft-wood' &&
        worked &&
        pick('packing', 'Kept in', [
          { value: 'sawdust', name: 'damp sawdust in a bag' },
          { value: 'paper', name: 'damp paper in a bag' },
        ])}
      {task?.kind === 'bend' &&
        worked &&
        pick(
          'device',
          'With',
          (['tie', 'spreader', 'weight', 'clothespin'] as const).map((d) => ({ value: d, name: d })),
        )}
      {task?.kind === 'graft' && worked && <GraftFields graft={graft} onChange={setGraft} hostId={treeId} />}
      {task?.kind === 'graft-look' && worked && <GraftTook graft={graft} onChange={setGraft} />}
      {task?.kind === 'notch-look' && worked && <TrialFields trial={trial} onChange={setTrial} />}
      {task?.kind === 'harvest' && worked && (
        <div className="pair">
          {number('kilos', unitOf('kg', units))}
          {number('fruit', 'Number of fruit')}
        </div>
      )}
      {(task?.kind === 'measure-height' || (!task && kind === 'measured')) && (
        <>
          <div className="pair">
            {number('height_m', `Height, ${unitOf('m', units)}`)}
            {number('spread_m', `Spread, ${unitOf('m', units)}`)}
          </div>
          <div className="pair">
            {number('trunk_mm', `Trunk, ${unitOf('mm', units)}`)}
            {number('shoot_cm', `Last shoots, ${unitOf('cm', units)}`)}
          </div>
        </>
      )}
      {!task &&
        kind === 'observed' &&
        pick(
          'stage',
          'Stage',
          meta.stages.map((s) => ({ value: s.slug, name: s.name })),
          { required: true },
        )}
      {frost && number('tmin_c', `Lowest, ${degree(units)}`)}
      {frost && treeId && tick('of_plot', 'On the whole plot: every tree’s buds are reckoned with')}
      {!task && kind === 'seen' && (
        <div className="pair">
          {text('agent', 'Which')}
          {number('count', 'Count')}
        </div>
      )}
      {!task && kind === 'treatment' && text('treatment', 'What was used, or none')}
      {!task &&
        kind === 'trouble' &&
        pick(
          'task',
          'On which job',
          meta.tasks.map((t) => ({ value: t.kind, name: t.title })),
        )}
      {(outcome === 'left' || task || kind === 'trouble' || kind === 'treatment') &&
        text('reason', outcome === 'left' || !task ? 'Why' : 'Why then, if outside its window', {
          multiline: true,
        })}
      {text('note', 'Note', { multiline: true })}
      <details>
        <summary className="q sm">Who, and the weather</summary>
        <div className="form">
          {pick(
            'who',
            'Who',
            (people.data ?? []).map((p) => ({ value: p.name, name: p.name })),
          )}
          <div className="pair">
            {number('tmax_c', `Warmest, ${degree(units)}`)}
            {number('rain_mm', `Rain, ${unitOf('mm', units)}`)}
          </div>
        </div>
      </details>
      <Trouble
        error={log.error}
        holds={
          first
            ? 'What was logged on the trees before it stands; press again for the rest.'
            : 'Nothing was logged; what you typed stays here.'
        }
      />
      <div className="acts">
        <Button type="submit" variant="contained" disabled={log.isPending}>
          {correct ? 'Log the correction' : 'Log it'}
        </Button>
        <Button onClick={onDone}>Back</Button>
        {correct && (
          <Button
            color="error"
            disabled={log.isPending}
            onClick={() =>
              log.mutate(
                {
                  ...emptyEntry(),
                  kind: 'void',
                  date: today,
                  corrects: correct.id,
                  ...(treeId ? { tree_id: treeId } : {}),
                },
                { onSuccess: onDone },
              )
            }
          >
            It never happened
          </Button>
        )}
      </div>
    </form>
  );
}
