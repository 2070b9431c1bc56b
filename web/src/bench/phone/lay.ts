/** How a phone lies: the direction its top points to, by compass, and the angle of its long side from vertical (0 up, 90 level). */
export interface Lie {
  azimuth: number;
  angle: number;
}

const deg = 180 / Math.PI;
const turn = (a: number) => ((a % 360) + 360) % 360;

/** The difference of two directions, -180 to 180 degrees. */
export const apart = (a: number, b: number) => turn(a - b + 180) - 180;

/**
 * The lie of a phone from its orientation as browsers tell it (W3C Device Orientation: turns about z by alpha, x by beta, y by gamma, in
 * degrees; earth's x east, y north, z up). The long side of the phone is its y; gamma turns about it and changes nothing.
 */
export function lieOf(alpha: number, beta: number): Lie {
  const a = alpha / deg;
  const b = beta / deg;
  const east = -Math.sin(a) * Math.cos(b);
  const north = Math.cos(a) * Math.cos(b);
  const up = Math.sin(b);
  return { azimuth: turn(Math.atan2(east, north) * deg), angle: Math.acos(Math.max(-1, Math.min(1, up))) * deg };
}

/** What turns a phone's compass to true directions, in degrees to add. */
export interface Correction {
  /** Of the place: true north minus magnetic north. */
  declination: number;
  /** Of the phone, against a wall of known direction. */
  offset: number;
}

export const corrected = (l: Lie, c: Correction): Lie => ({
  ...l,
  azimuth: turn(l.azimuth + c.declination + c.offset),
});

/** Several readings as one: the mean of the directions round the circle, and how far apart they are. */
export function together(readings: readonly Lie[]): { mean: Lie; spread: Lie } | undefined {
  if (readings.length === 0) return undefined;
  const angle = readings.reduce((sum, r) => sum + r.angle, 0) / readings.length;
  const east = readings.reduce((sum, r) => sum + Math.sin(r.azimuth / deg), 0);
  const north = readings.reduce((sum, r) => sum + Math.cos(r.azimuth / deg), 0);
  const azimuth = turn(Math.atan2(east, north) * deg);
  const far = (f: (r: Lie) => number) => Math.max(...readings.map((r) => Math.abs(f(r))));
  return {
    mean: { azimuth, angle },
    spread: { azimuth: far((r) => apart(r.azimuth, azimuth)), angle: far((r) => r.angle - angle) },
  };
}

/** How far readings may differ and still be one; our own estimate of a steady hand and a phone's compass beside wood. */
export const mostApart: Lie = { azimuth: 12, angle: 4 };

export const readingsWanted = 3;
