import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Docket } from './yard/Docket';
import type { Docket as Data, Task } from './shared/api';
import { docket, show } from './testing.test-data';

const task = (id: string, code: string, more: Partial<Task> = {}): Task => ({
  id,
  code,
  tree_id: `t-${code}`,
  kind: 'stand-back',
  title: 'Stand back and look',
  short: 'look',
  mark: 'care',
  cut: false,
  opens: '2026-11-01',
  closes: '2027-03-01',
  state: 'open',
  group: 'now',
  minutes: 5,
  season: 2027,
  kind_name: 'Apple',
  tree_name: 'North',
  opens_says: '1 November',
  closes_says: '1 March',
  opens_early: '2026-11-01',
  closes_late: '2027-03-01',
  reasons: [{ rule: 'look', says: 'The first step is never a cut.' }],
  held: [],
  cautions: ['Local rules and licensed practice come first.'],
  minutes_says: '5 min',
  minutes_estimated: true,
  others: [],
  grades: [{ level: 'better', says: 'Better: in its window.' }],
  ...more,
});

const data = (more: Partial<Data>) => docket({ minutes: 15, minutes_says: '15 min', ...more });

describe('the docket', () => {
  it('puts one job on many trees in one row and logs the tree chosen', async () => {
    const log = vi.fn();
    show(<Docket docket={data({ now: [task('a', 'A1'), task('b', 'A2')] })} onLog={log} onTree={vi.fn()} />);
    const row = screen.getByRole('button', { name: /Stand back and look, A1 A2/ });
    await userEvent.click(row);
    await userEvent.click(screen.getByRole('button', { name: 'A2' }));
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    expect(log).toHaveBeenCalledWith(expect.objectContaining({ id: 'b' }));
  });

  it('leads from a job to where its numbers are worked out', async () => {
    const thin = task('a', 'A1', { kind: 'thin', title: 'Thin the fruit', cut: false });
    show(<Docket docket={data({ now: [thin] })} onLog={vi.fn()} onTree={vi.fn()} />);
    await userEvent.click(screen.getByRole('button', { name: /Thin the fruit/ }));
    expect(screen.getByRole('link', { name: 'To the counting pad' })).toHaveAttribute('href', '/here/thinning/t-A1');
  });

  it('gives every cut a row of its own, with what it waits for', () => {
    const cut = (id: string, code: string) =>
      task(id, code, {
        cut: true,
        kind: 'summer-cut',
        title: 'Dry-summer cut',
        group: 'wait',
        state: 'waits',
        held: [{ rule: 'forbidden-until', says: 'Waits for dry summer weather.' }],
      });
    const { container } = show(
      <Docket docket={data({ wait: [cut('a', 'B1'), cut('b', 'B2')] })} onLog={vi.fn()} onTree={vi.fn()} />,
    );
    const wait = container.querySelector('[data-group="wait"]');
    expect(wait).not.toBeNull();
    expect(within(wait as HTMLElement).getAllByText('Waits for dry summer weather.')).toHaveLength(2);
  });

  it('puts what is open for months last, with the day it ends', () => {
    const look = task('a', 'A1', { kind: 'stand-back', title: 'Stand back and look', closes: '2027-04-12' });
    const { container } = show(
      <Docket docket={data({ anytime: [look], wait: [task('b', 'A2')] })} onLog={vi.fn()} onTree={vi.fn()} />,
    );
    const last = [...container.querySelectorAll('[data-group]')].at(-1) as HTMLElement;
    expect(last.dataset.group).toBe('anytime');
    expect(within(last).getByText(/^until /)).toBeInTheDocument();
  });

  it('says so when nothing asks for anyone', () => {
    show(<Docket docket={data({ minutes: 0 })} onLog={vi.fn()} onTree={vi.fn()} />);
    expect(screen.getByText(/Nothing asks for you/)).toBeInTheDocument();
  });

  it('says what to do instead of a job that was missed', () => {
    show(
      <Docket
        docket={data({ missed: [task('a', 'A1', { state: 'missed', instead: 'Thin still.', group: undefined })] })}
        onLog={vi.fn()}
        onTree={vi.fn()}
      />,
    );
    expect(screen.getByText('Thin still.')).toBeInTheDocument();
  });
});
