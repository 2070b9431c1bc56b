import type { Units } from '../shared/units';

/** A scale of lengths on a drawing: marks so far apart, in cm, and what stands at each. */
export interface Scale {
  step: number;
  says: (cm: number) => string;
}

const inch = 2.54;
const footIn = 12;

/** Steps of a scale in inches and feet. */
const steps = [3, 6, 12, 24, 36, 60, 120] as const;

/** The scale of a drawing in the person's units: in metric as given, else at round inches or feet about as far apart. */
export function scaleOf(units: Units, metric: Scale): Scale {
  if (units === 'metric') return metric;
  const off = (s: number) => Math.abs(Math.log((s * inch) / metric.step));
  const step = steps.reduce((best, s) => (off(s) < off(best) ? s : best));
  const whole = (cm: number, per: number) => String(Math.round(cm / inch / per));
  return {
    step: step * inch,
    says: (cm) => (step < footIn ? `${whole(cm, 1)} in` : `${whole(cm, footIn)} ft`),
  };
}

/** Heights on a drawing of a tree. */
export const heights = (units: Units, step = 50): Scale =>
  scaleOf(units, { step, says: (cm) => `${String(cm / 100)} m` });

/** Lengths on a drawing of a limb or a young tree, by the centimetre. */
export const lengths = (units: Units, step: number): Scale =>
  scaleOf(units, { step, says: (cm) => `${String(cm)} cm` });

/** The marks of a scale between two lengths. */
export function marksOf(scale: Scale, from: number, to: number): number[] {
  const first = Math.ceil(from / scale.step - 1e-9);
  const last = Math.floor(to / scale.step + 1e-9);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * scale.step);
}
