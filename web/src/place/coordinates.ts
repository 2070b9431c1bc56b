/** A point on the globe: degrees, north and east positive. */
export interface LatLon {
  lat: number;
  lon: number;
}

interface Reading {
  degrees: number;
  letter: string;
}

const token = /([+-]?\d+(?:[.,]\d+)?)|([°'"′″’”])|([NSEWOnsewo])|([,;\s]+)|(.)/gu;
const minuteMarks = "'′’";
const secondMarks = '"″”';

/** The coordinates in a text, as people write them: with a comma or a point, in degrees, minutes and seconds, with N, S, E, W or a sign. */
function readings(text: string): Reading[] | null {
  const out: { parts: number[]; sign: number; letter: string; asked: boolean }[] = [];
  let before = '';
  for (const [, number, mark, letter, , other] of text.trim().matchAll(token)) {
    const last = out.at(-1);
    if (other) return null;
    if (number) {
      const value = Number(number.replace(',', '.'));
      if (!Number.isFinite(value)) return null;
      // a number after degrees or minutes that were marked as such belongs to them
      if (last?.asked && last.parts.length < 3 && !/^[+-]/.test(number)) last.parts.push(value);
      else {
        const sign = number.startsWith('-') ? -1 : 1;
        out.push({ parts: [Math.abs(value)], sign, letter: before, asked: false });
        before = '';
        continue;
      }
      last.asked = false;
    } else if (mark) {
      if (!last) return null;
      if (mark === '°') last.asked = true;
      else if (minuteMarks.includes(mark)) {
        const previous = out.at(-2);
        if (last.parts.length === 1 && previous?.parts.length === 1 && previous.letter === '') {
          previous.parts.push(last.parts[0] ?? 0); // 47 6': degrees without their mark
          out.pop();
          previous.asked = true;
        } else last.asked = true;
      } else if (secondMarks.includes(mark)) last.asked = false;
    } else if (letter) {
      const l = letter.toUpperCase().replace('O', 'E');
      if (last && last.letter === '') {
        last.letter = l;
        last.asked = false;
      } else before = l;
    }
  }
  return out.map(({ parts, sign, letter }) => ({
    degrees: ((parts[0] ?? 0) + (parts[1] ?? 0) / 60 + (parts[2] ?? 0) / 3600) * sign * (/[SW]/.test(letter) ? -1 : 1),
    letter,
  }));
}

const round = (x: number) => Math.round(x * 1e5) / 1e5;

/** Latitude and longitude in a text, north first unless letters say otherwise; undefined where it holds none. */
export function readLatLon(text: string): LatLon | undefined {
  const [a, b, ...more] = readings(text) ?? [];
  if (!a || !b || more.length > 0) return undefined;
  const swapped = /[EW]/.test(a.letter) || /[NS]/.test(b.letter);
  if (swapped && (/[NS]/.test(a.letter) || /[EW]/.test(b.letter))) return undefined;
  const [lat, lon] = swapped ? [b.degrees, a.degrees] : [a.degrees, b.degrees];
  if (Math.abs(lat) > 90 || Math.abs(lon) > 180) return undefined;
  return { lat: round(lat), lon: round(lon) };
}

/** One coordinate in a text; undefined where it holds none, or more. */
export function readDegrees(text: string): number | undefined {
  const r = readings(text);
  return r?.length === 1 && r[0] ? round(r[0].degrees) : undefined;
}

/** 46.9° N, 15.4° E */
export function sayLatLon({ lat, lon }: LatLon): string {
  const one = (v: number, plus: string, minus: string) => `${Math.abs(v).toFixed(1)}° ${v < 0 ? minus : plus}`;
  return `${one(lat, 'N', 'S')}, ${one(lon, 'E', 'W')}`;
}
