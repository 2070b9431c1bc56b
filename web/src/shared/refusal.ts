import type { FieldError } from './api';
import { say, type Quantity, type Units } from './units';

/** What a field measures, by the end of its name in the contract. */
const measured: readonly (readonly [end: RegExp, q: Quantity])[] = [
  [/_cm$/, 'cm'],
  [/_mm$/, 'mm'],
  [/_m$/, 'm'],
  [/_kg$|^kilos$/, 'kg'],
  [/_litres$/, 'litre'],
];

/** A number that stands alone: one with its unit behind it was told in the person's units by the program. */
const alone =
  /(?<![\w.])-?\d+(?:\.\d+)?(?![\d.]*(?: to -?[\d.]+)?\s?(?:mm|cm|m|kg|l|ft|in|lb|gal|°|%)(?!\w))(?![\w.])/g;

type Fault = Pick<FieldError, 'field' | 'given' | 'expected'> & { says?: string | undefined };

/** The words of a refusal's numbers: those of the contract are metric and have no unit, and are told in the person's. */
function inUnits({ field, given, expected }: Fault, units: Units): readonly [given: string, expected: string] {
  const q = measured.find(([end]) => end.test(field))?.[1];
  const told = (text: string) => (q ? text.replace(alone, (n) => say(Number(n), q, units)) : text);
  return [told(given), told(expected)];
}

const toldBack = 40; // letters of what was given; what is longer is in sight where it was typed

/** What was refused, beside its field. */
export function refusalOf(fault: Fault, units: Units): string {
  if (fault.says) return fault.says;
  const [given, expected] = inUnits(fault, units);
  return `${given === '' || given.length > toldBack ? '' : `${given} given, `}${expected} expected`;
}

/** What was refused, with the name of its field in plain letters. */
export function refusalSays(fault: Fault, units: Units): string {
  if (fault.says) return fault.says;
  const [given, expected] = inUnits(fault, units);
  const name = fault.field.replace(/_(cm|mm|m|kg|litres)$/, '').replaceAll('_', ' ');
  return `${name}: ${given} given, ${expected} expected`;
}
