/** The person's units, on the way in and out; the program keeps metres, centimetres, millimetres and kilos. */
export type Units = 'metric' | 'us';

interface Measure {
  metric: { unit: string; per: number; digits: number };
  us: { unit: string; per: number; digits: number };
}

const measures = {
  m: { metric: { unit: 'm', per: 1, digits: 2 }, us: { unit: 'ft', per: 0.3048, digits: 1 } },
  cm: { metric: { unit: 'cm', per: 1, digits: 0 }, us: { unit: 'in', per: 2.54, digits: 1 } },
  mm: { metric: { unit: 'mm', per: 1, digits: 0 }, us: { unit: 'in', per: 25.4, digits: 2 } },
  kg: { metric: { unit: 'kg', per: 1, digits: 1 }, us: { unit: 'lb', per: 0.45359237, digits: 1 } },
  g: { metric: { unit: 'g', per: 1, digits: 0 }, us: { unit: 'oz', per: 28.349523, digits: 1 } },
  litre: { metric: { unit: 'l', per: 1, digits: 0 }, us: { unit: 'gal', per: 3.78541, digits: 1 } },
  count: { metric: { unit: '', per: 1, digits: 2 }, us: { unit: '', per: 1, digits: 2 } },
  m2: { metric: { unit: 'm²', per: 1, digits: 1 }, us: { unit: 'sq ft', per: 0.09290304, digits: 0 } },
  cm2: { metric: { unit: 'cm²', per: 1, digits: 1 }, us: { unit: 'sq in', per: 6.4516, digits: 1 } },
} satisfies Record<string, Measure>;

export type Quantity = keyof typeof measures;

export function unitOf(q: Quantity, units: Units): string {
  return measures[q][units].unit;
}

/** A number as the person reads it, without trailing zeros. */
export function show(value: number, q: Quantity, units: Units): string {
  const m = measures[q][units];
  return String(Number((value / m.per).toFixed(m.digits)));
}

const footIn = 12;
const fourFeetIn = 48;

/** Inches as a tape has them: to the eighth below a foot, to the half below four, whole beyond. */
function inches(x: number): string {
  if (x < 0) return `-${inches(-x)}`;
  const parts = x < footIn ? 8 : x < fourFeetIn ? 2 : 1;
  const n = Math.round(x * parts);
  if (n === 0 && x > 0) return 'under 1/8';
  const whole = Math.floor(n / parts);
  let rest = n % parts;
  let of = parts;
  if (rest === 0) return String(whole);
  while (rest % 2 === 0) {
    rest /= 2;
    of /= 2;
  }
  return `${whole > 0 ? `${String(whole)} ` : ''}${String(rest)}/${String(of)}`;
}

/** Whole inches as feet and inches; below a foot, as inches alone. */
function feet(all: number): string {
  if (all < 0) return `-${feet(-all)}`;
  const over = `${String(all % footIn)} in`;
  return all < footIn ? over : `${String(Math.floor(all / footIn))} ft ${over}`;
}

/** An amount in a sentence: as the program's own sentences have it. */
export function say(value: number, q: Quantity, units: Units): string {
  if (units === 'us' && (q === 'cm' || q === 'mm')) return `${inches(value / measures[q].us.per)} in`;
  if (units === 'us' && q === 'm') return feet(Math.round(value / 0.0254));
  return `${show(value, q, units)} ${unitOf(q, units)}`;
}

/** So many to the metre or square metre, as so many to the foot or square foot where the person reads those. */
export const perUnit = (value: number, q: 'm' | 'm2', units: Units): number => value * measures[q][units].per;

/** A height in cm, always to the centimetre, so that heights compare. */
export function tall(cm: number, units: Units): string {
  return units === 'metric' ? `${(cm / 100).toFixed(2)} m` : say(cm / 100, 'm', units);
}

/** A height in cm where there is little room: as feet and inches are marked on a drawing. */
export function tight(cm: number, units: Units): string {
  if (units === 'metric') return (cm / 100).toFixed(2);
  const all = Math.round(cm / measures.cm.us.per);
  return all < footIn ? `${String(all)}″` : `${String(Math.floor(all / footIn))}′ ${String(all % footIn)}″`;
}

/** The same amount in the other units, for a hover. */
export function other(value: number, q: Quantity, units: Units): string {
  return say(value, q, units === 'metric' ? 'us' : 'metric');
}

/** A plain number as typed, its decimal comma and a minus as it is printed too; NaN when it is none. */
export const plainNumber = (text: string): number =>
  text.trim() === '' ? NaN : Number(text.trim().replace(',', '.').replace('−', '-'));

/** A number as typed: 3.5, 3,5, 7/8 or 3 1/2; NaN when it is none. */
function typed(text: string): number {
  const m = /^\s*(?:(\d+)\s+)?(\d+)\/([1-9]\d*)\s*$/.exec(text);
  if (m) return Number(m[1] ?? 0) + Number(m[2]) / Number(m[3]);
  return plainNumber(text);
}

/** What a person typed, in the program's units; undefined when it is no number. */
export function read(text: string, q: Quantity, units: Units): number | undefined {
  const v = typed(text);
  if (!Number.isFinite(v)) return undefined;
  return Math.round(v * measures[q][units].per * 1e4) / 1e4;
}

/** The degree of a person's thermometer. */
export const degree = (units: Units): string => (units === 'us' ? '°F' : '°C');

/** A temperature, kept in °C, as the person reads it. */
export function showTemp(c: number, units: Units): string {
  return String(Math.round((units === 'us' ? c * 1.8 + 32 : c) * 10) / 10).replace('-', '−');
}

/** A temperature typed, in °C; undefined when it is no number. */
export function readTemp(text: string, units: Units): number | undefined {
  const v = plainNumber(text);
  if (!Number.isFinite(v)) return undefined;
  return Math.round((units === 'us' ? (v - 32) / 1.8 : v) * 100) / 100;
}

/** A name cut to a length, for places that hold no more. */
export function clip(name: string, most: number): string {
  return name.length > most ? `${name.slice(0, most - 1)}…` : name;
}

/** A counted thing: 1 tree, 2 trees. */
export function count(n: number, thing: string): string {
  return `${String(n)} ${thing}${n === 1 ? '' : 's'}`;
}

export function percent(share: number): string {
  if (share > 0 && share < 0.005) return 'under 1 %';
  return `${String(Math.round(share * 100))} %`;
}
