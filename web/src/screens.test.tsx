import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { Entry, Task } from './shared/api';
import { bar, docket, meta, openApp as openAt, orchard, plan, refusal, tree } from './testing.test-data';
import { entryWords } from './yard/TreePanel';

const task: Task = {
  ...bar(),
  season: 2027,
  tree_id: 't1',
  code: 'A1',
  kind_name: 'Apple',
  tree_name: 'North',
  opens_says: '18 February',
  closes_says: '1 April',
  opens_early: '2027-02-10',
  closes_late: '2027-04-10',
  reasons: [{ rule: 'pome', says: 'Bud break about 1 April.' }],
  held: [],
  cautions: ['Mind the ladder.'],
  minutes_says: '1 h',
  minutes_estimated: true,
  share: 0.13,
  others: [],
  grades: [{ level: 'better', says: 'Better: the worst cold is over.' }],
};
const today = docket({ minutes: 60, minutes_says: '1 h', now: [task] });
const journal: Entry[] = [
  {
    id: 'e1',
    created: '',
    tree_id: 't1',
    date: '2026-07-02',
    season: 2026,
    kind: 'work',
    task: 'dormant-cut',
    outcome: 'done',
    share: 0.1,
    minutes: 40,
    who: 'Ansa',
  },
  { id: 'e2', created: '', tree_id: 't1', date: '2026-05-02', season: 2026, kind: 'observed', stage: 'full_bloom' },
];
const doc = {
  id: 't1',
  version: 2,
  code: 'A1',
  kind: 'apple',
  name: 'North',
  x: 3,
  y: 3,
  notes: 'Leans <b>east</b>.',
  planted: '2021-11-12',
};

const sky = {
  day: '2027-02-20',
  says: 'Dates stand on the days as they were.',
  fits: [
    {
      purpose: 'winter_pome',
      name: 'dormant cuts',
      next: 'For dormant cuts the first fit day is Monday 22 February: today it rains.',
      days: [
        { date: '2027-02-20', fit: false, why: 'rain' },
        { date: '2027-02-21', fit: false, why: 'rain' },
        { date: '2027-02-22', fit: true },
      ],
    },
  ],
  days: ['2027-02-20', '2027-02-21', '2027-02-22'].map((date, i) => ({
    date,
    past: false,
    source: 'forecast',
    tmin_c: -3 + i,
    tmax_c: 5 + i,
    rain_mm: i < 2 ? 6 : 0,
    pop: i < 2 ? 0.9 : 0.1,
    gust_kmh: 20,
  })),
  notices: ['Gusts of 80 km/h on Monday 22 February: look at stakes.'],
};

const base = {
  'GET /api/orchards/here/weather': sky,
  'GET /api/meta': meta,
  'GET /api/orchards': [orchard, { ...orchard, slug: 'there', name: 'There' }],
  'GET /api/orchards/here': { orchard, warnings: [], site_defaults: {} },
  'GET /api/orchards/here/plan': plan(),
  'GET /api/orchards/here/docket': today,
  'GET /api/orchards/here/trees': [doc],
  'GET /api/orchards/here/entries': journal,
  'GET /api/orchards/here/trees/t1/plan': {
    day: '2027-02-20',
    summary: tree({ warnings: [{ rule: 'w', says: 'Its fruit does not ripen here.' }] }),
    tasks: [task],
    anchors: [],
    company: [{ partner: 'B2', days: 6, enough: true }],
  },
  'GET /api/orchards/here/trees/t1/versions': [
    { version: 1, at: '2025-03-01T10:00:00Z', tree: { ...doc, form: 'low-bush' } },
    { version: 2, at: '2026-03-01T10:00:00Z', tree: { ...doc, form: 'open-vase', x: 4 } },
  ],
  'GET /api/orchards/here/people': [],
  'GET /api/orchards/here/own-tasks': [
    { id: 'o1', version: 1, title: 'Lime wash', date: '2027-03-01', every_days: 30 },
  ],
  'GET /api/orchards/here/calendar': {},
};

const openApp = (path: string, routes: Record<string, unknown> = base) => openAt(path, routes);

afterEach(() => {
  vi.unstubAllGlobals();
  localStorage.clear();
});

describe('the application', () => {
  it('opens the orchard last used, with its plan and its docket', async () => {
    localStorage.setItem('vertumna-last', 'here');
    openApp('/');
    expect(await screen.findByRole('group', { name: 'Plan of Here' })).toBeInTheDocument();
    const list = await screen.findByRole('region', { name: 'Docket' });
    expect(within(list).getByText('1 h of work due')).toBeInTheDocument();
    expect(screen.getByText('1 tree', { exact: false })).toBeInTheDocument();
  });

  it('offers the first run when there is no orchard', async () => {
    openApp('/', { ...base, 'GET /api/orchards': [] });
    expect(await screen.findByRole('button', { name: 'Open the demo' })).toBeInTheDocument();
  });

  it('says what an orchard without a place needs, and keeps its frame', async () => {
    const bare = { ...orchard, site: undefined };
    openApp('/here/yard', { ...base, 'GET /api/orchards/here': { orchard: bare, warnings: [], site_defaults: {} } });
    expect(await screen.findByRole('link', { name: 'Set up the place' })).toBeInTheDocument();
    expect(screen.getAllByRole('navigation', { name: 'Screens' })).toHaveLength(2);
  });

  it('says that an orchard is not there', async () => {
    openApp('/nowhere/yard', { ...base, 'GET /api/orchards/nowhere': refusal('slug', 'nowhere', 'an orchard', 404) });
    expect(await screen.findByRole('alert')).toBeInTheDocument();
    expect(screen.getByRole('link', { name: 'To the orchards' })).toBeInTheDocument();
  });

  it('tells the fortnight: a reason once for its run of days, the fit ones filled, what the weather asks for', async () => {
    openApp('/here/yard');
    const strip = await screen.findByRole('region', { name: 'The fortnight' });
    const row = within(strip).getByRole('row', { name: /^dormant cuts/ });
    expect(within(row).getAllByText('rain')).toHaveLength(1);
    expect(within(row).getByText('fit')).toBeInTheDocument();
    expect(within(strip).getByText(/the first fit day is Monday 22 February/)).toBeInTheDocument();
    expect(within(strip).getByText(/look at stakes/)).toBeInTheDocument();
  });

  it('walks by keys, and not while a field is typed in', async () => {
    openApp('/here/yard');
    await screen.findByRole('region', { name: 'Docket' });
    const handle = screen.getByRole('slider', { name: 'Day shown' });
    await userEvent.keyboard('.');
    expect(handle).toHaveAttribute('aria-valuenow', '118');
    await userEvent.keyboard(',,');
    expect(handle).toHaveAttribute('aria-valuenow', '104');
    await userEvent.keyboard('t');
    expect(handle).toHaveAttribute('aria-valuenow', '111');
    await userEvent.keyboard('/');
    await userEvent.type(screen.getByLabelText('A tree, a job, a word, a note'), 't.2');
    expect(handle).toHaveAttribute('aria-valuenow', '111');
    await userEvent.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByLabelText('A tree, a job, a word, a note')).toBeNull());
    await userEvent.keyboard('?');
    expect(await screen.findByRole('dialog', { name: /Help/ })).toBeInTheDocument();
    await userEvent.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await userEvent.keyboard('2');
    expect(await screen.findByRole('heading', { name: 'Trees' })).toBeInTheDocument();
    localStorage.setItem('vertumna-single-keys', 'off');
    await userEvent.keyboard('1');
    expect(screen.getByRole('heading', { name: 'Trees' })).toBeInTheDocument();
  });
});

describe('the tree panel', () => {
  it('tells facts, warnings, account, company, journal and what was changed', async () => {
    openApp('/here/yard?tree=t1');
    const panel = await screen.findByRole('region', { name: 'Tree A1' });
    expect(within(panel).getByText('Its fruit does not ripen here.')).toBeInTheDocument();
    expect(within(panel).getByText(/2.6 m, you pick to 2.1 m/)).toHaveAttribute('title', '8 ft 6 in');
    expect(within(panel).getByRole('img', { name: '10 % of 20 % has gone.' })).toBeInTheDocument();
    expect(within(panel).getByText(/6 days together/)).toBeInTheDocument();
    expect(await within(panel).findByText(/Dormant cut: done, 10 % of the crown, 40 min/)).toBeInTheDocument();
    expect(await within(panel).findByText(/form from low bush to open vase, moved on the plan/)).toBeInTheDocument();
    expect(within(panel).getByText('Leans <b>east</b>.')).toBeInTheDocument();
  });

  it('opens a task with its reasons and its log', async () => {
    openApp('/here/yard?tree=t1');
    const panel = await screen.findByRole('region', { name: 'Tree A1' });
    await userEvent.click(within(panel).getByRole('button', { name: /^Dormant cut/ }));
    expect(within(panel).getByText('Better: the worst cold is over.')).toBeInTheDocument();
    expect(within(panel).getByText(/up to 13 % of the crown/)).toBeInTheDocument();
    await userEvent.click(within(panel).getByRole('button', { name: 'Log it' }));
    expect(screen.getByRole('form', { name: 'Log Dormant cut' })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Back' }));
    expect(await screen.findByRole('region', { name: 'Tree A1' })).toBeInTheDocument();
  });

  it('offers ten seconds to undo what was logged', async () => {
    const sent = openApp('/here/yard?tree=t1', {
      ...base,
      'POST /api/orchards/here/entries': { entry: { id: 'new' }, warnings: [], undo_for_s: 10 },
    });
    const panel = await screen.findByRole('region', { name: 'Tree A1' });
    await userEvent.click(within(panel).getByRole('button', { name: /^Dormant cut/ }));
    await userEvent.click(within(panel).getByRole('button', { name: 'Log it' }));
    await userEvent.click(screen.getByRole('button', { name: 'Left' }));
    await userEvent.type(screen.getByLabelText('Why'), 'rain');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    await userEvent.click(await screen.findByRole('button', { name: /Undo/ }));
    await waitFor(() =>
      expect(sent.some((s) => s.method === 'DELETE' && s.path === '/api/orchards/here/entries/new')).toBe(true),
    );
    const post = sent.find((s) => s.method === 'POST')?.body as Entry;
    expect(post).toMatchObject({ outcome: 'left', reason: 'rain' });
    expect(post.id).toMatch(/^[0-9a-f-]{36}$/);
  });
});

describe('set up', () => {
  it('saves only what was changed, on the version it was based on', async () => {
    const sent = openApp('/here/setup', {
      ...base,
      'PUT /api/orchards/here': {
        orchard: { ...orchard, version: 4, school: { ...orchard.school, preset: 'low-bush' } },
        warnings: [],
      },
    });
    expect(await screen.findByText(/Lime wash/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Save the changes' })).toBeNull();
    await userEvent.click(await screen.findByRole('radio', { name: /Low bush/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Save the changes' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
        version: 3,
        orchard: { school: { preset: 'low-bush' } },
      }),
    );
  });

  it('keeps both versions when it was changed meanwhile', async () => {
    const clash = { ...refusal('version', '3', '7', 409), current: orchard, current_version: 7 };
    const sent = openApp('/here/setup', { ...base, 'PUT /api/orchards/here': clash });
    await userEvent.click(await screen.findByRole('radio', { name: /Low bush/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Save the changes' }));
    await userEvent.click(await screen.findByRole('button', { name: 'Save mine over it' }));
    await waitFor(() => expect(sent.filter((s) => s.method === 'PUT').at(-1)?.body).toMatchObject({ version: 7 }));
  });

  it('turns the light and the single keys', async () => {
    openApp('/here/setup');
    await userEvent.click(await screen.findByRole('radio', { name: 'dusk' }));
    expect(document.documentElement.dataset.theme).toBe('dusk');
    await userEvent.click(screen.getByRole('radio', { name: 'day' }));
    expect(document.documentElement.dataset.theme).toBe('day');
    await userEvent.click(screen.getByRole('checkbox', { name: /Single keys/ }));
    expect(localStorage.getItem('vertumna-single-keys')).toBe('off');
  });
});

describe('a line of the journal', () => {
  const say = (e: Partial<Entry>) =>
    entryWords(
      { id: '', created: '', date: '2027-01-01', season: 2027, kind: 'note', ...e },
      new Map([['thin', 'Thin the fruit']]),
      'us',
    );
  it('says each kind of entry in words', () => {
    expect(say({ kind: 'measured', height_m: 2.4, shoot_cm: 30 })).toBe(
      'Measured, height 7 ft 10 in, shoots 11 3/4 in',
    );
    expect(say({ kind: 'trouble', task: 'thin', reason: 'took spurs' })).toBe(
      'Not as meant (Thin the fruit), took spurs',
    );
    expect(say({ kind: 'seen', agent: 'aphids', count: 12 })).toBe('Seen: aphids, 12');
    expect(say({ kind: 'frost-night', tmin_c: -3 })).toBe('Frost night, 26.6 °F');
    expect(say({ kind: 'treatment', treatment: 'none', note: 'ladybirds came' })).toBe(
      'Treatment: none, ladybirds came',
    );
    expect(say({ kind: 'work', task: 'thin', outcome: 'nothing-needed', kilos: 4 })).toBe(
      'Thin the fruit: nothing needed, 8.8 lb',
    );
  });
});
