import { fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import type { Step } from './bench/slip/queries';
import { shareOfYear } from './drawing/time';
import { ColdWarmth } from './season/ColdWarmth';
import { FrostNights } from './season/FrostNights';
import type { Scale, SeasonOf, StageRow } from './season/season';
import { Stages } from './season/Stages';
import { StepWords } from './sheet/StepWords';
import { StopLine } from './sheet/StopLine';
import { Wheel } from './sheet/Wheel';
import { show } from './testing.test-data';

const [from, to] = ['2026-11-01', '2027-10-31'];

const row = (stage: string, early: string, late: string, more: Partial<StageRow> = {}): StageRow => ({
  stage,
  name: stage.replace('_', ' '),
  group: 'bloom',
  past: false,
  forecasts: [
    { as_of: '2027-01-01', early, late, median: early, why: 'new_year' },
    { as_of: '2027-04-10', early, late, median: early, why: 'now' },
  ],
  ...more,
});

const season = (more: Partial<SeasonOf> = {}): SeasonOf => ({
  tree_id: 't1',
  code: 'A1',
  kind_name: 'Apple',
  day: '2027-04-10',
  from,
  to,
  season: 2027,
  says: [],
  see: [],
  chill: {
    days: [
      { date: '2026-12-01', value: 5 },
      { date: '2027-01-15', value: 30 },
      { date: '2027-02-20', value: 55 },
    ],
    got: 55,
    need: 50,
    met: '2027-02-12',
    status: 'met',
    says: 'The cold it asks for was met on 12 February.',
  },
  warmth: {
    days: [
      { date: '2027-02-20', value: 0 },
      { date: '2027-04-01', value: 0.7 },
      { date: '2027-04-20', value: 1 },
    ],
    got: 0.8,
    heat_gdh: 6500,
    says: 'Four fifths of the warmth to bloom.',
  },
  fruit: {
    curve: [
      { date: '2027-05-20', value: 10 },
      { date: '2027-09-10', value: 75 },
    ],
    measured: [],
    of: 0,
    ripe_mm: 75,
    says: 'Nothing is measured yet.',
  },
  frost: {
    alive: 0.4,
    enough: 0.1,
    hardy: [
      { date: '2027-03-01', value: -8 },
      { date: '2027-04-05', value: -4 },
      { date: '2027-04-20', value: -2.5 },
    ],
    last_frost: '2027-04-25',
    nights: [
      { date: '2027-03-20', tmin_c: -3, killed: 0, alive: 1, ahead: false },
      { date: '2027-04-08', tmin_c: -4.5, killed: 0.6, alive: 0.4, ahead: false },
      { date: '2027-04-12', tmin_c: -1, killed: 0, alive: 0.4, ahead: true },
    ],
    says: '-4.5 °C on 8 April: about 40 % of the buds are alive.',
    table: true,
  },
  stages: [
    row('bud_swell', '2027-03-10', '2027-03-20', { past: true, seen: '2027-03-14' }),
    row('full_bloom', '2027-04-14', '2027-04-22'),
    row('petal_fall', '2027-04-24', '2027-05-02'),
  ],
  ...more,
});

const scale = (width = 1200): Scale => ({
  x: (d) => 100 + shareOfYear(d, from, to) * (width - 120),
  left: 100,
  right: 20,
  width,
  from,
  to,
  day: '2027-04-10',
  phone: width < 700,
});

describe('the nights of frost', () => {
  it('hang each from freezing, thick where buds died, hollow where it is only forecast', () => {
    const { container } = show(<FrostNights s={season()} scale={scale()} units="metric" />);
    expect(container.querySelectorAll('path[stroke="var(--autumn)"]')).toHaveLength(1);
    expect(container.querySelectorAll('circle[stroke="var(--winter)"]')).toHaveLength(1);
    expect(screen.getAllByText('40 %').length).toBeGreaterThan(0);
    expect(screen.getByRole('img', { name: /2 nights of frost so far/ })).toBeInTheDocument();
    expect(screen.getByText(/last frost about 25 April/)).toBeInTheDocument();
  });

  it('tell no share of buds for a kind without a table, and no last frost that has passed', () => {
    const s = season();
    show(
      <FrostNights
        s={{ ...s, frost: { ...s.frost, table: false, last_frost: '2027-04-01' } }}
        scale={scale()}
        units="us"
      />,
    );
    expect(screen.queryByText(/of the buds are alive$/)).toBeNull();
    expect(screen.queryByText(/last frost about/)).toBeNull();
    expect(screen.getByText('32°')).toBeInTheDocument();
  });

  it('of a run of bad nights only the last says what is left', () => {
    const s = season();
    const night = (date: string, alive: number) => ({ date, tmin_c: -4, killed: 0.2, alive, ahead: false });
    show(
      <FrostNights
        s={{
          ...s,
          frost: { ...s.frost, nights: [night('2027-04-06', 0.8), night('2027-04-07', 0.6), night('2027-04-08', 0.5)] },
        }}
        scale={scale()}
        units="metric"
      />,
    );
    const drawn = within(screen.getByRole('img'));
    expect(drawn.queryByText('80 %')).toBeNull();
    expect(drawn.queryByText('60 %')).toBeNull();
    expect(drawn.getByText('50 %')).toBeInTheDocument();
  });
});

describe('cold and warmth', () => {
  it('say what is asked for and when it was met', () => {
    show(<ColdWarmth s={season()} scale={scale()} units="metric" />);
    expect(screen.getByText('need: 50 portions')).toBeInTheDocument();
    expect(screen.getByText('met 12 February')).toBeInTheDocument();
    expect(screen.getByText(/picking size: 75 mm/)).toBeInTheDocument();
  });

  it('say how much is short where it is not met, and that a day ahead is about', () => {
    const s = season();
    const { met, ...rest } = s.chill;
    const { unmount } = show(
      <ColdWarmth s={{ ...s, chill: { ...rest, got: 38, status: 'short' } }} scale={scale()} units="metric" />,
    );
    expect(met).toBeDefined();
    expect(screen.getByText('12 short')).toBeInTheDocument();
    unmount();
    show(<ColdWarmth s={{ ...s, chill: { ...s.chill, met: '2027-04-19' } }} scale={scale()} units="us" />);
    expect(screen.getByText('met about 19 April')).toBeInTheDocument();
    expect(screen.getByText(/picking size: \S+ in/)).toBeInTheDocument();
  });

  it('are drawn of a tree that asks for no cold, bears no fruit, or is at the first day of its year', () => {
    const s = season();
    const none = { ...s.fruit, curve: [], ripe_mm: 0 };
    for (const odd of [
      { ...s, chill: { ...s.chill, need: 0 } },
      { ...s, fruit: none },
      { ...s, day: from, chill: { ...s.chill, days: [] }, warmth: { ...s.warmth, days: [] }, fruit: none },
    ]) {
      const { container, unmount } = show(<ColdWarmth s={odd} scale={scale()} units="metric" />);
      expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/);
      unmount();
    }
  });
});

describe('the stages', () => {
  it('are told in one sentence: seen by their day, the others by their span', () => {
    show(<Stages s={season()} scale={scale()} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(
      'bud swell seen 14 March; full bloom 14 to 22 April; petal fall 24 April to 2 May',
    );
  });

  it('open the one that comes next, and on the phone none', () => {
    const { unmount } = show(<Stages s={season()} scale={scale()} />);
    expect(screen.getByText('as forecast at the new year')).toBeInTheDocument();
    unmount();
    show(<Stages s={season()} scale={scale(390)} />);
    expect(screen.queryByText('as forecast at the new year')).toBeNull();
  });

  it('say of one that was seen what was first said of it', () => {
    show(<Stages s={season({ habit: 'It blooms two days after its kind.' })} scale={scale()} />);
    expect(screen.getByText('first said 10 to 20 March')).toBeInTheDocument();
    expect(screen.getByText('It blooms two days after its kind.')).toBeInTheDocument();
  });
});

describe('at the tree', () => {
  const gauge = { account: 0.1, limit: 0.2, winter: 0.05, summer: 0, cap: 1, free: 0, exempt: false, slip: 0.1 };

  it('the stop line says what is off, what this step takes, and what is left', () => {
    const line = (more: object, off: number, step: number) => {
      const { unmount, container } = show(<StopLine gauge={{ ...gauge, ...more } as never} off={off} step={step} />);
      const out = [screen.getByRole('img').getAttribute('aria-label'), container.textContent];
      for (const r of container.querySelectorAll('rect'))
        expect(Number(r.getAttribute('width'))).toBeGreaterThanOrEqual(0);
      unmount();
      return out;
    };
    expect(line({}, 0.03, 0.04)).toEqual(['8 % cut, this 4 %, stop at 20 %', 'stop 20 %8 % left']);
    expect(line({}, 0.3, 0.04)[1]).toContain('0 % left');
    expect(line({ exempt: true }, 0.3, 0)[0]).toContain('stop at 100 %');
    expect(line({ limit: 0, winter: 0 }, 0, 0)).toEqual(['0 % cut, this 0 %, stop at 0 %', 'stop 0 %0 % left']);
  });

  it('the thumb wheel stands at what the map says until it is turned, and goes back to it', () => {
    function Held({ units }: { units: 'metric' | 'us' }) {
      const [mm, set] = useState<number>();
      return <Wheel label="The wound" mm={mm} mapMM={22} units={units} onChange={set} />;
    }
    show(<Held units="metric" />);
    expect(screen.getByText('as the map: 22 mm')).toBeInTheDocument();
    const wheel = screen.getByRole('slider');
    expect([wheel.getAttribute('min'), wheel.getAttribute('max')]).toEqual(['12', '39']);
    fireEvent.change(wheel, { target: { value: '26.5' } });
    expect(screen.getByRole('status')).toHaveTextContent(/^2[67](\.5)? mm$/);
    fireEvent.click(screen.getByRole('button', { name: 'As the map has it' }));
    expect(screen.getByText('as the map: 22 mm')).toBeInTheDocument();
  });

  it('a step says its place from the ground and on one’s body, and what to take care of', () => {
    const step = {
      n: 1,
      place: [0, 0, 168],
      side: 'south',
      on_body: 'at your eyes',
      how: 'Outside the branch collar.',
      why: 'It takes the light of the middle.',
      tool: 'loppers',
      counted: 0.05,
      cautions: ['Nobody under it.'],
    } as unknown as Step;
    const { unmount } = show(<StepWords step={step} units="metric" />);
    expect(screen.getByText('1.68 m up, south side, at your eyes.')).toBeInTheDocument();
    expect(screen.getByText('Nobody under it.')).toBeInTheDocument();
    unmount();
    const { container } = show(<StepWords step={step} units="us" whole />);
    expect(container).toHaveTextContent(/5(\.5)? ft( 6 in)? up, south side\./);
    expect(container).toHaveTextContent('With: loppers. 5 % of the crown.');
  });
});
