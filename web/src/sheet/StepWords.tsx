import type { Step } from '../bench/slip/queries';
import { Told } from '../help/Told';
import { percent, say, type Units } from '../shared/units';

interface Props {
  step: Step;
  units: Units;
  /** Also the tool and the share, where they stand nowhere else. */
  whole?: boolean;
}

/** A step in words: the place from the ground and on one's body, how, the bud on top, why, and what to take care of. */
export function StepWords({ step: s, units, whole = false }: Props) {
  return (
    <>
      <p className="where">
        <b>
          {say((s.place?.[2] ?? 0) / 100, 'm', units)} up, {s.side} side{!whole && s.on_body ? `, ${s.on_body}` : ''}.
        </b>{' '}
        <Told>{`${s.how} ${s.bud ?? ''}`}</Told>
        {whole && ` ${s.tool ? `With: ${s.tool}. ` : ''}${percent(s.counted)} of the crown.`}
      </p>
      <p className="q">
        <Told>{s.why}</Told>
      </p>
      {s.cautions.map((c) => (
        <p key={c} className="over">
          {c}
        </p>
      ))}
    </>
  );
}
