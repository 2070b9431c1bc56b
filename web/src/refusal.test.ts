import { describe, expect, it } from 'vitest';
import { refusalOf, refusalSays } from './shared/refusal';

describe('a refusal', () => {
  const high = { field: 'height_m', given: '90', expected: 'at most 25' };

  it('tells plain numbers of a measure in the units of the person', () => {
    expect(refusalOf(high, 'metric')).toBe('90 m given, at most 25 m expected');
    expect(refusalSays(high, 'us')).toBe('height: 295 ft 3 in given, at most 82 ft 0 in expected');
    expect(refusalOf({ field: 'people[0].fingertip_cm', given: '2286', expected: '100 to 300' }, 'us')).toBe(
      '900 in given, 39 1/2 in to 118 in expected',
    );
  });

  it('leaves what has its unit, what measures nothing, and sentences', () => {
    expect(refusalOf({ field: 'height_m', given: '40 m', expected: '0.1 to 15 m' }, 'us')).toBe(
      '40 m given, 0.1 to 15 m expected',
    );
    expect(refusalSays({ field: 'cut_mm[0]', given: '12.5 mm', expected: 'above 0 to 1500 mm' }, 'metric')).toBe(
      'cut mm[0]: 12.5 mm given, above 0 to 1500 mm expected',
    );
    expect(refusalSays({ field: 'counted', given: '3', expected: 'at most 2' }, 'us')).toBe(
      'counted: 3 given, at most 2 expected',
    );
    expect(refusalSays({ ...high, says: 'Too high for a tree.' }, 'us')).toBe('Too high for a tree.');
  });

  it('does not tell back what is in sight where it was typed', () => {
    const long = { field: 'name', given: 'x'.repeat(50), expected: 'at most 40 letters' };
    expect(refusalOf(long, 'us')).toBe('at most 40 letters expected');
    expect(refusalOf({ ...long, given: '' }, 'us')).toBe('at most 40 letters expected');
  });
});
