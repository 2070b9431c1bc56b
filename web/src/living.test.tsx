import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { bar, docket, meta, openApp, orchard, plan, tree } from './testing.test-data';

const today = docket({
  see: [
    {
      stage: 'bud_swell',
      says: 'Apple: bud swell',
      hint: 'silver between the scales',
      trees: [
        { id: 't1', code: 'A1' },
        { id: 't2', code: 'A2' },
      ],
    },
  ],
});

const days = (more: object = {}) => ({
  day: '2027-02-20',
  to: '2027-10-31',
  hours_said: true,
  says: 'Three weeks: 1 h of work set, 9 h of yours on days that serve.',
  days: [
    { date: '2027-02-20', has: 120, chosen: 60, lost: false },
    { date: '2027-02-27', has: 120, chosen: 0, lost: true },
  ],
  jobs: [
    {
      task_id: 'b1',
      tree_id: 't1',
      code: 'A1',
      kind_name: 'Apple',
      title: 'Dormant cut',
      short: 'winter cut',
      mark: 'winter',
      minutes: 60,
      opens: '2027-02-18',
      closes: '2027-04-01',
      pieces: [{ date: '2027-02-20', minutes: 60 }],
      set: false,
      says: 'Fit by the forecast.',
    },
  ],
  dropped: [
    {
      task_id: 'b2',
      code: 'A1',
      title: 'White paint',
      short: 'paint',
      mark: 'care',
      minutes: 30,
      opens: '2027-02-18',
      closes: '2027-02-28',
      left: 30,
      why: 'Your days up to 28 February are full.',
      costs: 'A little is lost. Paint still.',
      room: { date: '2027-02-27', minutes: 30 },
      room_says: 'It fits with 30 min more on Saturday 27 February.',
      fits: '2027-02-27',
    },
  ],
  waiting: [
    {
      task_id: 'b3',
      code: 'A1',
      title: 'Thin the fruit',
      short: 'thin',
      mark: 'thin',
      minutes: 40,
      opens: '2027-02-20',
      closes: '2027-03-01',
      says: 'Frost can still come.',
    },
  ],
  done: [],
  ...more,
});

const costs = ['2027-02-20', '2027-02-21', '2027-02-22'].map((date, i) => ({
  date,
  level: i === 1 ? 'harmful' : 'better',
  open: i !== 1,
  tree: i === 1 ? 'Harmful: too late.' : 'Better: in its window.',
  weather: 'Fit by the forecast.',
  time: 'It fits your 2 h.',
}));

const entry = (id: string) => ({ entry: { id, date: '2027-02-20', kind: 'observed' }, follow_ups: [] });

const routes = {
  'GET /api/meta': meta,
  'GET /api/orchards': [orchard],
  'GET /api/orchards/here': { orchard, warnings: [], site_defaults: {} },
  'GET /api/orchards/here/plan': plan({
    trees: [
      tree({ bars: [bar(), { ...bar(), id: 'b2', title: 'White paint', short: 'paint', mark: 'care', cut: false }] }),
    ],
  }),
  'GET /api/orchards/here/docket': today,
  'GET /api/orchards/here/weather': { day: '2027-02-20', says: '', fits: [], days: [], notices: [] },
  'GET /api/orchards/here/days': days(),
  'GET /api/orchards/here/days/costs': costs,
  'PUT /api/orchards/here/days': days(),
  'POST /api/orchards/here/entries': entry('e1'),
};

afterEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
});

describe('what is seen', () => {
  it('is logged on all trees of a kind with one tap, and taken back with one', async () => {
    const sent = openApp('/here/yard', { ...routes, 'DELETE /api/orchards/here/entries/e1': {} });
    const ask = await screen.findByRole('region', { name: 'Do you see it?' });
    await userEvent.click(within(ask).getByRole('button', { name: 'on all' }));
    await within(ask).findByText(/logged/);
    const posts = sent.filter((s) => s.method === 'POST');
    expect(posts.map((p) => (p.body as { tree_id: string; stage: string }).tree_id)).toEqual(['t1', 't2']);
    expect(posts.every((p) => (p.body as { stage: string }).stage === 'bud_swell')).toBe(true);
    await userEvent.click(within(ask).getByRole('button', { name: 'Take it back' }));
    await waitFor(() => expect(sent.filter((s) => s.method === 'DELETE')).toHaveLength(2));
  });
});

describe('three weeks', () => {
  it('move a job by keys, refuse a day that is closed, and set it', async () => {
    const sent = openApp('/here/year?span=weeks', routes);
    const flag = await screen.findByRole('button', { name: /^A1 Dormant cut, / });
    await userEvent.click(flag);
    const grip = await screen.findByRole('button', { name: /Arrow keys move it a day/ });
    await screen.findAllByText(/in its window/);
    await userEvent.keyboard('{ArrowRight}');
    const set = screen.getByRole('button', { name: /^Set / });
    expect(set).toBeDisabled();
    expect(screen.getByText(/too late/)).toBeVisible();
    await userEvent.keyboard('{ArrowRight}{Enter}');
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ task_id: 'b1', day: '2027-02-22' }),
    );
    await waitFor(() => expect(grip).not.toBeInTheDocument());
  });

  it('tell what is dropped, what waits and why, and take the time it asks for', async () => {
    const sent = openApp('/here/year?span=weeks', routes);
    const dropped = await screen.findByRole('region', { name: 'What is dropped' });
    expect(dropped).toHaveTextContent('A little is lost.');
    expect(screen.getByText(/Frost can still come/)).toBeVisible();
    await userEvent.click(within(dropped).getByRole('button', { name: 'Take that time' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ task_id: 'b2', day: '2027-02-27' }),
    );
  });

  it('stay on Escape as they were', async () => {
    const sent = openApp('/here/year?span=weeks', routes);
    await userEvent.click(await screen.findByRole('button', { name: /^A1 Dormant cut, / }));
    await screen.findByRole('button', { name: /Arrow keys move it a day/ });
    await userEvent.keyboard('{ArrowRight}{Escape}');
    expect(screen.queryByRole('button', { name: /Arrow keys/ })).toBeNull();
    expect(sent.some((s) => s.method === 'PUT')).toBe(false);
  });
});

describe('why does my tree', () => {
  it('asks one thing at a time, by what tells most, and says what speaks for and against', async () => {
    const found = {
      tree_id: 't1',
      code: 'A1',
      kind_name: 'Apple',
      complaint: 'leans',
      complaints: [],
      says: 'Not sure yet: it has no stake that holds it, or the wind rocks it in its hole.',
      sure: false,
      causes: [
        {
          slug: 'no-stake',
          name: 'It has no stake that holds it',
          share: 0.5,
          do: 'Stake it.',
          when: 'While it is at rest.',
          evidence: [{ says: 'It has no stake.', for: true, weight: 1, asked: false }],
        },
      ],
      ask: [
        { slug: 'stem-moves', asks: 'Does the stem move in the ground when you push it?' },
        { slug: 'hole-at-foot', asks: 'Is there a gap round the stem at the ground?' },
      ],
      known: ['It has no stake.'],
      local_rules: 'Local rules first.',
    };
    openApp('/here/trees/t1/why', { ...routes, 'GET /api/orchards/here/trees/t1/diagnosis': found });
    await userEvent.click(await screen.findByRole('button', { name: 'leans' }));
    expect(await screen.findByText(/Does the stem move/)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'I can’t tell' }));
    expect(await screen.findByText(/Is there a gap/)).toBeVisible();
    expect(screen.getAllByText(/It has no stake\./).length).toBeGreaterThan(1);
    await userEvent.click(screen.getByRole('button', { name: 'Begin the look anew' }));
    expect(await screen.findByText(/Does the stem move/)).toBeVisible();
  });
});
