import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { blankDraft, clockOffset, placeOf } from './place/draft';
import { addDays, toNumber } from './shared/day';
import { plan, show } from './testing.test-data';
import { DayHours } from './year/DayHours';
import type { Days } from './year/days';
import { HoursChart, weeksOf } from './year/HoursChart';

const job = (task_id: string, mark: string, ...pieces: [string, number][]) => ({
  task_id,
  mark,
  minutes: pieces.reduce((sum, [, m]) => sum + m, 0),
  pieces: pieces.map(([date, minutes]) => ({ date, minutes })),
});

const days = (more: Partial<Days> = {}) =>
  ({
    day: '2027-02-20',
    to: '2027-10-31',
    hours_said: true,
    says: '',
    days: [
      { date: '2027-02-20', has: 120, chosen: 60, lost: false },
      { date: '2027-02-21', has: 120, chosen: 0, lost: true },
      { date: '2027-02-27', has: 90, chosen: 105, lost: false },
    ],
    jobs: [job('a', 'winter', ['2027-02-20', 60], ['2027-02-27', 45]), job('b', 'care', ['2027-02-27', 60])],
    dropped: [],
    waiting: [],
    done: [],
    ...more,
  }) as unknown as Days;

describe('the weeks of a year', () => {
  it('hold every minute that is set in the year, each in its own week', () => {
    const p = plan();
    const weeks = weeksOf(p, days());
    expect(weeks.length).toBe(Math.ceil((toNumber(p.to) - toNumber(p.from) + 1) / 7));
    expect(weeks.reduce((sum, w) => sum + w.total, 0)).toBeCloseTo(165 / 60);
    expect(weeks.reduce((sum, w) => sum + w.has, 0)).toBeCloseTo(330 / 60);
    for (const w of weeks) {
      const byMark = [...w.byMark.values()].reduce((sum, h) => sum + h, 0);
      expect(byMark).toBeCloseTo(w.total);
    }
  });

  it('leave out what lies before or after it', () => {
    const p = plan();
    const outside = [addDays(p.from, -1), addDays(p.to, 30)];
    const weeks = weeksOf(
      p,
      days({ jobs: [job('x', 'winter', [outside[0] ?? '', 60], [outside[1] ?? '', 60])] as never, days: [] }),
    );
    expect(weeks.every((w) => w.total === 0 && w.has === 0)).toBe(true);
    expect(weeksOf(p, undefined).every((w) => w.total === 0)).toBe(true);
  });
});

describe('the hours of a week', () => {
  const chart = (d: Days | undefined) =>
    render(
      <HoursChart
        plan={plan()}
        days={d}
        x={(day) => toNumber(day) - toNumber('2026-11-01') + 60}
        width={800}
        left={60}
      />,
    );

  it('are told in words, with what finds no day and who said the hours', () => {
    chart(days({ dropped: [{}, {}] as never, hours_said: false }));
    expect(screen.getByText(/2 jobs find no day/)).toBeInTheDocument();
    expect(screen.getByText(/Nobody said what hours they have/)).toBeInTheDocument();
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/^Hours a week: week of \d+ February \d\.\d/);
  });

  it('say one job as one, and nothing of none', () => {
    const { unmount } = chart(days({ dropped: [{}] as never }));
    expect(screen.getByText(/One job finds no day/)).toBeInTheDocument();
    unmount();
    const { container } = chart(undefined);
    expect(screen.queryByText(/no day: see/)).toBeNull();
    expect(container.innerHTML).not.toMatch(/NaN|undefined|Infinity/);
  });
});

describe('the hours of a day', () => {
  it('are told: what is set of what one has, and what the weather takes', () => {
    show(<DayHours grid={{ from: '2027-02-15', left: 216, col: 40, width: 1100 }} days={days()} />);
    expect(screen.getByRole('img')).toHaveAccessibleName(
      'Hours: 20 February 1 h of 2 h; 21 February 0 min of 2 h, lost to weather; 27 February 1 h 45 of 1 h 30',
    );
  });

  it('are drawn of days without hours, and of none', () => {
    for (const d of [
      days({ days: [] }),
      days({ days: [{ date: '2027-02-20', has: 0, chosen: 0, lost: false }] as never }),
    ]) {
      const { container, unmount } = show(
        <DayHours grid={{ from: '2027-02-15', left: 8, col: 14, width: 340 }} days={d} />,
      );
      expect(container.innerHTML).not.toMatch(/NaN|undefined|Infinity/);
      unmount();
    }
  });
});

describe('a place as it is said', () => {
  it('lies where coordinates say, else at the town taken, else nowhere', () => {
    const town = { lat: 46.1, lon: 14.5 };
    expect(placeOf(blankDraft)).toBeUndefined();
    expect(placeOf({ ...blankDraft, text: 'Nine Locks', at: town })).toEqual(town);
    expect(placeOf({ ...blankDraft, text: '-33.9, 18.4', at: town })).toEqual({ lat: -33.9, lon: 18.4 });
  });

  it('has the clock of its winter, whole minutes from Greenwich', () => {
    const off = clockOffset();
    expect(Number.isInteger(off)).toBe(true);
    expect(off).toBeGreaterThanOrEqual(-720);
    expect(off).toBeLessThanOrEqual(840);
    const [january, july] = [0, 6].map((m) => -new Date(new Date().getFullYear(), m, 1).getTimezoneOffset());
    expect(off).toBe(Math.min(january ?? 0, july ?? 0));
  });
});
