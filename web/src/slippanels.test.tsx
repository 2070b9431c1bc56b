import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { GroupItem } from './bench/slip/GroupItem';
import { Held } from './bench/slip/Held';
import { LogSlip } from './bench/slip/LogSlip';
import { StepItem } from './bench/slip/StepItem';
import { Waits } from './bench/slip/Waits';
import type { Asking, Slip, Step, Waiting } from './bench/slip/queries';
import type { Schemas } from './shared/api';
import { answer, refusal, show } from './testing.test-data';
import { LightPanel } from './yard/LightPanel';
import { SpotSun } from './yard/SpotSun';

const asking: Asking = { slug: 'here', id: 'here-C1', day: '2027-02-20', revision: 4, season: undefined };
const base = '/api/orchards/here/trees/here-C1/map/slip';

beforeEach(() => {
  Element.prototype.scrollIntoView = vi.fn();
});
afterEach(() => vi.unstubAllGlobals());

const step = (more: Partial<Step> = {}): Step => ({
  n: 1,
  mark: '1',
  step: 4,
  state: 'proposed',
  moved: false,
  findings: [{ code: 'inward', limb: 'S1.2' }],
  letters: ['A', 'B', 'C', 'D', 'E'],
  names: ['into the middle'],
  aim: 'remove',
  cut: { limb: 'S1.2', kind: 'collar', at_cm: 0 },
  place: [0, 0, 120],
  side: 'south',
  high: false,
  stand_deg: 180,
  d_mm: 22,
  share: 0.05,
  counted: 0.05,
  left_after: 0.1,
  minutes: 1,
  buds_within: 4,
  gain_cm: 0,
  forever: false,
  title: 'S1.2 off at its collar',
  where: '1.2 m up',
  how: 'Outside the branch collar.',
  why: 'It takes the light of the middle.',
  cost: 'loppers, 22 mm thick, 1 min',
  price: ['2 fruit this year.', 'Grows back in 3 seasons.'],
  cautions: ['Nobody under it.'],
  runners: [],
  ...more,
});

const spot = (at: number, more: Partial<Schemas['SpotBody']> = {}): Schemas['SpotBody'] => ({
  cut: { limb: 'S1.2', kind: at > 0 ? 'bud' : 'collar', at_cm: at },
  title: at > 0 ? 'S1.2 above a bud' : 'S1.2 off at its collar',
  where: '',
  share: 0.02,
  score: 30,
  d_mm: 14,
  buds_within: 3,
  height_cm: 120,
  gain_cm: 0,
  ...more,
});

describe('a step of the slip', () => {
  const acts = () => ({ onOpen: vi.fn(), onTake: vi.fn(), onLeave: vi.fn(), onMove: vi.fn() });

  it('closed, says what and where, and no more than three of its letters', () => {
    show(<StepItem s={step()} open={false} asking={asking} busy={false} fixed={false} {...acts()} />);
    const head = screen.getByRole('button', { name: /S1.2 off at its collar/ });
    expect(head).toHaveTextContent('ABC and 2 more');
    expect(head).toHaveTextContent('5 %');
    expect(screen.queryByRole('button', { name: 'Cut it' })).toBeNull();
  });

  it('open, hides none of its cost', () => {
    show(<StepItem s={step()} open asking={asking} busy={false} fixed={false} {...acts()} />);
    const price = within(screen.getByRole('list', { name: 'What it costs' })).getAllByRole('listitem');
    expect(price.map((p) => p.textContent)).toEqual([
      '2 fruit this year.',
      'Grows back in 3 seasons.',
      '10 % is left before the stop line after this step.',
    ]);
    expect(screen.getByText('Nobody under it.')).toBeInTheDocument();
  });

  it('asks once more before a cut that never grows back', () => {
    const a = acts();
    show(<StepItem s={step({ forever: true })} open asking={asking} busy={false} fixed={false} {...a} />);
    fireEvent.click(screen.getByRole('button', { name: 'Cut it' }));
    expect(a.onTake).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Sure: it never grows back' }));
    expect(a.onTake).toHaveBeenCalledOnce();
  });

  it('says what does not count, and a forecast cannot be decided', () => {
    show(<StepItem s={step({ counted: 0 })} open asking={asking} busy={false} fixed {...acts()} />);
    expect(screen.getByRole('button', { name: /S1.2 off/ })).toHaveTextContent('5 %, free');
    expect(screen.queryByRole('button', { name: 'Leave it' })).toBeNull();
  });

  it('offers other places, not the one it stands at, and moves there', async () => {
    const a = acts();
    answer({ [`GET ${base}/places/S1.2`]: [spot(0), spot(18), spot(33)] });
    const s = step({ runners: [spot(40, { title: 'S1.2 above the last bud' })] });
    show(<StepItem s={s} open asking={asking} busy={false} fixed={false} {...a} />);
    fireEvent.click(screen.getByRole('button', { name: 'Move the cut, or see what else would do' }));
    expect(await screen.findByRole('button', { name: 'S1.2 off at its collar, at its base' })).toBeDisabled();
    expect(screen.getByRole('button', { name: 'S1.2 above the last bud, at 40 cm' })).toBeEnabled();
    fireEvent.click(screen.getByRole('button', { name: 'S1.2 above a bud, at 33 cm' }));
    expect(a.onMove).toHaveBeenCalledWith({ limb: 'S1.2', kind: 'bud', at_cm: 33 });
  });
});

describe('what waits', () => {
  const waiting = (n: number): Waiting =>
    ({
      finding: { code: 'inward', limb: `S${String(n)}` },
      letter: 'A',
      name: 'into the middle',
      says: '',
      why: 'over-limit-winter',
      why_says: 'past the stop line: next winter',
      price: 'Next year: 24 mm thick.',
      cut: 'off at its collar',
      share: 0.04,
    }) as Waiting;

  it('shows four with their reason and the price of waiting, the rest when asked', () => {
    const onAct = vi.fn();
    show(<Waits title="Waits" list={[1, 2, 3, 4, 5, 6].map(waiting)} act={{ name: 'Take it up', onAct }} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(4);
    expect(screen.getAllByText(/past the stop line: next winter. Next year: 24 mm thick./)).toHaveLength(4);
    fireEvent.click(screen.getByRole('button', { name: 'Show 2 more' }));
    expect(screen.getAllByRole('listitem')).toHaveLength(6);
    fireEvent.click(screen.getAllByRole('button', { name: 'Take it up' })[5] as HTMLElement);
    expect(onAct).toHaveBeenCalledWith(expect.objectContaining({ finding: { code: 'inward', limb: 'S6' } }));
  });

  it('is not there when nothing waits', () => {
    const { container } = show(<Waits title="Waits" list={[]} />);
    expect(container).toBeEmptyDOMElement();
  });
});

describe('logging a slip', () => {
  const slip = {
    revision: 4,
    minutes: 7.4,
    steps: [
      step(),
      step({ n: 2, title: 'S2 back to S2.1', cut: { limb: 'S2', kind: 'side', at_cm: 40.5 }, d_mm: 31 }),
      step({ n: 3, title: 'S3 off at its collar', cut: { limb: 'S3', kind: 'collar', at_cm: 0 } }),
    ],
  } as unknown as Slip;

  it('sends what was cut, with the wounds as the caliper has them', async () => {
    const onDone = vi.fn();
    const sent = answer({ [`POST ${base}/log`]: { entry: { id: 'e1' }, warnings: [] } });
    show(<LogSlip slip={slip} asking={asking} code="C1" onDone={onDone} />);
    fireEvent.click(screen.getByRole('checkbox', { name: /3 S3 off/ }));
    fireEvent.change(screen.getByLabelText('Wound of step 2, mm'), { target: { value: '34,5' } });
    fireEvent.change(screen.getByLabelText('Minutes'), { target: { value: '12' } });
    fireEvent.click(screen.getByRole('button', { name: 'Log 2 of 3' }));
    await waitFor(() => expect(onDone).toHaveBeenCalled());
    expect(sent.find((s) => s.path === `${base}/log`)?.body).toEqual({
      based_on: 4,
      cuts: [
        { cut: { limb: 'S1.2', kind: 'collar', at_cm: 0 } },
        { cut: { limb: 'S2', kind: 'side', at_cm: 40.5 }, d_mm: 34.5 },
      ],
      minutes: 12,
    });
  });

  it('keeps what was typed when it is refused, and says that nothing changed', async () => {
    const onDone = vi.fn();
    answer({ [`POST ${base}/log`]: refusal('cuts[1].d_mm', '3.1 mm', 'about the map’s 31 mm, in millimetres') });
    show(<LogSlip slip={slip} asking={asking} code="C1" onDone={onDone} />);
    fireEvent.change(screen.getByLabelText('Wound of step 2, mm'), { target: { value: '3.1' } });
    fireEvent.click(screen.getByRole('button', { name: 'Log 3 of 3' }));
    expect(await screen.findByText(/The map and the journal are as they were/)).toBeInTheDocument();
    expect(screen.getByText(/in millimetres/)).toBeInTheDocument();
    expect(screen.getByLabelText('Wound of step 2, mm')).toHaveValue('3.1');
    expect(onDone).not.toHaveBeenCalled();
  });

  it('cannot log nothing', () => {
    show(<LogSlip slip={slip} asking={asking} code="C1" onDone={vi.fn()} />);
    for (const box of screen.getAllByRole('checkbox')) fireEvent.click(box);
    expect(screen.getByRole('button', { name: 'Log 0 of 3' })).toBeDisabled();
  });
});

describe('down, then held', () => {
  const years = (more: Partial<Schemas['SlipYearsBody']> = {}): Schemas['SlipYearsBody'] => ({
    past: [
      { year: 2025, account: 0.12, minutes: 20 },
      { year: 2026, account: 0.06, minutes: 12, height_cm: 300 },
    ],
    limit: 0.2,
    reach_cm: 212,
    cannot: [],
    held: 'Held from 2028 on: about 15 min and 11 % of the crown a year.',
    weak: 'A forecast.',
    years: [2027, 2028].map((year, k) => ({
      year,
      winter: [],
      frame: [],
      summer: ['T back to S5', 'b', 'c', 'd', 'e', 'f', 'g', 'h'],
      account: 0.2,
      winter_share: 0.05,
      height_before_cm: 310 - 70 * k,
      height_winter_cm: 310 - 70 * k,
      height_day_cm: 330 - 70 * k,
      height_cut_cm: 242 - 30 * k,
      height_cm: 245 - 30 * k,
      flower_buds: 100,
      kilos: 12,
      minutes: 20,
      winter_minutes: 5,
      findings: 9,
      waits: 4,
      held: k > 0,
    })),
    replace: {
      years_to_full_crop: 6,
      keep_hours: 28,
      new_hours: 22,
      keep_kilos: 140,
      new_kilos: 34,
      says: 'This tree bears more.',
    },
    ...more,
  });

  it('draws the height against reach and says from when on the tree is held, and for what', async () => {
    answer({ [`GET ${base}/years`]: years() });
    show(<Held asking={asking} />);
    expect(
      await screen.findByRole('img', {
        name: 'Reach 2.12 m. 2027 2.42 m, 20 %, 20 minutes; 2028 2.12 m, 20 %, 20 minutes',
      }),
    ).toBeInTheDocument();
    expect(screen.getByText(/Held from 2028 on/)).toBeInTheDocument();
    expect(screen.getAllByText(/; and 2 more/)).toHaveLength(2);
    expect(screen.getByText(/28 here, 22 there/)).toBeInTheDocument();
  });

  it('names what stays above reach and the stop line that would do, where it is never held', async () => {
    answer({
      [`GET ${base}/years`]: years({
        held: undefined,
        cannot: ['S3, 40 cm above reach: cut each year.'],
        needs: 'With a stop line of 25 % it would come to reach in these years.',
      } as never),
    });
    show(<Held asking={asking} />);
    expect(await screen.findByText(/With a stop line of 25 %/)).toBeInTheDocument();
    expect(screen.getByText(/S3, 40 cm above reach/)).toBeInTheDocument();
    expect(screen.queryByText(/Held from/)).toBeNull();
  });
});

describe('thin stuff of one place', () => {
  const g: Schemas['GroupBody'] = {
    section: 'thin',
    title: 'Three thin tops on S2',
    limb: 'S2',
    steps: [1, 2, 3],
    minutes: 1.5,
    share: 0.02,
  };
  const list = [1, 2, 3].map((n) =>
    step({ n, mark: '4', place: [0, 0, 100 + 20 * n], findings: [{ code: 'inward', limb: `S2.${String(n)}` }] }),
  );

  it('is one step that opens into its limbs, and is cut or left in one go', () => {
    const onAct = vi.fn();
    show(
      <GroupItem g={g} steps={list} open={false} fixed={false} busy={false} onAct={onAct}>
        <li>inside</li>
      </GroupItem>,
    );
    expect(screen.queryByText('inside')).toBeNull();
    const head = screen.getByRole('button', { name: /Three thin tops on S2/ });
    fireEvent.click(head);
    expect(screen.getByText('inside')).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Cut all' }));
    expect(onAct).toHaveBeenCalledWith('taken');
    fireEvent.click(screen.getByRole('button', { name: 'Leave all' }));
    expect(onAct).toHaveBeenLastCalledWith('left');
  });
});

describe('the yard in light', () => {
  const light = {
    x0: 0,
    y0: 0,
    step_m: 0.5,
    nx: 1,
    ny: 1,
    hours: [11],
    keep: 0.9,
    far: ['T2'],
    beds: [{ name: 'herbs', sun_hours: 9.5 }],
    trees: [
      ['here-C1', 'C1', 12.1, 6.8, 'at most 6.8 m for the light of B2'],
      ['here-B2', 'B2', 10.8, 0, ''],
    ].map(([id, code, hours, cap, why]) => ({
      id,
      code,
      x: 1,
      y: 1,
      light: 0.92,
      sun_hours: hours,
      means: 'full sun: any form',
      shaded_by: [{ by: 'C1', id: 'here-C1', share: 0.02 }],
      height_m: 4.33,
      cap_m: cap,
      cap_why: why,
      rule_m: 2.27,
      binds: 'What holds it lowest is your reach, 2.12 m: it stands 221 cm over it.',
    })),
  } as unknown as Schemas['YardLightBody'];

  it('lists the darkest first, and tells a tree’s caps side by side', () => {
    const onAsk = vi.fn();
    show(<LightPanel light={light} day="2027-02-20" asked="here-C1" onAsk={onAsk} spot={null} onSpot={vi.fn()} />);
    const rows = screen.getAllByRole('button').map((b) => b.textContent.slice(0, 2));
    expect(rows).toEqual(['B2', 'C1']);
    expect(screen.getByRole('status')).toHaveTextContent('Too far from the other trees to be reckoned with: T2.');
    const told = screen.getByText(/at most 6.8 m for the light of B2/);
    expect(told).toHaveTextContent('By the rule of thumb (0.9 of the distance): 2.27 m.');
    expect(told).toHaveTextContent('What holds it lowest is your reach');
    fireEvent.click(screen.getByRole('button', { name: /^B2/ }));
    expect(onAsk).toHaveBeenCalledWith('here-B2');
  });

  it('asks for the sun of a spot that is typed, in the person’s units', () => {
    const onSpot = vi.fn();
    show(
      <LightPanel light={light} day="2027-02-20" asked="" onAsk={vi.fn()} spot={{ x: 2, y: 3 }} onSpot={onSpot} />,
      'us',
    );
    fireEvent.change(screen.getByLabelText('From the west'), { target: { value: '10' } });
    expect(onSpot).toHaveBeenLastCalledWith({ x: 3.048, y: 3 });
    onSpot.mockClear();
    fireEvent.change(screen.getByLabelText('From the south'), { target: { value: 'far' } });
    expect(onSpot).not.toHaveBeenCalled();
  });

  it('tells the sun of a spot and what it is good for', async () => {
    answer({
      'GET /api/orchards/here/light/spot': { x: 2, y: 3, sun_hours: 4.2, means: 'lean sun: an open or flat form' },
    });
    show(<SpotSun x={2} y={3} />);
    expect(await screen.findByText(/lean sun: an open or flat form/)).toHaveTextContent('4.2 h of sun a day here');
  });
});
