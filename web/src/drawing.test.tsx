import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { fireEvent } from '@testing-library/dom';
import { StopLine } from './drawing/Gauge';
import { HeightStaff } from './drawing/HeightStaff';
import { lookOf, mostPressing, StakeLabel } from './drawing/StakeLabel';
import { extentOf, YardPlan } from './drawing/YardPlan';
import { YearRing } from './drawing/YearRing';
import { SeasonRail } from './shared/SeasonRail';
import { ShownDay, useShown } from './shared/shown';
import { bar, orchard, plan, show, tree } from './testing.test-data';

describe('the year ring', () => {
  const ring = (bars = [bar()]) =>
    render(
      <svg>
        <YearRing cx={50} cy={50} r={20} bars={bars} from="2026-11-01" to="2027-10-31" day="2027-02-20" />
      </svg>,
    ).container;
  const pointer = (c: HTMLElement) => c.querySelector('path[d$="Z"]')?.getAttribute('fill');

  it('fills its pointer only while a window is open that is not settled', () => {
    expect(pointer(ring())).toBe('var(--ink)');
    expect(pointer(ring([bar({ state: 'done' })]))).toBe('var(--ground)');
    expect(pointer(ring([bar({ opens: '2027-06-01', closes: '2027-07-01' })]))).toBe('var(--ground)');
  });

  it('draws picking as a double line and leaves care out', () => {
    const c = ring([bar({ mark: 'pick' }), bar({ id: 'c', mark: 'care' })]);
    expect(c.querySelectorAll('path[stroke="var(--autumn)"]')).toHaveLength(2);
    expect(c.querySelectorAll('path[stroke="var(--rule-strong)"]')).toHaveLength(0);
  });
});

describe('small instruments', () => {
  it('show wood above reach hollow', () => {
    const { container } = render(
      <svg>
        <HeightStaff x={10} foot={60} heightM={2.6} reachM={2.1} />
      </svg>,
    );
    expect(container.querySelector('rect[stroke="var(--autumn)"]')).not.toBeNull();
  });

  it('fill a label for work to do now', () => {
    expect([lookOf('now'), lookOf('closing'), lookOf('opening'), lookOf('wait'), lookOf(undefined)]).toEqual([
      'full',
      'line',
      'line',
      'soft',
      'soft',
    ]);
    expect(mostPressing([{ group: 'anytime' }, {}, { group: 'closing' }])).toBe('closing');
    expect(mostPressing([{}])).toBeUndefined();
    render(<StakeLabel code="B12" />);
    expect(screen.getByRole('img', { name: 'B12' })).toBeInTheDocument();
  });

  it('say the stop line in words', () => {
    render(<StopLine account={tree().account} />);
    expect(screen.getByRole('img', { name: '10 % of 20 % has gone.' })).toBeInTheDocument();
    expect(screen.getByText(/Winter 10 %, summer 0 %/)).toBeInTheDocument();
  });
});

describe('the plan of the yard', () => {
  it('makes every tree a button that says how it stands', async () => {
    const select = vi.fn();
    show(<YardPlan orchard={orchard} plan={plan()} units="metric" selected="" onSelect={select} />);
    const t = screen.getByRole('button', { name: 'A1 Apple North, dormant, 2.6 high, over reach, work to do now' });
    await userEvent.click(t);
    t.focus();
    await userEvent.keyboard('{Enter}');
    expect(select.mock.calls).toEqual([['t1'], ['t1']]);
  });

  it('lets a new tree be moved by keys', async () => {
    const move = vi.fn();
    show(
      <YardPlan
        orchard={orchard}
        plan={plan()}
        units="metric"
        selected=""
        onSelect={vi.fn()}
        ghost={{ id: '', x: 2, y: 2, spreadM: 2, form: '', code: '' }}
        onGhost={move}
      />,
    );
    screen.getByRole('button', { name: /arrow keys move it/ }).focus();
    await userEvent.keyboard('{ArrowRight}{ArrowUp}');
    expect(move.mock.calls).toEqual([
      [2.1, 2],
      [2, 2.1],
    ]);
  });

  it('draws the outline when there is one, else a frame round the trees', () => {
    expect(extentOf(orchard, [])).toEqual({ x0: 0, y0: 0, x1: 10, y1: 6 });
    const bare = { ...orchard, plot: { ...orchard.plot, outline: [] } };
    expect(extentOf(bare, [])).toEqual({ x0: 0, y0: 0, x1: 12, y1: 8 });
    expect(extentOf(bare, [{ x: 20, y: 3, spread_m: 2 }]).x1).toBe(21);
  });
});

function Day() {
  return <output>{useShown().day}</output>;
}

describe('the season rail', () => {
  const rail = () =>
    show(
      <ShownDay today="2027-02-20">
        <SeasonRail plan={plan()} />
        <Day />
      </ShownDay>,
    );

  it('moves a day and a month by keys and says the day', async () => {
    rail();
    const handle = screen.getByRole('slider', { name: 'Day shown' });
    handle.focus();
    await userEvent.keyboard('{ArrowRight}');
    expect(screen.getByText('2027-02-21')).toBeInTheDocument();
    await userEvent.keyboard('{PageUp}{ArrowLeft}');
    expect(screen.getByText('2027-03-22')).toBeInTheDocument();
    await userEvent.keyboard('{Home}');
    expect(screen.getByText('2026-11-01')).toBeInTheDocument();
    await userEvent.keyboard('{End}');
    expect(handle).toHaveAttribute('aria-valuenow', '364');
  });

  it('goes a year on from a leap day to a day that there is', async () => {
    show(
      <ShownDay today="2028-02-29">
        <SeasonRail plan={plan()} />
        <Day />
      </ShownDay>,
    );
    await userEvent.click(screen.getByRole('button', { name: 'A year on' }));
    expect(screen.getByText('2029-02-28')).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'A year back' }));
    expect(screen.getByText('2028-02-28')).toBeInTheDocument();
  });

  it('goes where it is pressed', () => {
    rail();
    const scale = screen.getByTestId('rail');
    scale.setPointerCapture = vi.fn();
    scale.hasPointerCapture = () => true;
    scale.getBoundingClientRect = () => ({
      left: 0,
      width: 365,
      top: 0,
      height: 56,
      right: 365,
      bottom: 56,
      x: 0,
      y: 0,
      toJSON: () => '',
    });
    fireEvent.pointerDown(scale, { clientX: 31, pointerId: 1 });
    expect(screen.getByText('2026-12-02')).toBeInTheDocument();
    fireEvent.pointerMove(scale, { clientX: 9999, pointerId: 1 });
    expect(screen.getByText('2027-10-31')).toBeInTheDocument();
  });
});
