import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { Field } from '../shared/Field';
import { goingOf } from '../bench/slip/going';
import type { Step } from '../bench/slip/queries';
import { StakeLabel } from '../drawing/StakeLabel';
import { heights } from '../drawing/scale';
import { TreeDrawing } from '../drawing/TreeDrawing';
import type { Waiting } from '../outbox/box';
import { useSending, useWaitingFor } from '../outbox/use';
import { plain } from '../shared/day';
import { useWidth } from '../shared/measure';
import { Trouble } from '../shared/Trouble';
import { count, say, type Units } from '../shared/units';
import { StepWords } from '../sheet/StepWords';
import { StopLine } from '../sheet/StopLine';
import { Wheel } from '../sheet/Wheel';
import { answer, useHelperPage, type AnswerOf, type PageOf } from './queries';
import css from './helper.module.css';

/** The page of a helper: one tree, its steps, what was done at each. It changes nothing until the owner takes it in. */
export default function HelperPage() {
  const { token = '' } = useParams();
  useSending();
  const page = useHelperPage(token);
  const waiting = useWaitingFor('', token);
  if (page.error && !page.data)
    return (
      <main className="page">
        <h1>Vertumna</h1>
        <Trouble error={page.error} />
      </main>
    );
  if (!page.data) return <p className="page q">Opening the page.</p>;
  return <Page token={token} of={page.data} waiting={waiting} />;
}

/** What waits on a helper's phone: an answer to a step. */
const isAnswer = (body: object): body is AnswerOf => 'step' in body && 'choice' in body;

/** The last answer to each step: what the program has, and what waits here. */
function lastOf(of: PageOf, waiting: readonly Waiting[]) {
  const out = new Map<number, Pick<AnswerOf, 'choice' | 'd_mm' | 'note'>>();
  for (const a of of.answers) out.set(a.step, a);
  for (const w of waiting) if (!w.held && isAnswer(w.body)) out.set(w.body.step, w.body);
  return out;
}

const saysOf = { taken: 'cut', left: 'left', 'could-not': 'could not', note: 'note' } as const;

function Page({ token, of, waiting }: { token: string; of: PageOf; waiting: readonly Waiting[] }) {
  const p = of.page;
  const units = p.units;
  const last = useMemo(() => lastOf(of, waiting), [of, waiting]);
  const [chosen, setChosen] = useState(p.steps[0]?.n ?? 0);
  const [box, width] = useWidth(390);
  const { limbs, going } = useMemo(() => goingOf(p.limbs, p), [p]);
  const at = p.steps.find((s) => s.n === chosen);
  const off = p.steps.reduce((sum, s) => (last.get(s.n)?.choice === 'taken' ? sum + s.counted : sum), 0);
  const held = waiting.filter((w) => w.held);
  return (
    <main className={`page ${css.helperpage}`} aria-label="A helper’s page">
      <p className={css.rules}>
        <b>Local rules and licensed practice come first.</b>{' '}
        {p.safety.filter((x) => !x.startsWith('Local rules')).join(' ')}
      </p>
      <header className="sheethead">
        <div>
          <h1>
            <StakeLabel code={p.code} look="full" /> {p.kind_name}
          </h1>
          <p className="q">
            Slip of {plain(p.day)}: {count(p.steps.length, 'step')}, about {Math.round(p.minutes)} min. Bring:{' '}
            {p.tools.join(', ')}, spirit.
          </p>
        </div>
      </header>
      {p.note && <p className="over">{p.note}</p>}
      <p className="sm q">
        What you tap goes to the owner, who takes it in. Open until {plain(of.expires.slice(0, 10))}.
      </p>
      {waiting.length > held.length && (
        <p role="status">
          <b>{count(waiting.length - held.length, 'answer')} waiting</b>: sent by themselves once there is a network.
        </p>
      )}
      {held.map((w) => (
        <Trouble key={w.seq} error={new Error(`${w.says}: ${w.held?.detail ?? w.held?.title ?? ''}`)} />
      ))}
      <div className={css.helpergrid}>
        <div ref={box} className="stepdrawing">
          <TreeDrawing
            limbs={limbs}
            season={p.season}
            units={units}
            findings={[]}
            cuts={p.steps.map((s) => ({
              n: s.n,
              mark: s.n === chosen ? s.mark : '',
              limb: s.cut.limb,
              cm: s.cut.at_cm,
              taken: last.get(s.n)?.choice === 'taken',
            }))}
            chosenCut={chosen}
            going={going}
            bearing={at?.stand_deg ?? 180}
            above={false}
            width={Math.min(width, 560)}
            height={300}
            reachCm={p.reach_cm}
            reachSays={`Reach ${say(p.reach_cm / 100, 'm', units)}`}
            chosen={at?.cut.limb ?? ''}
            scale={heights(units)}
            onChoose={() => undefined}
          />
          {at && <p className="youstand">you stand {at.side}</p>}
          <StopLine gauge={p.gauge} off={off} step={at && last.get(at.n)?.choice !== 'taken' ? at.counted : 0} />
        </div>
        <ol className={css.helpersteps}>
          {p.steps.map((s) => (
            <HelperStep
              key={s.n}
              token={token}
              step={s}
              units={units}
              open={s.n === chosen}
              said={last.get(s.n)}
              onOpen={() => setChosen(s.n)}
            />
          ))}
        </ol>
      </div>
      <Whole token={token} said={last.get(0)?.note ?? ''} />
    </main>
  );
}

interface StepProps {
  token: string;
  step: Step;
  units: Units;
  open: boolean;
  said: Pick<AnswerOf, 'choice' | 'd_mm' | 'note'> | undefined;
  onOpen: () => void;
}

function HelperStep({ token, step: s, units, open, said, onOpen }: StepProps) {
  const [mm, setMM] = useState<number | undefined>(said?.d_mm || undefined);
  const [note, setNote] = useState(said?.note ?? '');
  const [trouble, setTrouble] = useState<unknown>(null);
  const act = (choice: 'taken' | 'left' | 'could-not') => {
    setTrouble(null);
    answer(token, `${s.title}: ${saysOf[choice]}`, {
      step: s.n,
      choice,
      ...(choice === 'taken' && mm ? { d_mm: mm } : {}),
      ...(note.trim() ? { note: note.trim() } : {}),
    }).catch(setTrouble);
  };
  return (
    <li className={open ? 'open' : undefined}>
      <button type="button" className={`plain ${css.helperhead}`} aria-expanded={open} onClick={onOpen}>
        <b>
          {s.n} {s.title}
        </b>{' '}
        {said && <span className={css.said}>{saysOf[said.choice]}</span>}
      </button>
      {open && (
        <>
          <StepWords step={s} units={units} whole />
          {s.d_mm > 0 && <Wheel label="The wound, measured" mm={mm} mapMM={s.d_mm} units={units} onChange={setMM} />}
          <Field
            size="small"
            fullWidth
            label={`A word on step ${String(s.n)}`}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
          <Trouble error={trouble} holds={trouble ? 'Nothing was kept of it.' : ''} />
          <div className="act three">
            <Button variant="outlined" onClick={() => act('could-not')}>
              Could not
            </Button>
            <Button variant="outlined" onClick={() => act('left')}>
              Left it
            </Button>
            <Button variant="contained" onClick={() => act('taken')}>
              Cut made
            </Button>
          </div>
        </>
      )}
    </li>
  );
}

/** What the helper writes of the whole. */
function Whole({ token, said }: { token: string; said: string }) {
  const [note, setNote] = useState(said);
  const [trouble, setTrouble] = useState<unknown>(null);
  return (
    <section aria-label="Anything else">
      <Field
        fullWidth
        multiline
        minRows={2}
        label="Anything else about this tree"
        value={note}
        onChange={(e) => setNote(e.target.value)}
      />
      <Trouble error={trouble} />
      <p>
        <Button
          variant="outlined"
          disabled={note.trim() === '' || note.trim() === said}
          onClick={() => {
            setTrouble(null);
            answer(token, 'A word on the whole', { step: 0, choice: 'note', note: note.trim() }).catch(setTrouble);
          }}
        >
          {note.trim() === said && said !== '' ? 'Sent' : 'Send it'}
        </Button>
      </p>
    </section>
  );
}
