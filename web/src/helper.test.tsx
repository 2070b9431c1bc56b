import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Asking, Step } from './bench/slip/queries';
import { HelperLinks } from './helper/HelperLinks';
import HelperPage from './helper/HelperPage';
import { answer, drawnLimb, refusal, show } from './testing.test-data';

afterEach(() => vi.unstubAllGlobals());

const step = (n: number, limb: string): Step =>
  ({
    n,
    mark: String(n),
    state: 'proposed',
    findings: [],
    cut: { limb, kind: 'collar', at_cm: 0 },
    place: [0, 0, 120],
    side: 'south',
    stand_deg: 180,
    d_mm: 22,
    counted: 0.05,
    title: `${limb} off at its collar`,
    how: 'Outside the branch collar.',
    why: 'It takes the light of the middle.',
    tool: 'loppers',
    cautions: [],
  }) as unknown as Step;

const page = {
  expires: '2027-03-17T12:00:00Z',
  answers: [{ id: 'helper-answer-1', step: 2, choice: 'could-not', at: '2027-03-10T09:00:00Z', note: 'too thick' }],
  page: {
    code: 'C1',
    kind_name: 'Apple',
    day: '2027-03-10',
    key: 'k',
    limbs: [
      drawnLimb('T', [0, 0, 0, 4, 3, 0, 0, 120, 2, 2]),
      drawnLimb('S1', [0, 0, 90, 2, 2, 80, 0, 140, 1, 1], { depth: 1, parent: 'T' }),
    ],
    minutes: 24,
    note: 'The gate sticks.',
    reach_cm: 212,
    revision: 4,
    safety: ['Local rules and licensed practice come first.', 'No ladder.'],
    season: 'dormant',
    steps: [step(1, 'S1'), step(2, 'S2')],
    tools: ['loppers', 'hand saw'],
    units: 'metric',
    gauge: { account: 0, limit: 0.2, winter: 0, summer: 0, cap: 1, free: 0, exempt: false, slip: 0.1 },
  },
};

const opened = (more: Record<string, unknown> = {}) => {
  const sent = answer({ 'GET /api/help/tok': page, ...more });
  show(
    <Routes>
      <Route path="/help/:token" element={<HelperPage />} />
    </Routes>,
    'metric',
    '/help/tok',
  );
  return sent;
};

describe('the page of a helper', () => {
  it('begins with the rules and says what to bring, what else to know, and until when it is open', async () => {
    opened();
    const main = await screen.findByRole('main', { name: 'A helper’s page' });
    expect(main.textContent).toMatch(/^Local rules and licensed practice come first\. No ladder\./);
    expect(main).toHaveTextContent('Slip of 10 March: 2 steps, about 24 min. Bring: loppers, hand saw, spirit.');
    expect(screen.getByText('The gate sticks.')).toBeInTheDocument();
    expect(main).toHaveTextContent('Open until 17 March.');
    expect(screen.queryByRole('link')).toBeNull(); // nothing of the orchard beside
  });

  it('opens a step at a time, and shows what was answered before', async () => {
    opened();
    const second = await screen.findByRole('button', { name: /^2 S2 off at its collar/ });
    expect(second).toHaveTextContent('could not');
    expect(second).toHaveAttribute('aria-expanded', 'false');
    await userEvent.click(second);
    expect(second).toHaveAttribute('aria-expanded', 'true');
    expect(screen.getByLabelText('A word on step 2')).toHaveValue('too thick');
    expect(screen.queryByLabelText('A word on step 1')).toBeNull();
  });

  it('sends a cut with its word under an id of its own, and the stop line follows', async () => {
    const sent = opened({
      'POST /api/help/tok/answers': { ...page, answers: [{ ...page.answers[0], step: 1, choice: 'taken' }] },
    });
    await screen.findByRole('img', { name: '0 % cut, this 5 %, stop at 20 %' });
    await userEvent.type(screen.getByLabelText('A word on step 1'), 'clean ');
    await userEvent.click(screen.getByRole('button', { name: 'Cut made' }));
    await waitFor(() => expect(sent.some((s) => s.method === 'POST')).toBe(true));
    const body = sent.find((s) => s.method === 'POST')?.body as { id: string };
    expect(body).toMatchObject({ step: 1, choice: 'taken', note: 'clean' });
    expect(body.id.length).toBeGreaterThan(20);
    expect(await screen.findByRole('img', { name: '5 % cut, this 0 %, stop at 20 %' })).toBeInTheDocument();
  });

  it('says so when the link has ended, and shows nothing of the tree', async () => {
    opened({
      'GET /api/help/tok': refusal(
        'link',
        'a link that ended on 2027-03-01',
        'one that is open: ask who gave it to you',
        410,
      ),
    });
    expect(await screen.findByRole('alert')).toHaveTextContent('ask who gave it to you');
    expect(screen.queryByText(/C1/)).toBeNull();
  });
});

describe('giving a slip to a helper', () => {
  const asking: Asking = { slug: 'here', id: 'c1', day: '2027-03-10', revision: 4, season: undefined };
  const at = '/api/orchards/here/trees/c1/helpers';
  const access = { 'GET /api/access': { guarded: false, role: 'owner', here: true, helpers: false } };
  const link = {
    id: 'l1',
    code: 'C1',
    key: 'k',
    tree_id: 'c1',
    created: '2027-03-10T08:00:00Z',
    expires: '2027-03-17T08:00:00Z',
    over: false,
    withdrawn: false,
    waiting: 1,
    answers: [{ id: 'a0', step: 0, choice: 'note', note: 'Fine tree.', at: '' }],
    steps: [
      { n: 1, title: 'S1 off at its collar', answer: { id: 'a1', step: 1, choice: 'taken', d_mm: 24, at: '' } },
      { n: 2, title: 'S2 off at its collar', answer: { id: 'a2', step: 2, choice: 'left', at: '', entry: 'e9' } },
      { n: 3, title: 'S3 off at its collar' },
    ],
  };

  it('tells the link once, and whom it reaches', async () => {
    const sent = answer({ ...access, [`GET ${at}`]: [], [`POST ${at}`]: { ...link, path: '/help/secret' } });
    show(<HelperLinks asking={asking} />);
    await userEvent.click(screen.getByText('A helper for this tree'));
    const days = screen.getByLabelText('Days it is open');
    for (const odd of ['0', '61', '2.5', 'x']) {
      await userEvent.clear(days);
      await userEvent.type(days, odd);
      expect(screen.getByRole('button', { name: 'Make a link' })).toBeDisabled();
    }
    await userEvent.clear(days);
    await userEvent.type(days, '3');
    await userEvent.type(screen.getByLabelText('What else they should know'), 'The gate sticks.');
    await userEvent.click(screen.getByRole('button', { name: 'Make a link' }));
    const told = await screen.findByRole('status');
    expect(within(told).getByRole('link')).toHaveAttribute('href', '/help/secret');
    expect(told).toHaveTextContent('Only this machine reaches it yet');
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ days: 3, note: 'The gate sticks.' });
  });

  it('shows what waits at once, and takes in one answer or all of them', async () => {
    const sent = answer({ ...access, [`GET ${at}`]: [link], [`POST ${at}/l1/take-in`]: {} });
    show(<HelperLinks asking={asking} />);
    expect(await screen.findByText(/1 answer waiting for you/)).toBeInTheDocument();
    const given = screen.getByRole('region', { name: 'Link of 10 March' });
    expect(given).toHaveTextContent('open until 17 March');
    const lines = within(given)
      .getAllByRole('listitem')
      .map((l) => l.textContent);
    expect(lines).toEqual([
      '1 S1 off at its collar: cut, 24 mm Take it in',
      '2 S2 off at its collar: left taken in',
      '“Fine tree.” ',
    ]);
    await userEvent.click(within(given).getByRole('button', { name: 'Take it in' }));
    await waitFor(() => expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ steps: [1] }));
    await userEvent.click(within(given).getByRole('button', { name: 'Take all in' }));
    await waitFor(() => expect(sent.filter((s) => s.method === 'POST').at(-1)?.body).toEqual({ steps: [] }));
  });

  it('keeps the answers when they cannot be taken in, and says of an ended link that it ended', async () => {
    answer({
      ...access,
      [`GET ${at}`]: [
        link,
        { ...link, id: 'l0', created: '2027-02-01T08:00:00Z', over: true, waiting: 0, steps: [], answers: [] },
      ],
      [`POST ${at}/l1/take-in`]: refusal('revision', '4', '5: the map has changed', 409),
    });
    show(<HelperLinks asking={asking} />);
    const given = await screen.findByRole('region', { name: 'Link of 10 March' });
    await userEvent.click(within(given).getByRole('button', { name: 'Take all in' }));
    expect(await within(given).findByRole('alert')).toHaveTextContent('The answers still wait here.');
    expect(screen.getByRole('region', { name: 'Link of 1 February' })).toHaveTextContent('ended; nothing answered yet');
  });
});
