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

/** A way of writing a day. Its formatter is made once, when first asked for: making one takes longer than a screen's worth of writing. */
function writer(options: Intl.DateTimeFormatOptions): (day: Day) => string {
  let made: Intl.DateTimeFormat | undefined;
  return (day) => {
    made ??= new Intl.DateTimeFormat(language, { ...options, timeZone: 'UTC' });
    return made.format(new Date(`${day}T00:00:00Z`));
  };
}

/** 20 Feb. */
export const short = writer({ day: 'numeric', month: 'short' });

/** Sat, 20 February 2027. */
export const long = writer({ weekday: 'short', day: 'numeric', month: 'long', year: 'numeric' });

/** Sat 20 Feb. */
export const onWeekday = writer({ weekday: 'short', day: 'numeric', month: 'short' });

/** Saturday 20 February. */
export const weekdayLong = writer({ weekday: 'long', day: 'numeric', month: 'long' });

/** Sat. */
export const weekday = writer({ weekday: 'short' });

/** 20 February. */
export const plain = writer({ day: 'numeric', month: 'long' });

/** 20 February 2027. */
export const withYear = writer({ day: 'numeric', month: 'long', year: 'numeric' });

/** Feb. */
export const monthName = writer({ month: 'short' });

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
