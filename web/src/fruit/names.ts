import type { FruitSide } from './queries';

/** The limb's own wood is part 0, its side limbs are numbered from base to tip. */
export function sideName(s: Pick<FruitSide, 'id'>, k: number): string {
  return s.id === '' ? 'own wood' : `lateral ${String(k)}`;
}

const classes: Record<string, string> = {
  own: 'own wood',
  strong: 'strong',
  normal: 'of usual strength',
  weak: 'weak',
  hanging: 'hanging',
  hanging_weak: 'weak and hanging',
};

export const className = (c: string) => classes[c] ?? c;
