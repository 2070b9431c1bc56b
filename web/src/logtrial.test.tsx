import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, test } from 'vitest';
import { draftedTrial, firstTrial, trialOf, TrialFields } from './yard/LogTrial';
import { show } from './testing.test-data';

function Form({ told }: { told: (t: ReturnType<typeof trialOf>) => void }) {
  const [trial, setTrial] = useState(firstTrial);
  told(trialOf(trial));
  return <TrialFields trial={trial} onChange={setTrial} />;
}

describe('counting a trial', () => {
  test('three treatments, by where the buds stand, each with its mark', () => {
    let last: ReturnType<typeof trialOf>;
    show(<Form told={(t) => (last = t)} />);
    expect(last).toBeUndefined();
    const type = (name: string | RegExp, value: string) =>
      fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
    type('notched, low: buds', '8');
    type('notched, low: of these broke', '7');
    type('untreated, low: buds', '9');
    type('untreated, low: of these broke', '1');
    type('untreated, top: buds', '3');
    fireEvent.click(screen.getByRole('button', { name: 'One more treatment' }));
    const third = screen.getByRole('group', { name: 'A treatment' });
    fireEvent.change(within(third).getByLabelText('What was done'), { target: { value: 'bent over' } });
    fireEvent.change(within(third).getByLabelText('Marked with'), { target: { value: 'blue' } });
    type('bent over, middle: buds', '4');
    expect(last).toEqual({
      arms: [
        { what: 'notched', tag: 'notched', zones: [{ zone: 'low', buds: 8, broke: 7 }] },
        {
          what: 'untreated',
          tag: 'untreated',
          zones: [
            { zone: 'low', buds: 9, broke: 1 },
            { zone: 'top', buds: 3, broke: 0 },
          ],
        },
        { what: 'bent over', tag: 'blue', zones: [{ zone: 'middle', buds: 4, broke: 0 }] },
      ],
    });
  });

  test('what was logged is typed over without a loss', () => {
    const trial = {
      arms: [
        {
          what: 'notched',
          tag: 'red',
          planned: 'in March',
          done: 'in April',
          zones: [{ zone: 'low' as const, buds: 8, broke: 7 }],
        },
      ],
      left_out: 'two with branches',
    };
    expect(trialOf(draftedTrial(trial))).toEqual(trial);
  });
});
