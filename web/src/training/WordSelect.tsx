import { Select } from '../shared/plain';
import type { CandidateMark } from './queries';

/** What a person may say of a shoot; '' takes it back, 'bend' has an angle with it. */
export type Word = NonNullable<CandidateMark['mark']> | 'bend' | '';

interface Props {
  limb: string;
  value: Word;
  all: readonly { value: Word; name: string }[];
  onSay: (w: Word) => void;
}

/** A person's word on a shoot, in a row of a table. */
export const WordSelect = ({ limb, value, all, onSay }: Props) => (
  <Select aria-label={`Your word on ${limb}`} all={[{ value: '', name: '–' }, ...all]} value={value} onChange={onSay} />
);
