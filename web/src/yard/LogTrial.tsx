import Button from '@mui/material/Button';
import { Field } from '../shared/Field';
import type { Entry } from '../shared/api';
import { fieldsOf } from '../shared/fields';
import { useHere } from '../shared/orchard';
import css from './yard.module.css';

type Trial = NonNullable<Entry['trial']>;

/** Where on the stem, from the ground up. */
const zones = ['low', 'middle', 'top'] as const;

type Zone = (typeof zones)[number];

/** A treatment as it is typed: what it was, what marks it, and its buds by where they stand. */
export interface ArmDraft {
  what: string;
  tag: string;
  planned: string;
  done: string;
  counts: Partial<Record<`${Zone}${'' | '-broke'}`, string>>;
}

const arm = (what: string, tag: string): ArmDraft => ({ what, tag, planned: '', done: '', counts: {} });

export interface TrialDraft {
  arms: ArmDraft[];
  leftOut: string;
}

/** Notched against left alone: the trial that is made most. */
export const firstTrial = (): TrialDraft => ({ arms: [arm('notched', ''), arm('untreated', '')], leftOut: '' });

/** A trial as it was logged, to be typed over. */
export const draftedTrial = (t: Trial): TrialDraft => ({
  arms: t.arms.map((a) => ({
    what: a.what,
    tag: a.tag,
    planned: a.planned ?? '',
    done: a.done ?? '',
    counts: Object.fromEntries(
      a.zones.flatMap((z) => [
        [z.zone, String(z.buds)],
        [`${z.zone}-broke`, String(z.broke)],
      ]),
    ),
  })),
  leftOut: t.left_out ?? '',
});

const whole = (text: string | undefined) => Math.max(0, Math.round(Number(text ?? '')) || 0);

/** The trial as it was counted; none where no bud was. Where an arm has no mark, what it is marks it. */
export function trialOf(t: TrialDraft): Trial | undefined {
  const arms = t.arms.flatMap((a) => {
    const counted = zones.flatMap((zone) =>
      whole(a.counts[zone]) > 0 ? [{ zone, buds: whole(a.counts[zone]), broke: whole(a.counts[`${zone}-broke`]) }] : [],
    );
    return counted.length === 0
      ? []
      : [
          {
            what: a.what,
            tag: a.tag || a.what,
            zones: counted,
            ...(a.planned ? { planned: a.planned } : {}),
            ...(a.done ? { done: a.done } : {}),
          },
        ];
  });
  return arms.length === 0 ? undefined : { arms, ...(t.leftOut ? { left_out: t.leftOut } : {}) };
}

/** Counting a trial: each treatment with its mark, its buds and those that broke, low, middle and top. */
export function TrialFields({ trial, onChange }: { trial: TrialDraft; onChange: (t: TrialDraft) => void }) {
  const set = (n: number, part: Partial<ArmDraft>) =>
    onChange({ ...trial, arms: trial.arms.map((a, i) => (i === n ? { ...a, ...part } : a)) });
  const { units } = useHere();
  const field = (n: number) => fieldsOf(trial.arms[n] ?? arm('', ''), (a) => set(n, a), units);
  return (
    <>
      {trial.arms.map((a, n) => (
        <fieldset key={n} className={css.trialarm}>
          <legend>{a.what || 'A treatment'}</legend>
          <div className="pair">
            {field(n).text('what', 'What was done', { disabled: a.what === 'untreated' })}
            {field(n).text('tag', 'Marked with', { placeholder: a.what })}
          </div>
          <div className={css.trialzones}>
            {zones.flatMap((zone) =>
              ([zone, `${zone}-broke`] as const).map((k) => (
                <Field
                  key={k}
                  label={k === zone ? `${zone}: buds` : 'broke'}
                  value={a.counts[k] ?? ''}
                  onChange={(e) => set(n, { counts: { ...a.counts, [k]: e.target.value } })}
                  slotProps={{
                    htmlInput: {
                      inputMode: 'numeric',
                      'aria-label': `${a.what}, ${zone}: ${k === zone ? 'buds' : 'of these broke'}`,
                    },
                  }}
                />
              )),
            )}
          </div>
          {a.what !== 'untreated' && (
            <details>
              <summary className="q sm">Planned, and done in fact</summary>
              <div className="pair">
                {field(n).text('planned', 'Planned')}
                {field(n).text('done', 'Done')}
              </div>
            </details>
          )}
          {n > 1 && (
            <button
              type="button"
              className="plain"
              onClick={() => onChange({ ...trial, arms: trial.arms.filter((_, i) => i !== n) })}
            >
              Take this treatment out
            </button>
          )}
        </fieldset>
      ))}
      {trial.arms.length < 8 && (
        <Button size="small" onClick={() => onChange({ ...trial, arms: [...trial.arms, arm('', '')] })}>
          One more treatment
        </Button>
      )}
      {fieldsOf(trial, onChange, units).text('leftOut', 'Left out of it, and why')}
    </>
  );
}
