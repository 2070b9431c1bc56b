import { first, path, span } from './season/season';
import {
  addDays,
  between,
  fromNumber,
  isDay,
  language,
  long,
  monthName,
  monthStarts,
  onWeekday,
  plain,
  short,
  toNumber,
  weekday,
  weekdayLong,
  withYear,
} from './shared/day';
import { minutes, monday } from './year/days';
import { lanes } from './year/lanes';
import type { Bar } from './shared/api';

const every = (from: string, n: number, step: number) => Array.from({ length: n }, (_, k) => addDays(from, k * step));

describe('days', () => {
  it('count forward and back through leap years and turns of the clock', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2027-02-28', 1)).toBe('2027-03-01');
    expect(addDays('2027-01-01', -1)).toBe('2026-12-31');
    expect(between('2027-03-27', '2027-03-29')).toBe(2); // clocks are put forward on the 28th
    for (const d of every('2024-01-01', 500, 11)) {
      expect(fromNumber(toNumber(d))).toBe(d);
      expect(between(d, addDays(d, 400))).toBe(400);
    }
  });

  it('are those of the calendar, and nothing else', () => {
    for (const d of ['2027-02-28', '2028-02-29', '2027-12-31']) expect(isDay(d)).toBe(true);
    for (const d of [
      null,
      undefined,
      '',
      'today',
      '2027-2-3',
      '2027-13-01',
      '2027-02-30',
      '2027-02-29',
      '2027-04-31',
      '2027-00-10',
    ])
      expect(isDay(d)).toBe(false);
  });

  it('are written as the browser would write them in that language', () => {
    const ways: [(day: string) => string, Intl.DateTimeFormatOptions][] = [
      [short, { day: 'numeric', month: 'short' }],
      [long, { weekday: 'short', day: 'numeric', month: 'long', year: 'numeric' }],
      [onWeekday, { weekday: 'short', day: 'numeric', month: 'short' }],
      [weekdayLong, { weekday: 'long', day: 'numeric', month: 'long' }],
      [weekday, { weekday: 'short' }],
      [plain, { day: 'numeric', month: 'long' }],
      [withYear, { day: 'numeric', month: 'long', year: 'numeric' }],
      [monthName, { month: 'short' }],
    ];
    for (const [ours, options] of ways) {
      const theirs = new Intl.DateTimeFormat(language, { ...options, timeZone: 'UTC' });
      for (const d of every('2027-12-01', 400, 1)) expect(ours(d)).toBe(theirs.format(new Date(d)));
    }
  });

  it('are told in one language, wherever the browser is', () => {
    const d = '2027-02-20';
    expect([short(d), long(d), onWeekday(d), weekday(d), plain(d), withYear(d), monthName(d), weekdayLong(d)]).toEqual([
      '20 Feb',
      'Sat, 20 February 2027',
      'Sat 20 Feb',
      'Sat',
      '20 February',
      '20 February 2027',
      'Feb',
      'Saturday 20 February',
    ]);
  });

  it('begin a month once', () => {
    expect(monthStarts('2026-11-01', '2027-02-10')).toEqual(['2026-11-01', '2026-12-01', '2027-01-01', '2027-02-01']);
    expect(monthStarts('2026-11-02', '2026-11-30')).toEqual([]);
    expect(monthStarts('2026-05-01', '2027-04-30')).toHaveLength(12);
  });

  it('belong to the week of the Monday before them', () => {
    for (const d of every('2024-12-20', 400, 3)) {
      const m = monday(d);
      expect(weekday(m)).toBe('Mon');
      expect(between(m, d)).toBeGreaterThanOrEqual(0);
      expect(between(m, d)).toBeLessThan(7);
      expect(monday(m)).toBe(m);
    }
  });
});

describe('a span of days', () => {
  it('names its month once where both lie in it', () => {
    expect(span('2027-04-11', '2027-04-18')).toBe('11 to 18 April');
    expect(span('2027-03-28', '2027-04-02')).toBe('28 March to 2 April');
    expect(span('2027-04-11', '2027-04-11')).toBe('11 April');
    expect(span('2026-04-11', '2027-04-11')).toBe('11 April to 11 April');
  });
});

describe('minutes', () => {
  it('are told to five, as the program tells them, and never as none', () => {
    expect([0, 0.4, 3, 7.4, 7.6, 42, 57.6, 62.4, 75, 118, 240].map(minutes)).toEqual([
      '0 min',
      '5 min',
      '5 min',
      '5 min',
      '10 min',
      '40 min',
      '1 h',
      '1 h',
      '1 h 15',
      '2 h',
      '4 h',
    ]);
  });

  it('never tell less for more', () => {
    const asNumber = (m: number) => {
      const [, h, rest] = /^(?:(\d+) h)? ?(\d+)?/.exec(minutes(m)) ?? [];
      return 60 * Number(h ?? 0) + Number(rest ?? 0);
    };
    for (let m = 0; m < 400; m++) expect(asNumber(m + 1)).toBeGreaterThanOrEqual(asNumber(m));
  });
});

describe('lanes', () => {
  const bars = (seed: number) => {
    let s = seed;
    const r = () => (s = (s * 1103515245 + 12345) % 2147483648) / 2147483648;
    return Array.from({ length: 12 }, (_, k) => {
      const opens = addDays('2026-11-01', Math.floor(300 * r()));
      return { id: `b${String(k)}`, opens, closes: addDays(opens, Math.floor(60 * r())) } as Bar;
    });
  };

  it('hide no window behind another, and are no more than it takes', () => {
    for (let seed = 1; seed < 40; seed++) {
      const all = bars(seed);
      const laid = lanes(all);
      expect(laid.map((l) => l.bar.id).sort()).toEqual(all.map((b) => b.id).sort());
      for (const a of laid)
        for (const b of laid)
          if (a !== b && a.lane === b.lane) expect(a.bar.closes < b.bar.opens || b.bar.closes < a.bar.opens).toBe(true);
      const open = every('2026-11-01', 365, 1).map((d) => all.filter((b) => b.opens <= d && d <= b.closes).length);
      expect(Math.max(...laid.map((l) => l.lane)) + 1).toBe(Math.max(...open));
    }
  });

  it('leave the list they are given as it was', () => {
    const all = bars(3);
    const before = all.map((b) => b.id);
    lanes(all);
    expect(all.map((b) => b.id)).toEqual(before);
    expect(lanes([])).toEqual([]);
  });
});

describe('small words', () => {
  it('begin a sentence, and draw a way through points', () => {
    expect(first('petal fall')).toBe('Petal fall');
    expect(first('')).toBe('');
    expect(
      path([
        [0, 1],
        [2.26, 3],
      ]),
    ).toBe('M0.0 1.0L2.3 3.0');
    expect(path([])).toBe('');
  });
});
