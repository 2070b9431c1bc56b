import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { angleAt } from './shared/turned';
import { Elevation } from './training/Elevation';
import { BendPanel } from './training/BendPanel';
import { MainLimbsPanel } from './training/MainLimbs';
import type { Bend, MainLimbs, Rig, Wall } from './training/queries';
import { StillOn } from './training/StillOn';
import { WallSide } from './training/Wall';
import { standingAt } from './drawing/wood';
import { answer, drawnLimb, refusal, show } from './testing.test-data';

const which = { slug: 'here', id: 'here-C1', day: '2027-02-20' };
const devices = '/api/orchards/here/trees/here-C1/training/devices';

beforeEach(() => {
  Element.prototype.scrollIntoView = vi.fn();
});
afterEach(() => vi.unstubAllGlobals());

const bend = (more: Partial<Bend> = {}): Bend => ({
  limb: 'S4',
  azimuth_deg: 205,
  length_cm: 88,
  d_mm: 9.5,
  fork_cm: 68,
  contact_cm: 42,
  now_deg: 18,
  aim_deg: 50,
  low_deg: 45,
  high_deg: 60,
  verdict: 'lower',
  to_deg: 65,
  today_deg: 50,
  safe_deg: 52,
  stages: 2,
  weeks_between: 8,
  force_n: 20,
  device: 'peg_tie',
  device_name: 'cord to a peg',
  why: 'Thick.',
  stand_in: 'a brick',
  how: 'Pull to where the limb resists.',
  stick_cm: 0,
  trunk_cm: 0,
  peg_cm: 62,
  best_peg_cm: 112,
  cord_cm: 100,
  cord_cut_cm: 140,
  pull_kg: 2.1,
  mass_kg: 0,
  loop_mm: 20,
  loop_cm: 6.2,
  grows_mm: 2,
  widens_cm: 30,
  shortened: false,
  now: [
    { out: 0, up: 0 },
    { out: 20, up: 80 },
  ],
  bent: [
    { out: 0, up: 0 },
    { out: 60, up: 60 },
  ],
  says: ['Two stages.'],
  partners: [],
  ...more,
});

const rig = (more: Partial<Rig> = {}): Rig => ({
  rig: { id: 'r', device: 'spreader', limb: 'S2', before_deg: 20, after_deg: 45 },
  tree_id: 'here-C1',
  code: 'C1',
  name: 'spreader',
  on: '2026-08-01',
  off: '2027-02-08',
  days_left: -12,
  over: true,
  stays: false,
  due: true,
  checks: [],
  looks: [],
  says: 'Take it off today.',
  warnings: [],
  ...more,
});

describe('an angle off a drawing', () => {
  it('is that between the upright and the limb, on either side of it', () => {
    const fork = { x: 10, y: 100 };
    expect(angleAt(fork, { x: 10, y: 0 }, { x: 110, y: 100 })).toBeCloseTo(90);
    expect(angleAt(fork, { x: 10, y: 0 }, { x: -90, y: 0 })).toBeCloseTo(45);
    expect(angleAt(fork, { x: 60, y: 50 }, { x: 60, y: 50 })).toBeCloseTo(0); // a trunk that leans
    expect(angleAt(fork, { x: 10, y: 0 }, { x: 10, y: 200 })).toBeCloseTo(180);
  });
});

describe('a limb bent', () => {
  it('is pulled on the drawing by keys, one degree or five, and no further than level and a little', () => {
    answer({});
    const aim = vi.fn();
    const drawing = (aimDeg?: number) => (
      <Elevation
        limbs={[]}
        bend={bend()}
        candidates={undefined}
        reachCm={200}
        onChoose={vi.fn()}
        aimDeg={aimDeg}
        onAim={aim}
      />
    );
    const { unmount } = show(drawing());
    const grip = screen.getByRole('slider', { name: 'Pull S4 to the angle wanted' });
    expect(grip).toHaveAttribute('aria-valuenow', '65');
    fireEvent.keyDown(grip, { key: 'ArrowDown' });
    expect(aim).toHaveBeenLastCalledWith(66);
    fireEvent.keyDown(grip, { key: 'PageUp' });
    expect(aim).toHaveBeenLastCalledWith(60);
    unmount();
    show(drawing(100));
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Pull S4 to the angle wanted' }), { key: 'PageDown' });
    expect(aim).toHaveBeenLastCalledWith(100);
  });

  it('leaves room for its words: a limb that ends there has its name above them', () => {
    answer({});
    const b = bend();
    const view = standingAt((b.azimuth_deg + 90) % 360);
    const [out, up] = [Math.sin((b.now_deg * Math.PI) / 180), Math.cos((b.now_deg * Math.PI) / 180)];
    for (let past = 20; past < 80; past += 4) {
      const reach = b.contact_cm + past;
      const x = out * reach;
      const other = drawnLimb('S3', [
        0,
        0,
        60,
        1,
        2,
        view.right[0] * x,
        view.right[1] * x,
        b.fork_cm + up * reach,
        0.5,
        1,
      ]);
      const { unmount } = show(
        <Elevation
          limbs={[other]}
          bend={b}
          candidates={undefined}
          reachCm={200}
          onChoose={vi.fn()}
          aimDeg={undefined}
          onAim={vi.fn()}
        />,
      );
      const place = (text: string) => {
        const el = screen.getByText(text);
        return { x: Number(el.getAttribute('x')), y: Number(el.getAttribute('y')) };
      };
      const name = place('S3');
      for (const words of [place('S4 now 18°'), place('today 50°')]) {
        const beside = name.x < words.x - 11 || name.x > words.x + 90;
        expect(beside || Math.abs(name.y - words.y) >= 15, `its tip ${String(past)} cm past the tie`).toBe(true);
      }
      unmount();
    }
  });

  it('tells now, today and later, and logs the device with its loop and peg', async () => {
    const sent = answer({ [`POST ${devices}`]: { entry: { id: 'e1' }, warnings: [], undo_for_s: 10 } });
    const ask = vi.fn();
    show(
      <BendPanel
        late={false}
        bend={bend()}
        others={[bend(), bend({ limb: 'S1', verdict: 'leave' })]}
        even={['S3 first.']}
        which={which}
        error={null}
        asked={{ limb: 'S4' }}
        onAsk={ask}
      />,
    );
    expect(screen.getByText('S3 first.')).toBeInTheDocument();
    expect(screen.getByRole('status')).toHaveTextContent('18° now→50° today→65° 8 weeks on');
    expect(screen.getByText('62 cm out')).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'Spreader' }));
    expect(ask).toHaveBeenLastCalledWith({ limb: 'S4', device: 'spreader' });
    fireEvent.click(screen.getByRole('button', { name: /^S1/ }));
    expect(ask).toHaveBeenLastCalledWith({ limb: 'S1' });
    fireEvent.click(screen.getByRole('button', { name: 'It holds at 50°' }));
    await waitFor(() =>
      expect(sent.at(-1)?.body).toMatchObject({
        act: {
          act: 'on',
          device: 'peg_tie',
          limb: 'S4',
          anchor: 'peg',
          before_deg: 18,
          after_deg: 50,
          loop_mm: 20,
          peg_cm: 62,
        },
      }),
    );
  });

  it('offers no device where none will do, and none where one is on', () => {
    answer({});
    const alone = (of: ReturnType<typeof bend>) =>
      show(
        <BendPanel
          late={false}
          bend={of}
          others={[]}
          even={[]}
          which={which}
          error={null}
          asked={{ limb: 'S4' }}
          onAsk={vi.fn()}
        />,
      );
    const { unmount } = alone(bend({ device: 'none', says: ['Too thick to bend.'] }));
    expect(screen.queryByRole('button', { name: /It holds/ })).toBeNull();
    expect(screen.getByText('Too thick to bend.')).toBeInTheDocument();
    unmount();
    alone(bend({ rig: 'r' }));
    expect(screen.queryByRole('button', { name: /It holds/ })).toBeNull();
    expect(screen.getByText(/A device is on this limb/)).toBeInTheDocument();
  });
});

describe('what is still on', () => {
  it('says what is over its day, warns when the limb springs back, and takes it off', async () => {
    const sent = answer({ [`POST ${devices}`]: { entry: { id: 'e2' }, warnings: [], undo_for_s: 10 } });
    show(<StillOn rigs={[rig()]} which={which} day="2027-02-20" trees />);
    const row = screen.getByRole('button', { name: /S2 spreader/ });
    expect(row).toHaveTextContent('12 over');
    fireEvent.click(row);
    fireEvent.change(screen.getByLabelText('Degrees it came to rest at'), { target: { value: '25' } });
    expect(screen.getByText(/springs back more than 10/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole('button', { name: 'It is off' }));
    await waitFor(() => expect(sent.at(-1)?.body).toMatchObject({ act: { act: 'off', id: 'r', sprang_to_deg: 25 } }));
  });

  it('tells why a look was refused, and that nothing was logged', async () => {
    answer({ [`POST ${devices}`]: refusal('id', '"r", which is not on this tree', 'a device that is on') });
    show(<StillOn rigs={[rig({ over: false, days_left: 20 })]} which={which} day="2027-02-20" />);
    fireEvent.click(screen.getByRole('button', { name: /S2 spreader/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Loosened' }));
    expect(await screen.findByText(/Nothing was logged/)).toBeInTheDocument();
  });
});

describe('main limbs', () => {
  const choice: MainLimbs = {
    verdict: 'chosen',
    chosen: ['k1', 'k3'],
    runner_up: ['k1', 'k5'],
    loses: [{ term: 'how evenly they stand round the trunk', points: 3 }],
    missing: 0,
    widest_gap_deg: 104,
    fill_azimuth_deg: 340,
    says: ['Main limbs: k1, k3.', 'Next best: k1, k5.'],
    candidates: [
      { limb: 'k1', azimuth_deg: 32, height_cm: 52, angle_deg: 62, d_mm: 9, keep: false, bent: false, state: 'chosen' },
      {
        limb: 'k2',
        azimuth_deg: 60,
        height_cm: 57,
        angle_deg: 23,
        d_mm: 6,
        keep: false,
        bent: false,
        state: 'refused',
        why: 'leaves too narrowly',
      },
    ],
  };

  it('shows the set beside the next best, and takes one’s own word', () => {
    answer({});
    const marks = vi.fn();
    show(<MainLimbsPanel choice={choice} marks={[]} onMarks={marks} error={null} chosen="k1" onChoose={vi.fn()} />);
    expect(screen.getByText('leaves too narrowly')).toBeInTheDocument();
    expect(screen.getByText(/loses 3 points/)).toBeInTheDocument();
    fireEvent.change(screen.getByLabelText('Your word on k2'), { target: { value: 'bend' } });
    expect(marks).toHaveBeenLastCalledWith([{ limb: 'k2', angle_deg: 50 }]);
    fireEvent.change(screen.getByLabelText('Your word on k1'), { target: { value: 'out' } });
    expect(marks).toHaveBeenLastCalledWith([{ limb: 'k1', mark: 'out' }]);
  });
});

describe('the wall', () => {
  it('lists its steps in order, ties before cuts, and its hardware', () => {
    const wall = {
      says: ['2 of 4 wires have their pair.'],
      steps: [
        { n: 1, title: 'Tie k3 to the wire at 110 cm, east', says: 'The stiffest first.', kind: 'tie' },
        { n: 2, title: 'Spares k2 off', says: 'Once both hold.', kind: 'cut' },
      ],
      shoots: [
        { limb: 'k2', side: 'west', height_cm: 96, angle_deg: 40, length_cm: 30, state: 'spare' },
        { limb: 'k3', side: 'east', height_cm: 101, angle_deg: 50, length_cm: 62, state: 'arm' },
      ],
      hardware: [{ what: 'Tensioners', stand_in: 'a stick', amount: '4' }],
    } as unknown as Wall;
    const marks = vi.fn();
    show(<WallSide wall={wall} marks={[{ limb: 'k3', mark: 'doubt' }]} onMarks={marks} error={null} />);
    fireEvent.change(screen.getByLabelText('Your word on k2'), { target: { value: 'keep' } });
    expect(marks).toHaveBeenLastCalledWith([
      { limb: 'k3', mark: 'doubt' },
      { limb: 'k2', mark: 'keep' },
    ]);
    fireEvent.change(screen.getByLabelText('Your word on k3'), { target: { value: '' } });
    expect(marks).toHaveBeenLastCalledWith([]);
    const steps = within(screen.getByRole('region', { name: 'At the wall' })).getAllByRole('listitem');
    expect(steps.map((s) => s.textContent)).toEqual([
      expect.stringContaining('Tie k3'),
      expect.stringContaining('Spares k2'),
    ]);
    expect(screen.getByText('a stick')).toBeInTheDocument();
  });
});
