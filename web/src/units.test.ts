import { addDays, between, isDay, monthStarts } from './shared/day';
import { plainNumber, read, say, show, readTemp, showTemp } from './shared/units';
import { readPoints, writePoints } from './setup/PlotForm';
import { angleOf, arc, inYear, shareOfYear } from './drawing/time';
import { lanes } from './year/lanes';
import { minutes, monday, type Days } from './year/days';
import { weeksOf } from './year/HoursChart';
import type { Bar, Plan, TreeSummary } from './shared/api';
import { crowns } from './drawing/YardPlan';

describe('days', () => {
  it('count across leap years and clock changes', () => {
    expect(addDays('2028-02-28', 2)).toBe('2028-03-01');
    expect(between('2027-03-27', '2027-03-29')).toBe(2);
    expect(isDay('2027-02-30x')).toBe(false);
    expect(isDay(null)).toBe(false);
  });
  it('list the first days of the months of a tree year', () => {
    const m = monthStarts('2026-11-01', '2027-10-31');
    expect(m).toHaveLength(12);
    expect(m[0]).toBe('2026-11-01');
    expect(monthStarts('2026-05-01', '2027-04-30')[8]).toBe('2027-01-01');
  });
});

describe('units', () => {
  it('go in and out without loss a person would see', () => {
    expect(say(2.3, 'm', 'metric')).toBe('2.3 m');
    expect(say(2.3, 'm', 'us')).toBe('7 ft 7 in');
    expect(read(show(110, 'mm', 'us'), 'mm', 'us')).toBeCloseTo(110, 0);
    expect(read('2,5', 'm', 'metric')).toBe(2.5);
    expect(read('', 'm', 'metric')).toBeUndefined();
    expect(read('tall', 'm', 'metric')).toBeUndefined();
  });
  it('tell inches as a tape has them, and read them so', () => {
    expect(say(22, 'mm', 'us')).toBe('7/8 in');
    expect(say(1, 'mm', 'us')).toBe('under 1/8 in');
    expect(say(8, 'cm', 'us')).toBe('3 1/8 in');
    expect(say(40, 'cm', 'us')).toBe('15 1/2 in');
    expect(say(120, 'cm', 'us')).toBe('47 in');
    expect(say(0, 'cm', 'us')).toBe('0 in');
    expect(read('3 1/8', 'cm', 'us')).toBeCloseTo(7.94, 2);
    expect(read('7/8', 'mm', 'us')).toBeCloseTo(22.2, 1);
    expect(read('1/0', 'mm', 'us')).toBeUndefined();
  });
  it('read corners and say when they cannot', () => {
    expect(readPoints('0 0; 16 0; 16 12', 'metric')).toEqual([
      { x: 0, y: 0 },
      { x: 16, y: 0 },
      { x: 16, y: 12 },
    ]);
    expect(readPoints('0 0; 16', 'metric')).toBeUndefined();
    expect(readPoints(writePoints([{ x: 1.5, y: 2 }], 'metric'), 'metric')).toEqual([{ x: 1.5, y: 2 }]);
  });
});

describe('time as a place', () => {
  it('is one scale for rail, ring and year', () => {
    expect(shareOfYear('2026-11-01', '2026-11-01', '2027-10-31')).toBe(0);
    expect(angleOf('2027-05-02', '2026-11-01', '2027-10-31')).toBeCloseTo(179.5, 0);
    expect(inYear('2026-10-01', '2026-11-20', '2026-11-01', '2027-10-31')).toEqual(['2026-11-01', '2026-11-20']);
    expect(inYear('2026-09-01', '2026-10-20', '2026-11-01', '2027-10-31')).toBeUndefined();
    expect(arc(0, 0, 10, 0, 90)).toBe('M0.00 -10.00A10 10 0 0 1 10.00 0.00');
  });
  it('lays bars that overlap in lanes of their own', () => {
    const bar = (id: string, opens: string, closes: string) => ({ id, opens, closes }) as Bar;
    const got = lanes([
      bar('a', '2027-01-01', '2027-02-01'),
      bar('b', '2027-01-15', '2027-03-01'),
      bar('c', '2027-02-02', '2027-03-01'),
    ]);
    expect(got.map((g) => `${g.bar.id}${String(g.lane)}`)).toEqual(['a0', 'b1', 'c0']);
  });
  it('adds the hours of a week by mark', () => {
    const plan = { from: '2026-11-01', to: '2027-10-31' } as unknown as Plan;
    const pieces = [
      { date: '2026-11-03', minutes: 60 },
      { date: '2026-11-07', minutes: 120 },
    ];
    const days = {
      days: [{ date: '2026-11-07', has: 240, chosen: 120, lost: false }],
      jobs: [{ task_id: 'a', mark: 'thin', pieces }],
    } as unknown as Days;
    const weeks = weeksOf(plan, days);
    expect(weeks[0]?.has).toBe(4);
    expect(weeks[0]?.total).toBe(3);
    expect(weeks[0]?.byMark.get('thin')).toBe(3);
    expect(weeks).toHaveLength(53);
  });
});

describe('three weeks', () => {
  it('begin on the Monday of the day’s week', () => {
    expect(monday('2027-02-20')).toBe('2027-02-15');
    expect(monday('2027-02-15')).toBe('2027-02-15');
    expect(monday('2027-02-21')).toBe('2027-02-15');
  });
  it('say minutes as hours', () => {
    expect(minutes(45)).toBe('45 min');
    expect(minutes(75)).toBe('1 h 15');
    expect(minutes(120)).toBe('2 h');
  });
});

describe('crowns', () => {
  it('are one for the trees of one hole', () => {
    const t = (id: string, x: number, hole?: string) =>
      ({ id, x, y: 0, spread_m: 1, hole, estimated: false }) as TreeSummary;
    const got = crowns([t('a', 0), t('b', 4, 'h'), t('c', 4.4, 'h')]);
    expect(got).toHaveLength(2);
    expect(got[1]?.x).toBeCloseTo(4.2);
    expect(got[1]?.spread_m).toBeCloseTo(1.4);
  });
});

describe('temperatures', () => {
  it('go in and out by the person’s thermometer', () => {
    expect(readTemp('28,4', 'us')).toBe(-2);
    expect(readTemp('-2', 'metric')).toBe(-2);
    expect(readTemp('−2', 'metric')).toBe(-2);
    expect(readTemp('', 'us')).toBeUndefined();
    expect(showTemp(-2, 'us')).toBe('28.4');
    expect(showTemp(-2, 'metric')).toBe('−2');
    expect(readTemp(showTemp(-7.5, 'us'), 'us')).toBe(-7.5);
  });
});

describe('a plain number as typed', () => {
  it('may have a decimal comma, or a minus as it is printed', () => {
    expect(['3.5', ' 3,5 ', '-2', '−2', '0', '12'].map(plainNumber)).toEqual([3.5, 3.5, -2, -2, 0, 12]);
    for (const none of ['', '  ', 'some', '1,2,3', '--3', '3 m']) expect(plainNumber(none)).toBeNaN();
  });
});
