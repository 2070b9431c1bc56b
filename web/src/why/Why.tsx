import { keepPreviousData } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { useAddress } from '../shared/address';
import { ask, type Schemas } from '../shared/api';
import { useHere } from '../shared/orchard';
import { useShown } from '../shared/shown';
import { Trouble } from '../shared/Trouble';
import { percent } from '../shared/units';
import { StakeLabel } from '../drawing/StakeLabel';
import css from './why.module.css';

type Diagnosis = Schemas['DiagnosisBody'];
type Cause = Schemas['CauseBody'];

const complaints = [
  ['no-fruit', 'bears no fruit'],
  ['small-fruit', 'bears small fruit'],
  ['only-at-the-top', 'bears only at the top'],
  ['many-sprouts', 'makes many sprouts'],
  ['dies-back', 'dies back'],
  ['leans', 'leans'],
  ['drops-fruit', 'drops its fruit'],
  ['splits', 'splits'],
] as const;

const list = (text: string | null) => (text ? text.split(',').filter(Boolean) : []);

/** Why does my tree ...: a short look. The record answers what it can; the rest is asked one question at a time. */
export default function Why() {
  const { id = '' } = useParams();
  const { orchard, plan } = useHere();
  const { settled } = useShown();
  const [params, put] = useAddress();
  const complaint = params.get('what') ?? '';
  const yes = list(params.get('yes'));
  const no = list(params.get('no'));
  const skip = list(params.get('skip'));
  const asked = ask.useQuery(
    'get',
    '/api/orchards/{slug}/trees/{id}/diagnosis',
    {
      params: {
        path: { slug: orchard.slug, id },
        query: { day: settled, complaint, yes: yes.join(','), no: no.join(',') },
      },
    },
    { placeholderData: keepPreviousData, enabled: complaint !== '' },
  );
  const add = (k: 'yes' | 'no' | 'skip', question: string) =>
    put((now) => ({ [k]: [...list(now.get(k)), question].join(',') }));
  const anew = { yes: undefined, no: undefined, skip: undefined };
  const tree = plan?.trees.find((t) => t.id === id);
  const d = asked.data?.complaint === complaint ? asked.data : undefined;
  const answered = yes.length + no.length + skip.length;
  const question = d?.ask.find((q) => !skip.includes(q.slug));
  return (
    <div className={`page ${css.why} why`}>
      <header className={`${css.title} title`}>
        {tree && <StakeLabel code={tree.code} />}
        <h1>
          Why does my {tree?.kind_name.toLowerCase() ?? 'tree'} {tree?.name && `‘${tree.name}’`} …
        </h1>
      </header>
      <div className={css.picks} role="group" aria-label="What you see">
        {complaints.map(([slug, name]) => (
          <button
            key={slug}
            type="button"
            aria-pressed={slug === complaint}
            onClick={() => put({ what: slug, ...anew })}
          >
            {name}
          </button>
        ))}
      </div>
      {asked.error && <Trouble error={asked.error} holds="Your answers stand in the address." />}
      {complaint === '' && (
        <p className="q">
          Say what you see. What the record of this tree already tells is not asked; the rest is, one look at a time.
        </p>
      )}
      {d && (
        <div className={`${css.found} found`}>
          <section aria-label="The look">
            <p className={css.verdict} role="status">
              {d.says}
            </p>
            {question ? (
              <fieldset className={`${css.ask} ask`}>
                <legend>
                  <b>{question.asks}</b>
                </legend>
                {question.how && <p className="sm q">{question.how}</p>}
                <div className={`${css.acts} acts`}>
                  <button type="button" onClick={() => add('yes', question.slug)}>
                    Yes
                  </button>
                  <button type="button" onClick={() => add('no', question.slug)}>
                    No
                  </button>
                  <button type="button" onClick={() => add('skip', question.slug)}>
                    I can’t tell
                  </button>
                </div>
              </fieldset>
            ) : (
              <p className="sm q">Nothing more to ask: what is left only time or a neighbour’s eye can tell.</p>
            )}
            {answered > 0 && (
              <button type="button" className="plain sm" onClick={() => put(anew)}>
                Begin the look anew
              </button>
            )}
            {d.apart && <p className="sm">{d.apart}</p>}
            <details open>
              <summary className="sm">Not asked: the record tells it</summary>
              <ul className="sm">
                {d.known.map((k) => (
                  <li key={k}>{k}</li>
                ))}
                {d.known.length === 0 && <li className="q">Little is on record for this tree yet.</li>}
              </ul>
            </details>
          </section>
          <Causes d={d} />
        </div>
      )}
      {d && <p className="nt q">{d.local_rules}</p>}
    </div>
  );
}

/** The causes in their order: what speaks for and against each, what to do, and when. */
function Causes({ d }: { d: Diagnosis }) {
  return (
    <section aria-label="Likely causes">
      <h2>Likely causes</h2>
      <ol className={css.causes}>
        {d.causes.map((c, i) => (
          <li key={c.slug}>
            <details open={i === 0 || undefined}>
              <summary>
                <b>{c.name}</b>
                <Bar c={c} />
              </summary>
              <p>{c.do}</p>
              <p className="sm q">{c.when}</p>
              <ul className={`${css.proof} sm`}>
                {c.evidence.map((e) => (
                  <li key={e.says} className={e.for ? css.for : 'against'}>
                    <span aria-hidden="true">{e.for ? '+' : '−'}</span>
                    <span className="visually-hidden">{e.for ? 'speaks for it: ' : 'speaks against it: '}</span>
                    {e.says}
                    {e.asked && <span className="q"> you said</span>}
                  </li>
                ))}
                {c.evidence.length === 0 && <li className="q">Nothing on record speaks for or against it.</li>}
              </ul>
            </details>
          </li>
        ))}
      </ol>
    </section>
  );
}

function Bar({ c }: { c: Cause }) {
  return (
    <span className={css.bar}>
      <svg width={120} height={10} aria-hidden="true">
        <rect width={120} height={10} fill="none" stroke="var(--rule-strong)" />
        <rect width={120 * c.share} height={10} fill="var(--leaf)" />
      </svg>
      <span className="num sm">{percent(c.share)}</span>
    </span>
  );
}
