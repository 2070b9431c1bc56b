/** Days are text as YYYY-MM-DD; arithmetic runs on whole days of UTC so that no clock change moves them. */
export type Day = string;

const ms = 86_400_000;

export function toNumber(day: Day): number {
  return Math.round(Date.parse(`${day}T00:00:00Z`) / ms);
}

export function fromNumber(n: number): Day {
  return new Date(n * ms).toISOString().slice(0, 10);
}

export function addDays(day: Day, n: number): Day {
  return fromNumber(toNumber(day) + n);
}

export function between(from: Day, to: Day): number {
  return toNumber(to) - toNumber(from);
}

export function isDay(text: string | null | undefined): text is Day {
  if (!text || !/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const n = toNumber(text);
  return !Number.isNaN(n) && fromNumber(n) === text; // the 30th of February is read as a day of March
}

/** Dates are written as the program's sentences write them, so that a screen speaks one language. */
export const language = 'en-GB';

const weekdays = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;
const months = [
  ['January', 'Jan'],
  ['February', 'Feb'],
  ['March', 'Mar'],
  ['April', 'Apr'],
  ['May', 'May'],
  ['June', 'Jun'],
  ['July', 'Jul'],
  ['August', 'Aug'],
  ['September', 'Sept'],
  ['October', 'Oct'],
  ['November', 'Nov'],
  ['December', 'Dec'],
] as const;

/**
 * The parts of a day as they are written. They come from the two lists above: to load the browser's own formatter takes longer than all
 * the writing of a screen, and days.test.ts holds both to the same text.
 */
function written(day: Day): { weekday: string; date: string; month: string; monthShort: string; year: string } {
  const at = new Date(`${day}T00:00:00Z`);
  const [month, monthShort] = months[at.getUTCMonth()] ?? ['', ''];
  return {
    weekday: weekdays[at.getUTCDay()] ?? '',
    date: String(at.getUTCDate()),
    month,
    monthShort,
    year: String(at.getUTCFullYear()),
  };
}

/** 20 Feb. */
export function short(day: Day): string {
  const w = written(day);
  return `${w.date} ${w.monthShort}`;
}

/** Sat, 20 February 2027. */
export function long(day: Day): string {
  return `${weekday(day)}, ${withYear(day)}`;
}

/** Sat 20 Feb. */
export function onWeekday(day: Day): string {
  return `${weekday(day)} ${short(day)}`;
}

/** Saturday 20 February. */
export function weekdayLong(day: Day): string {
  return `${written(day).weekday} ${plain(day)}`;
}

/** Sat. */
export function weekday(day: Day): string {
  return written(day).weekday.slice(0, 3);
}

/** 20 February. */
export function plain(day: Day): string {
  const w = written(day);
  return `${w.date} ${w.month}`;
}

/** 20 February 2027. */
export function withYear(day: Day): string {
  return `${plain(day)} ${written(day).year}`;
}

/** Feb. */
export function monthName(day: Day): string {
  return written(day).monthShort;
}

/** The first days of the months from one day to another. */
export function monthStarts(from: Day, to: Day): Day[] {
  const out: Day[] = [];
  let year = Number(from.slice(0, 4));
  let month = Number(from.slice(5, 7));
  for (;;) {
    const d = `${year}-${String(month).padStart(2, '0')}-01`;
    if (d > to) return out;
    if (d >= from) out.push(d);
    month += 1;
    if (month > 12) {
      month = 1;
      year += 1;
    }
  }
}
