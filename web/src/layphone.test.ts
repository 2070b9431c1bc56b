// @vitest-environment node
import { apart, corrected, lieOf, mostApart, together } from './bench/phone/lay';
import { declinationAt } from './bench/phone/north';

test('a phone that lies flat points where its top points, and one that stands points up', () => {
  expect(lieOf(0, 0)).toEqual({ azimuth: 0, angle: 90 });
  expect(lieOf(90, 0).azimuth).toBeCloseTo(270); // alpha turns against the compass
  expect(lieOf(270, 0).azimuth).toBeCloseTo(90);
  expect(lieOf(0, 90).angle).toBeCloseTo(0);
  const half = lieOf(315, 45);
  expect(half.azimuth).toBeCloseTo(45);
  expect(half.angle).toBeCloseTo(45);
  // past upright it leans to the other side
  const over = lieOf(0, 120);
  expect(over.azimuth).toBeCloseTo(180);
  expect(over.angle).toBeCloseTo(30);
  expect(lieOf(0, -30).angle).toBeCloseTo(120); // it hangs
});

test('directions are averaged round the circle, with how far they are apart', () => {
  const all = together([
    { azimuth: 355, angle: 50 },
    { azimuth: 5, angle: 54 },
    { azimuth: 0, angle: 52 },
  ]);
  expect(apart(all?.mean.azimuth ?? 180, 0)).toBeCloseTo(0);
  expect(all?.mean.angle).toBeCloseTo(52);
  expect(all?.spread.azimuth).toBeCloseTo(5);
  expect(all?.spread.angle).toBeCloseTo(2);
  expect(together([])).toBeUndefined();
  const far = together([
    { azimuth: 350, angle: 50 },
    { azimuth: 30, angle: 50 },
  ]);
  expect(far?.spread.azimuth).toBeGreaterThan(mostApart.azimuth);
});

test('the compass is corrected for the place and the phone', () => {
  expect(corrected({ azimuth: 358, angle: 40 }, { declination: 5, offset: -1 })).toEqual({ azimuth: 2, angle: 40 });
  // values of the world magnetic model of 2025, its published test table: at 80 north, 0 east, 2025.0
  expect(declinationAt(80, 0, '2025-01-01')).toBeCloseTo(1.28, 0);
  expect(declinationAt(-80, 240, '2025-01-01')).toBeCloseTo(68.78, 0);
});
