import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import FirstRun from './firstrun/FirstRun';
import { PersonForm, newPerson } from './setup/PersonForm';
import { PlaceForm } from './setup/PlaceForm';
import { SchoolForm } from './setup/SchoolForm';
import type { Entry, Orchard, Tree } from './shared/api';
import { ShownDay } from './shared/shown';
import Trees from './trees/Trees';
import Year from './year/Year';
import { LogPanel, type Job } from './yard/LogPanel';
import { newTree, TreeForm } from './yard/TreeForm';
import { answer, meta, orchard, refusal, show, site, tree } from './testing.test-data';
import type { ReactNode } from 'react';

const onDay = (ui: ReactNode) => <ShownDay today="2027-02-20">{ui}</ShownDay>;
const cut: Job = {
  id: 't1.dormant-cut.2027',
  kind: 'dormant-cut',
  title: 'Dormant cut',
  cut: true,
  minutes_says: '1 h',
};
const logged = { entry: { id: 'e1' }, warnings: [], undo_for_s: 10 };

afterEach(() => vi.unstubAllGlobals());

describe('the log', () => {
  it('sends shares, diameters and heights in the program’s units', async () => {
    const sent = answer({ 'POST /api/orchards/here/entries': logged });
    const done = vi.fn();
    show(onDay(<LogPanel task={cut} treeId="t1" treeCode="A1" onDone={done} />), 'us');
    await userEvent.type(screen.getByLabelText('Share of the crown, %'), '12');
    await userEvent.click(screen.getByRole('button', { name: 'by caliper' }));
    await userEvent.type(screen.getByLabelText(/diameters of the cuts, in/), '1 0.5');
    await userEvent.type(screen.getByLabelText('Height now, ft'), '7');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    await waitFor(() => expect(done).toHaveBeenCalled());
    const post = sent.find((s) => s.method === 'POST');
    expect(post?.body).toMatchObject({
      kind: 'work',
      task: 'dormant-cut',
      outcome: 'done',
      share: 0.12,
      cut_mm: [25.4, 12.7],
      height_m: 2.1336,
      tree_id: 't1',
    });
  });

  it('keeps what was typed when it is refused, and says which field', async () => {
    answer({ 'POST /api/orchards/here/entries': refusal('reason', 'none', 'why it was done then') });
    show(onDay(<LogPanel task={cut} treeId="t1" treeCode="A1" onDone={vi.fn()} />));
    await userEvent.type(screen.getByLabelText('Share of the crown, %'), '9');
    await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('why it was done then');
    expect(screen.getByLabelText('Share of the crown, %')).toHaveValue('9');
  });

  it('corrects by a new entry that names the first', async () => {
    const sent = answer({ 'POST /api/orchards/here/entries': logged });
    const was = {
      id: 'e0',
      created: '',
      date: '2027-02-18',
      season: 2027,
      kind: 'work',
      task: 'dormant-cut',
      outcome: 'part',
      share: 0.2,
      cut_mm: [30, 42],
    } as Entry;
    show(onDay(<LogPanel task={cut} treeId="t1" treeCode="A1" correct={was} onDone={vi.fn()} />));
    const share = screen.getByLabelText('Share of the crown, %');
    expect(share).toHaveValue('20');
    expect(screen.getByLabelText(/diameters/)).toHaveValue('30 42');
    await userEvent.clear(share);
    await userEvent.type(share, '15');
    await userEvent.click(screen.getByRole('button', { name: 'Log the correction' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({
        corrects: 'e0',
        share: 0.15,
        outcome: 'part',
        date: '2027-02-18',
      }),
    );
  });

  it('asks only what the kind of sight needs', async () => {
    answer({});
    show(onDay(<LogPanel treeId="t1" treeCode="A1" onDone={vi.fn()} />));
    expect(screen.getByLabelText(/Stage/)).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('What'));
    await userEvent.click(screen.getByRole('option', { name: 'A frost night' }));
    expect(screen.getByLabelText('Lowest, °C')).toBeInTheDocument();
    expect(screen.queryByLabelText(/Stage/)).toBeNull();
  });

  it('logs a frost night for the plot, or for the one tree it fell on', async () => {
    const sent = answer({ 'POST /api/orchards/here/entries': logged });
    const posted = () => sent.filter((s) => s.method === 'POST').map((s) => s.body as Record<string, unknown>);
    const night = async (ofPlot: boolean) => {
      const { unmount } = show(onDay(<LogPanel treeId="t1" treeCode="A1" onDone={vi.fn()} />));
      await userEvent.click(screen.getByLabelText('What'));
      await userEvent.click(screen.getByRole('option', { name: 'A frost night' }));
      await userEvent.type(screen.getByLabelText('Lowest, °C'), '-3.5');
      if (!ofPlot) await userEvent.click(screen.getByLabelText(/On the whole plot/));
      await userEvent.click(screen.getByRole('button', { name: 'Log it' }));
      unmount();
    };
    await night(true);
    await night(false);
    await waitFor(() => expect(posted()).toHaveLength(2));
    expect(posted()[0]).not.toHaveProperty('tree_id');
    expect(posted()[1]).toMatchObject({ tree_id: 't1', tmin_c: -3.5, kind: 'frost-night' });
  });
});

function Editing({ start }: { start: Tree }) {
  const [t, setT] = useState(start);
  return <TreeForm tree={t} onChange={setT} onDone={vi.fn()} onGone={vi.fn()} />;
}

describe('the tree form', () => {
  it('reads feet and shows what is odd before it is saved', async () => {
    const sent = answer({
      'POST /api/orchards/here/trees/check': {
        tree: newTree(),
        warnings: [
          { field: 'x', given: '0.9 m from A1', expected: 'about 1.5 m when both are held low', code: 'too_close' },
        ],
      },
      'POST /api/orchards/here/trees': { tree: { ...newTree(), id: 't9' }, warnings: [] },
    });
    show(onDay(<Editing start={newTree()} />), 'us');
    await userEvent.type(screen.getByLabelText('Height, ft'), '8');
    expect(await screen.findByText(/0.9 m from A1/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Plant it here' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'POST' && s.path.endsWith('/trees'))?.body).toMatchObject({
        kind: 'apple',
        height_m: 2.4384,
      }),
    );
  });

  it('names the field that cannot be', async () => {
    answer({ 'POST /api/orchards/here/trees/check': refusal('height_m', '40 m', '0 to 25 m') });
    show(onDay(<Editing start={{ ...newTree(), height_m: 40 }} />));
    expect(await screen.findByText('40 m given, 0 to 25 m expected')).toBeInTheDocument();
  });

  it('asks why a tree is gone and keeps its journal', async () => {
    const sent = answer({ 'PUT /api/orchards/here/trees/t1': { tree: { ...newTree(), id: 't1' }, warnings: [] } });
    show(onDay(<Editing start={{ ...newTree(), id: 't1', code: 'A1', version: 4 }} />));
    await userEvent.click(screen.getByRole('button', { name: 'It is gone' }));
    await userEvent.click(screen.getByRole('button', { name: 'moved' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'PUT')?.body).toMatchObject({
        version: 4,
        tree: { gone: '2027-02-20', gone_why: 'moved' },
      }),
    );
  });
});

describe('the school', () => {
  function School() {
    const [o, setO] = useState<Orchard>(orchard);
    return (
      <>
        <SchoolForm meta={meta} orchard={o} onChange={setO} />
        <output>{JSON.stringify(o.school)}</output>
      </>
    );
  }
  const school = () => JSON.parse(screen.getByRole('status').textContent || '{}') as Orchard['school'];

  it('keeps only what departs from the preset, and says both sides', async () => {
    show(<School />);
    await userEvent.click(screen.getByText(/Every choice/));
    await userEvent.click(screen.getByLabelText('Most that may go in a year'));
    await userEvent.click(screen.getByRole('option', { name: '33 %' }));
    expect(school().own).toEqual({ yearly_limit: '33' });
    expect(screen.getByText(/Does not suit: cold/)).toBeInTheDocument();
    expect(screen.getByText(/Hard\./, { selector: 'p' })).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('Most that may go in a year'));
    await userEvent.click(screen.getByRole('option', { name: '20 %' }));
    expect(school().own).toEqual({});
    await userEvent.click(screen.getByRole('radio', { name: /Low bush/ }));
    expect(school().preset).toBe('low-bush');
  });

  it('shows the value a wet place moves, and leaving it is no departure', async () => {
    const stone = {
      key: 'stone_cut',
      name: 'When stone fruit is cut',
      default: 'bloom',
      values: ['bloom', 'dry-summer'].map((slug) => ({
        slug,
        name: slug,
        for: 'F.',
        against: 'A.',
        best: [],
        unfit: [],
      })),
    };
    const change = vi.fn();
    show(
      <SchoolForm
        meta={{ ...meta, choices: [stone] }}
        orchard={orchard}
        siteDefaults={{ stone_cut: 'dry-summer' }}
        onChange={change}
      />,
    );
    await userEvent.click(screen.getByText(/Every choice/));
    expect(screen.getByText('moved by your place: its winters are wet')).toBeInTheDocument();
    await userEvent.click(screen.getByLabelText('When stone fruit is cut'));
    await userEvent.click(screen.getByRole('option', { name: 'bloom' }));
    expect(change).toHaveBeenCalledWith(
      expect.objectContaining({ school: expect.objectContaining({ own: { stone_cut: 'bloom' } }) as unknown }),
    );
  });

  it('notes a regional rule beside a choice', async () => {
    show(<School />);
    await userEvent.click(screen.getByText(/Every choice/));
    await userEvent.type(screen.getByLabelText('Office'), 'Valley desk');
    await userEvent.type(screen.getByLabelText('What it says'), 'Dry weather only.');
    await userEvent.click(screen.getByRole('button', { name: 'Note it' }));
    expect(school().advice).toEqual([{ choice: 'stone_cut', office: 'Valley desk', rule: 'Dry weather only.' }]);
  });
});

describe('the place', () => {
  const near = [
    {
      site: { ...site, name: 'Like here', tmin: Array(12).fill(1), tmax: Array(12).fill(9) },
      distance_km: 120,
      lat_diff_deg: 0.4,
      mirrored: false,
    },
  ];

  it('takes the nearest climate with the frost the person knows', async () => {
    const sent = answer({
      'GET /api/climates': near,
      'POST /api/place': {
        site,
        shift_c: -0.4,
        wetness: 'wet',
        cold: 'cool',
        humid_summer: false,
        wet_dormancy: 0.4,
        last_spring_50: '05-02',
        warnings: [],
      },
    });
    const take = vi.fn();
    show(<PlaceForm name="Here" units="metric" act="Take this place" onSite={take} />);
    await userEvent.type(screen.getByLabelText('Latitude, north +'), '46');
    await userEvent.type(screen.getByLabelText('Longitude, east +'), '14');
    expect(await screen.findByRole('radio', { name: /Like here/ })).toBeChecked();
    await userEvent.type(screen.getByLabelText('Height above sea, m'), '520');
    await userEvent.type(screen.getByLabelText('Last spring frost, MM-DD'), '05-02');
    await userEvent.click(screen.getByRole('button', { name: 'Take this place' }));
    await waitFor(() => expect(take).toHaveBeenCalledWith(site, 'Like here'));
    expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({
      lat: 46,
      lon: 14,
      elev_m: 520,
      last_spring_frost: '05-02',
    });
    expect(screen.getByText(/Last spring frost about 05-02/)).toBeInTheDocument();
  });

  it('takes one’s own months as they are typed, and sends them in the program’s units', async () => {
    const sent = answer({
      'GET /api/climates': near,
      'POST /api/place': refusal('base.tmin[1]', '', 'a temperature'),
    });
    show(<PlaceForm name="Here" units="us" act="Take this place" onSite={vi.fn()} />);
    await userEvent.type(screen.getByLabelText('Latitude, north +'), '46,5');
    await userEvent.type(screen.getByLabelText('Longitude, east +'), '14');
    await userEvent.click(await screen.findByText('Edit the twelve months, or read a table'));
    const jan = screen.getByLabelText('Coldest of the night, Jan');
    expect(jan).toHaveValue('33.8');
    await userEvent.clear(jan);
    await userEvent.type(jan, '−4,5');
    expect(jan).toHaveValue('−4,5');
    await userEvent.clear(screen.getByLabelText('Coldest of the night, Feb'));
    expect(jan).toHaveValue('-4.5');
    await userEvent.click(screen.getByRole('button', { name: 'Take this place' }));
    await waitFor(() => expect(sent.some((x) => x.method === 'POST')).toBe(true));
    const body = sent.find((x) => x.method === 'POST')?.body as { lat: number; base: { tmin: (number | null)[] } };
    expect(body.lat).toBe(46.5);
    expect(body.base.tmin[0]).toBeCloseTo(-20.2778, 4);
    expect(body.base.tmin[1]).toBeNull(); // what is emptied is not made up
    expect(body.base.tmin[2]).toBe(1);
  });

  it('says of coordinates that are none what is expected, and asks nothing', async () => {
    const sent = answer({ 'GET /api/climates': near });
    show(<PlaceForm name="Here" units="metric" act="Take this place" onSite={vi.fn()} />);
    await userEvent.type(screen.getByLabelText('Latitude, north +'), 'north');
    await userEvent.type(screen.getByLabelText('Longitude, east +'), '14');
    expect(screen.getByText(/degrees, as 47\.1, 47,1 or 47°6′ N expected/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: 'Take this place' })).toBeDisabled();
    expect(sent).toHaveLength(0);
  });

  it('waits for coordinates and says what is wrong with them', async () => {
    answer({ 'GET /api/climates': refusal('lat', '95', '-90 to 90') });
    show(<PlaceForm name="Here" units="metric" act="Take this place" onSite={vi.fn()} />);
    expect(screen.getByRole('button', { name: 'Take this place' })).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Latitude, north +'), '95');
    await userEvent.type(screen.getByLabelText('Longitude, east +'), '14');
    expect(await screen.findByText('95 given, -90 to 90 expected')).toBeInTheDocument();
  });
});

describe('people and the first run', () => {
  it('keep a reach typed in inches as centimetres', async () => {
    const sent = answer({ 'POST /api/orchards/here/people': newPerson('Ansa') });
    show(<PersonForm slug="here" person={newPerson('')} units="us" />);
    await userEvent.type(screen.getByLabelText('Name'), 'Ansa');
    await userEvent.type(screen.getByLabelText('Fingertip height, in'), '88');
    await userEvent.click(screen.getByRole('button', { name: 'Save' }));
    await waitFor(() =>
      expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({ name: 'Ansa', fingertip_cm: 223.52 }),
    );
  });

  it('make an orchard with named guesses when everything is skipped', async () => {
    const sent = answer({
      'GET /api/meta': meta,
      'POST /api/orchards': { orchard: { ...orchard, slug: 'my-orchard' }, warnings: [] },
      'POST /api/orchards/my-orchard/people': newPerson('Me'),
    });
    show(<FirstRun />);
    await userEvent.click(screen.getByRole('button', { name: /School/ }));
    await screen.findByRole('radio', { name: /Low bush/ });
    await userEvent.click(screen.getByRole('button', { name: 'Make the orchard' }));
    await waitFor(() => expect(sent.some((s) => s.path.endsWith('/people'))).toBe(true));
    expect(sent.find((s) => s.path === '/api/orchards' && s.method === 'POST')?.body).toMatchObject({
      name: 'My orchard',
      school: { preset: 'steady' },
    });
    expect(sent.find((s) => s.path.endsWith('/people'))?.body).toMatchObject({ fingertip_cm: 0 });
  });

  it('do not pass over a place that was typed and that nobody knows', async () => {
    const sent = answer({ 'GET /api/meta': meta, 'GET /api/towns': [], 'GET /api/orchards': [] });
    show(<FirstRun />);
    await userEvent.type(screen.getByLabelText('Town, or latitude and longitude'), 'Nowhere');
    expect(await screen.findByText(/No town of that name is known here/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Make the orchard' }));
    expect(screen.getByRole('alert')).toHaveTextContent('Say which town is meant');
    expect(sent.some((s) => s.method === 'POST')).toBe(false);
  });
});

describe('the table of trees and the year', () => {
  it('says height against reach, the account and the next task, and what they ask of ground and hours', async () => {
    answer({});
    show(onDay(<Trees />));
    const row = screen.getByRole('row', { name: /Apple North/ });
    expect(within(row).getByText('0.5 m over')).toBeInTheDocument();
    expect(within(row).getByText('10 % of 20 %')).toBeInTheDocument();
    expect(within(row).getByText(/Dormant cut, until .*1/)).toBeInTheDocument();
    expect(screen.getByText(/1 tree, 60 m² of ground a tree, about 3 hours a year/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: /^Kind/ }));
    expect(screen.getByRole('columnheader', { name: /Kind/ })).toHaveAttribute('aria-sort', 'ascending');
  });

  it('names every window of a row and opens its reasons', async () => {
    answer({
      'GET /api/orchards/here/days': {
        day: '2027-02-20',
        hours_said: true,
        days: [{ date: '2027-02-20', has: 120, chosen: 60, lost: false }],
        jobs: [
          {
            task_id: 'b1',
            mark: 'winter',
            pieces: [{ date: '2027-02-20', minutes: 60 }],
            says: 'Fit by the forecast.',
          },
        ],
        dropped: [],
        waiting: [],
        done: [],
      },
      'GET /api/orchards/here/trees/t1/plan': {
        day: '2027-02-20',
        summary: tree(),
        anchors: [],
        company: [],
        tasks: [
          {
            ...tree().bars[0],
            season: 2027,
            opens_says: '18 February (6 weeks before bud break)',
            closes_says: '1 April (bud break)',
            opens_early: '2027-02-10',
            closes_late: '2027-04-10',
            reasons: [{ rule: 'pome', says: 'Bud break about 1 April.' }],
            held: [],
            cautions: [],
            minutes_says: '1 h',
            minutes_estimated: true,
            grades: [],
            others: [
              {
                preset: 'low-bush',
                kind: 'dormant-cut',
                opens: '2027-01-01',
                closes: '2027-02-01',
                never: false,
                says: 'Low bush: Dormant cut, 1 January to 1 February.',
              },
            ],
          },
        ],
      },
    });
    show(onDay(<Year />));
    await userEvent.click(
      await screen.findByRole('button', { name: /A1 Apple North: Dormant cut .*set for (20 February|February 20)/ }),
    );
    expect(await screen.findByText(/Low bush: Dormant cut, 1 January/)).toBeInTheDocument();
    expect(screen.getByText(/6 weeks before bud break/)).toBeInTheDocument();
    expect(screen.getByRole('img', { name: /Hours a week/ })).toBeInTheDocument();
  });
});
