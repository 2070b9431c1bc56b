import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { crop, fruit, limb, load } from './fruit.test-data';
import { meta, openApp as openAt, orchard, plan, refusal, type Sent } from './testing.test-data';

const at = '/api/orchards/here/trees/t1/fruit';
const base = {
  'GET /api/meta': { ...meta, today: '2027-02-20' },
  'GET /api/orchards': [{ slug: 'here', name: 'Here' }],
  'GET /api/orchards/here': { orchard, site_defaults: {} },
  'GET /api/orchards/here/plan': plan(),
  [`GET ${at}`]: fruit(),
  'GET /api/orchards/here/crop': crop(),
  'GET /api/orchards/here/people': [],
  'GET /api/orchards/here/own-tasks': [],
};

const openApp = (path: string, routes: Record<string, unknown> = base) => openAt(path, routes);

const logged = (warnings: object[] = []) => ({ entry: { id: 'e9' }, warnings, undo_for_s: 10 });
const posted = (sent: Sent[]) =>
  sent.filter((s) => s.method === 'POST' && s.path.endsWith('/entries')).map((s) => s.body as Record<string, unknown>);

beforeEach(() => localStorage.clear());
afterEach(() => vi.unstubAllGlobals());

describe('the limbs of a tree', () => {
  it('tells what the tree may carry, why, and how much time is left', async () => {
    openApp('/here/thinning/t1');
    const left = await screen.findByRole('navigation', { name: 'Limbs' });
    for (const says of [
      /79 fruit/,
      /Leave 84 at first/,
      /Girth binds/,
      /About 312 fruit/,
      /It froze in 2026/,
      /Closes 1 July/,
      /24 min/,
      /No hand was measured/,
    ])
      expect(within(left).getAllByText(says).length).toBeGreaterThan(0);
    // the first limb not yet done is at hand
    expect(await screen.findByRole('heading', { name: /S2$/, level: 1 })).toBeInTheDocument();
    expect(within(left).getByRole('button', { name: /^S1\s*done\s*22 of 22/ })).toBeInTheDocument();
  });

  it('asks nothing of fruit that is picked: what came stands there, and the years', async () => {
    const says = 'Picked by 28 August: 18.2 kg, 83 fruit. None hangs on it any more.';
    const off = fruit({ picked: '2027-08-28', picked_says: says, loads: [], loads_by: 'picked' });
    openApp('/here/thinning/t1', { ...base, [`GET ${at}`]: off });
    const left = await screen.findByRole('navigation', { name: 'Limbs' });
    expect(within(left).getByRole('heading', { name: 'Picked' })).toBeInTheDocument();
    expect(within(left).getByText(says)).toBeInTheDocument();
    expect(within(left).getByText('It was to carry 79 fruit.')).toBeInTheDocument();
    for (const gone of [/About 312 fruit/, /24 min/, /Closes 1 July/])
      expect(within(left).queryByText(gone)).toBeNull();
    expect(screen.queryByRole('button', { name: /Left one/ })).toBeNull();
    expect(screen.getByRole('button', { name: 'Over the years', pressed: true })).toBeInTheDocument();
  });

  it('goes to another limb and starts with its own wood', async () => {
    openApp('/here/thinning/t1');
    const left = await screen.findByRole('navigation', { name: 'Limbs' });
    await userEvent.click(within(left).getByRole('button', { name: /^S3/ }));
    expect(await screen.findByRole('heading', { name: /S3$/, level: 1 })).toBeInTheDocument();
    expect(screen.getByText('part 1 of 2')).toBeInTheDocument();
  });

  it('counts no fruit of another day', async () => {
    openApp('/here/thinning/t1?day=2027-01-10');
    expect(await screen.findByText(/The pad counts today’s fruit/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /Left one/ })).toBeDisabled();
  });

  it('rings the densest place before the pole, and says to use no ladder', async () => {
    openApp('/here/thinning/t1');
    await userEvent.click(await screen.findByRole('button', { name: 'padded pole' }));
    expect(screen.getByText(/No ladder for thinning/)).toBeInTheDocument();
    expect(document.querySelector('.fruit-limb circle[r="26"]')).not.toBeNull();
  });

  it('works without a map, from girths alone', async () => {
    const bare = limb({ id: 'S1', axes: [], laterals: [], length_cm: 0, side: '' });
    openApp('/here/thinning/t1', { ...base, [`GET ${at}`]: fruit({ mapped: false, limbs: [bare] }) });
    expect(await screen.findByText(/No limb map: the numbers come from its girth/)).toBeInTheDocument();
    expect(screen.getByRole('region', { name: 'Counting pad' })).toBeInTheDocument();
  });

  it('says what a second look found', async () => {
    const second = { ratio: 1.3, verdict: 'again', again: [{ id: 'S1', remove: 9 }] };
    openApp('/here/thinning/t1', { ...base, [`GET ${at}`]: fruit({ second }) });
    expect(await screen.findByText(/Still too many: 9 off S1/)).toBeInTheDocument();
  });

  it('keeps its frame when the tree’s fruit cannot be read', async () => {
    openApp('/here/thinning/t1', { ...base, [`GET ${at}`]: refusal('day', '1999-01-01', 'a later day') });
    expect(await screen.findByRole('alert')).toHaveTextContent('a later day');
    expect(screen.getByRole('link', { name: /plot’s crop/ })).toBeInTheDocument();
  });

  it('logs what was picked of a tree of which nothing was measured, and offers to sketch it', async () => {
    const sent = openApp('/here/thinning/t1', {
      ...base,
      [`GET ${at}`]: refusal('scaffolds', 'no limb', 'a limb map'),
      'POST /api/orchards/here/entries': logged(),
    });
    expect(await screen.findByRole('link', { name: 'Sketch it from a few numbers' })).toBeInTheDocument();
    const form = screen.getByRole('form', { name: 'Log Weight and number' });
    await userEvent.type(within(form).getByLabelText('kg'), '12,5');
    await userEvent.click(within(form).getByRole('button', { name: 'Log it' }));
    await waitFor(() => expect(posted(sent)).toHaveLength(1));
    expect(posted(sent)[0]).toMatchObject({ task: 'harvest', kilos: 12.5, tree_id: 't1' });
  });
});

describe('counting the set', () => {
  it('sends the limbs that were counted, and no others', async () => {
    const sent = openApp('/here/thinning/t1?below=count', { ...base, 'POST /api/orchards/here/entries': logged() });
    const form = await screen.findByRole('region', { name: 'Count the set' });
    await userEvent.type(within(form).getByLabelText(/^S3 \(next\)/), '118');
    await userEvent.type(within(form).getByLabelText(/^S1/), '90');
    await userEvent.click(within(form).getByRole('button', { name: 'Log 2 limbs' }));
    await waitFor(() => expect(posted(sent)).toHaveLength(1));
    expect(posted(sent)[0]).toMatchObject({
      task: 'count-set',
      outcome: 'done',
      fruiting: {
        counts: [
          { limb: 'S1', fruit: 90 },
          { limb: 'S3', fruit: 118 },
        ],
      },
    });
  });

  it('takes pome as clusters times fruit in one', async () => {
    const sent = openApp('/here/thinning/t1?below=count', { ...base, 'POST /api/orchards/here/entries': logged() });
    const form = await screen.findByRole('region', { name: 'Count the set' });
    await userEvent.click(within(form).getByRole('button', { name: 'clusters' }));
    await userEvent.type(within(form).getByLabelText(/^S1/), '40');
    expect(within(form).getByRole('button', { name: 'Log 1 limb' })).toBeDisabled();
    await userEvent.type(within(form).getByLabelText('fruit in a cluster'), '2,5');
    await userEvent.click(within(form).getByRole('button', { name: 'Log 1 limb' }));
    await waitFor(() => expect(posted(sent)).toHaveLength(1));
    expect(posted(sent)[0]).toMatchObject({ fruiting: { counts: [{ limb: 'S1', clusters: 40, per_cluster: 2.5 }] } });
  });

  it('takes a look from those who will not count', async () => {
    const sent = openApp('/here/thinning/t1?below=count', { ...base, 'POST /api/orchards/here/entries': logged() });
    const form = await screen.findByRole('region', { name: 'Count the set' });
    await userEvent.click(within(form).getByRole('button', { name: 'too many' }));
    await userEvent.click(within(form).getByRole('button', { name: 'Log the look' }));
    await userEvent.click(await screen.findByRole('button', { name: /^Undo \(/ }));
    await waitFor(() => expect(sent.some((s) => s.method === 'DELETE' && s.path.endsWith('/entries/e9'))).toBe(true));
    await waitFor(() => expect(posted(sent)[0]).toMatchObject({ fruiting: { glance: 'many' } }));
  });

  it('keeps what was typed when it is refused', async () => {
    openApp('/here/thinning/t1?below=count', {
      ...base,
      'POST /api/orchards/here/entries': refusal('fruiting.counts[0].fruit', '1200000', 'at most 100000'),
    });
    const form = await screen.findByRole('region', { name: 'Count the set' });
    await userEvent.type(within(form).getByLabelText(/^S1/), '1200000');
    await userEvent.click(within(form).getByRole('button', { name: 'Log 1 limb' }));
    expect(await within(form).findByRole('alert')).toHaveTextContent('What you typed is kept');
    expect(within(form).getByLabelText(/^S1/)).toHaveValue('1200000');
  });
});

describe('what else is logged of fruit', () => {
  it('a frost count', async () => {
    const sent = openApp('/here/thinning/t1?below=frost', { ...base, 'POST /api/orchards/here/entries': logged() });
    const form = await screen.findByRole('region', { name: 'Frosted buds' });
    const act = within(form).getByRole('button', { name: 'Log the frost count' });
    expect(act).toBeDisabled();
    await userEvent.type(within(form).getByLabelText('buds opened'), '60');
    await userEvent.type(within(form).getByLabelText('alive'), '0');
    await userEvent.click(act);
    await waitFor(() =>
      expect(posted(sent)[0]).toMatchObject({ task: 'frost-count', fruiting: { opened: 60, alive: 0 } }),
    );
  });

  it('one going of several: what still hangs leaves the harvest open', async () => {
    const sent = openApp('/here/thinning/t1?below=harvest', { ...base, 'POST /api/orchards/here/entries': logged() });
    const form = await screen.findByRole('region', { name: 'Harvest' });
    await userEvent.type(within(form).getByLabelText('fruit'), '40');
    const log = within(form).getByRole('button', { name: 'Log the harvest' });
    await userEvent.selectOptions(within(form).getByLabelText('hangs after it'), 'some still');
    await userEvent.click(log);
    await waitFor(() => expect(posted(sent)).toHaveLength(1));
    await userEvent.selectOptions(within(form).getByLabelText('hangs after it'), 'nothing');
    await waitFor(() => expect(log).toBeEnabled());
    await userEvent.click(log);
    await waitFor(() => expect(posted(sent)).toHaveLength(2));
    expect(posted(sent).map((e) => e['outcome'])).toEqual(['part', 'done']);
  });

  it('a harvest, with what the program finds odd about it', async () => {
    const odd = { field: 'fruit', given: 'kilos without a count', expected: 'the number too', code: 'W_NOT_COUNTED' };
    const sent = openApp('/here/thinning/t1?below=harvest', {
      ...base,
      'POST /api/orchards/here/entries': logged([odd]),
    });
    const form = await screen.findByRole('region', { name: 'Harvest' });
    await userEvent.type(within(form).getByLabelText('weight, kg'), '7,5');
    await userEvent.selectOptions(within(form).getByLabelText('from'), 'S3');
    await userEvent.selectOptions(within(form).getByLabelText('quality'), 'keeping');
    await userEvent.click(within(form).getByRole('button', { name: 'Log the harvest' }));
    expect(await within(form).findByText(/kilos without a count given/)).toBeInTheDocument();
    expect(posted(sent)[0]).toMatchObject({
      task: 'harvest',
      outcome: 'part',
      kilos: 7.5,
      fruiting: { limb: 'S3', quality: 'keeping' },
    });
  });

  it('a limb that broke, traced to its record', async () => {
    const sent = openApp('/here/thinning/t1?below=harvest', {
      ...base,
      [`GET ${at}`]: fruit({ broken: ['3 August: S2 broke: it was counted and not thinned.'] }),
      'POST /api/orchards/here/entries': logged(),
    });
    await userEvent.click(await screen.findByText('A limb broke'));
    expect(screen.getByText(/counted and not thinned/)).toBeInTheDocument();
    await userEvent.selectOptions(screen.getByLabelText('limb'), 'S2');
    await userEvent.click(screen.getByRole('button', { name: 'Log the broken limb' }));
    await waitFor(() => expect(posted(sent)[0]).toMatchObject({ kind: 'trouble', fruiting: { broke: 'S2' } }));
  });

  it('the size of fruitlets, by number or by the ring that just passes', async () => {
    const sent = openApp('/here/thinning/t1', { ...base, 'POST /api/orchards/here/entries': logged() });
    await userEvent.click(await screen.findByText('Size of the fruitlets'));
    await userEvent.click(screen.getByRole('button', { name: '19 mm' }));
    await waitFor(() => expect(posted(sent)[0]).toMatchObject({ kind: 'measured', fruiting: { fruit_mm: 19 } }));
    const print = vi.spyOn(window, 'print').mockImplementation(() => undefined);
    await userEvent.click(screen.getByRole('button', { name: 'Print the gauge' }));
    expect(print).toHaveBeenCalled();
    expect(document.documentElement).toHaveClass('gauge-alone');
    window.dispatchEvent(new Event('afterprint'));
    expect(document.documentElement).not.toHaveClass('gauge-alone');
    print.mockRestore();
  });
});

describe('crop over the years', () => {
  it('of a tree: each year, the frozen one by word and pattern, and what comes next', async () => {
    openApp('/here/thinning/t1?below=years');
    const years = await screen.findByRole('region', { name: 'Crop over the years' });
    expect(within(years).getByText('2026 froze')).toBeInTheDocument();
    expect(within(years).getByRole('row', { name: /^2025/ })).toHaveTextContent('190');
    expect(within(years).getByText(/index 0.48/)).toBeInTheDocument();
    expect(within(years).getByText(/90 % of full/)).toBeInTheDocument();
  });

  it('of the plot: what is coming, what is wanted, when, and which tree to thin hardest', async () => {
    openApp('/here/thinning');
    expect(await screen.findByRole('link', { name: /A1 Apple North/ })).toHaveAttribute('href', '/here/thinning/t1');
    expect(screen.getByText(/Thin hardest: A1 \(a limb carries more than is safe\)/)).toBeInTheDocument();
    expect(screen.getByRole('img', { name: /week of .*6.*: 16 kg/ })).toBeInTheDocument();
    const limbs = screen.getByRole('region', { name: 'Harvest by limb' });
    expect(within(limbs).getByRole('row', { name: /A1 S1/ })).toHaveTextContent('62 %');
  });
});

describe('what limbs carry', () => {
  it('lists them by load, with what saves those over it', async () => {
    const bench = {
      tree: fruit().tree,
      day: '2027-02-20',
      mapped: true,
      can_undo: false,
      ahead: 0,
      cut: false,
      suggest: {},
      limbs: [],
      findings: [],
      facts: {
        height_cm: 250,
        spread_cm: 200,
        limbs: 0,
        light: 0.5,
        buds_within: 1,
        buds_above: 0,
        cylinder_cm: 40,
        passes: [],
        sources: { measured: 0, estimated: 0, predicted: 0 },
        completeness: { described: 1, value: 1 },
        leader_chain: [],
        map_season: 'dormant',
      },
      past: [],
      history: [],
      end_tests: [],
      outline: { height_m: 2, width_m: 2, age_years: 5, lines: [] },
      warnings: [],
      safety: [],
    };
    openApp('/here/trees/t1?side=load', {
      ...base,
      [`GET ${at}`]: fruit({
        loads: [load(), load({ limb: 'S1', use: 0.5, state: 'ok', state_says: 'carries it easily', saves: [] })],
      }),
      'GET /api/orchards/here/trees/t1/map': bench,
    });
    const loads = await screen.findByRole('region', { name: 'Load' });
    expect(within(loads).getByText(/with the fruit as counted\. 1 carry more than is safe/)).toBeInTheDocument();
    expect(within(loads).getByText(/padded, forked prop/)).toBeInTheDocument();
    expect(within(loads).getByRole('button', { name: /^S1\s*60 fruit, carries it easily/ })).toBeInTheDocument();
  });
});

describe('the household', () => {
  it('says what it wants of a kind, and how wet the last season was', async () => {
    const sent = openApp('/here/setup', {
      ...base,
      'PUT /api/orchards/here': { orchard: { ...orchard, version: 4 }, warnings: [] },
    });
    const box = await screen.findByRole('region', { name: 'Household' });
    await userEvent.click(within(box).getByRole('combobox', { name: /A kind you want fruit of/ }));
    await userEvent.click(await screen.findByRole('option', { name: 'Apple' }));
    const kg = within(box).getByLabelText('fresh, kg');
    await userEvent.clear(kg);
    await userEvent.type(kg, '42');
    await userEvent.click(within(box).getByLabelText(/^wet: more water sprouts/));
    await userEvent.click(within(box).getByLabelText(/^exposed/));
    await userEvent.click(screen.getByRole('button', { name: 'Save the changes' }));
    await waitFor(() => expect(sent.some((s) => s.method === 'PUT')).toBe(true));
    expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
      orchard: {
        needs: [{ kind: 'apple', fresh_kg: 42 }],
        rain: [{ season: 2026, rain: 'wet' }],
        exposed: 'exposed',
      },
    });
  });
});
