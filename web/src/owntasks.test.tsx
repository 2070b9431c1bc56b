import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { OwnTasks, whenSays } from './setup/OwnTasks';
import { ShownDay } from './shared/shown';
import { answer, refusal, show } from './testing.test-data';

afterEach(() => vi.unstubAllGlobals());

const at = '/api/orchards/here/own-tasks';
const trees = [
  { id: 't1', code: 'A1', name: 'North' },
  { id: 't2', code: 'B1', name: '', gone: '2026-05-01' },
];
const tasks = [
  { id: 'o1', version: 1, title: 'Clean the gauge', date: '2027-03-01', every_days: 30 },
  { id: 'o2', version: 1, title: 'Net the cherry', tree_id: 't1', stage: 'fruit_14mm', offset_days: -3 },
];
const open = (more: Record<string, unknown> = {}) => {
  const sent = answer({ [`GET ${at}`]: tasks, 'GET /api/orchards/here/trees': trees, ...more });
  show(
    <ShownDay today="2027-02-20">
      <OwnTasks />
    </ShownDay>,
  );
  return sent;
};
const posted = (sent: ReturnType<typeof answer>) => sent.find((s) => s.method === 'POST')?.body;
const pick = async (label: string, option: string) => {
  await userEvent.click(screen.getByLabelText(label));
  await userEvent.click(within(screen.getByRole('listbox')).getByRole('option', { name: option }));
};

describe('when a task of one’s own is due', () => {
  it('is said as it was set', () => {
    expect(whenSays({ date: '2027-03-01' })).toBe('from 1 March');
    expect(whenSays({ date: '2027-03-01', every_days: 14 })).toBe('from 1 March, every 14 days');
    expect(whenSays({ stage: 'bud_break', offset_days: 10 })).toBe('10 days after bud break');
    expect(whenSays({ stage: 'bud_break', offset_days: -10 })).toBe('10 days before bud break');
    expect(whenSays({ stage: 'full_bloom' })).toBe('at full bloom');
  });
});

describe('tasks of one’s own', () => {
  it('are listed with their tree, and taken out', async () => {
    const sent = open({ [`DELETE ${at}/o2`]: {} });
    const line = (await screen.findByText('Net the cherry')).closest('p');
    expect(line).toHaveTextContent('Net the cherry 3 days before fruit 14mm, A1');
    await userEvent.click(within(line ?? document.body).getByRole('button', { name: 'Take out' }));
    await waitFor(() => expect(sent.some((s) => s.method === 'DELETE' && s.path === `${at}/o2`)).toBe(true));
  });

  it('are added on a date, once or again and again', async () => {
    const sent = open({ [`POST ${at}`]: {} });
    const add = screen.getByRole('button', { name: 'Add the task' });
    expect(add).toBeDisabled();
    await userEvent.type(screen.getByLabelText('What'), 'Oil the saw');
    await userEvent.type(screen.getByLabelText('Again every so many days'), '60');
    await userEvent.click(add);
    await waitFor(() =>
      expect(posted(sent)).toEqual({
        id: '',
        version: 0,
        title: 'Oil the saw',
        for_days: 14,
        date: '2027-02-20',
        every_days: 60,
      }),
    );
    await waitFor(() => expect(screen.getByLabelText('What')).toHaveValue(''));
    expect(screen.getByLabelText('Again every so many days')).toHaveValue(60);
  });

  it('hang on a stage of a tree that stands, and of no other', async () => {
    const sent = open({ [`POST ${at}`]: {} });
    await screen.findByText('Net the cherry');
    await userEvent.click(screen.getByLabelText('When'));
    expect(screen.getByRole('option', { name: 'after bud swell' })).toHaveAttribute('aria-disabled', 'true');
    await userEvent.keyboard('{Escape}');
    await userEvent.click(screen.getByLabelText('On'));
    expect(screen.queryByRole('option', { name: /B1/ })).toBeNull();
    await userEvent.keyboard('{Escape}');
    await pick('On', 'A1 North');
    await pick('When', 'after bud swell');
    await userEvent.type(screen.getByLabelText('What'), 'Spray-free wash');
    const days = screen.getByLabelText('Days after (before: minus)');
    await userEvent.clear(days);
    await userEvent.type(days, '-5');
    await userEvent.click(screen.getByRole('button', { name: 'Add the task' }));
    await waitFor(() =>
      expect(posted(sent)).toMatchObject({
        tree_id: 't1',
        stage: 'bud_swell',
        offset_days: -5,
        title: 'Spray-free wash',
      }),
    );
    expect(posted(sent)).not.toHaveProperty('date');
  });

  it('keep what was typed when they are refused, and mark the field', async () => {
    open({ [`POST ${at}`]: refusal('every_days', '9999', 'up to 3650') });
    await userEvent.type(screen.getByLabelText('What'), 'Oil the saw');
    await userEvent.type(screen.getByLabelText('Again every so many days'), '9999');
    await userEvent.click(screen.getByRole('button', { name: 'Add the task' }));
    await waitFor(() => expect(screen.getByLabelText('Again every so many days')).toBeInvalid());
    expect(screen.getByLabelText('What')).toHaveValue('Oil the saw');
    expect(screen.getByLabelText('Again every so many days')).toHaveAccessibleDescription(/up to 3650 expected/);
  });
});
