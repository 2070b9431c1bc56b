import type { Schemas } from '../shared/api';

export type Mark = Schemas['Bar']['mark'];

/** How a window is drawn, everywhere: the same hue, pattern and letter on rings, rails and the year. */
export interface MarkStyle {
  name: string;
  letter: string;
  stroke: string;
  text: string;
  wash: string;
  dash: string;
  fruit: boolean;
}

export const marks: Record<Mark, MarkStyle> = {
  winter: {
    name: 'winter cut',
    letter: 'W',
    stroke: 'var(--winter)',
    text: 'var(--winter-text)',
    wash: 'var(--winter-wash)',
    dash: '',
    fruit: false,
  },
  bloom: {
    name: 'bloom cut',
    letter: 'B',
    stroke: 'var(--spring)',
    text: 'var(--spring-text)',
    wash: 'var(--spring-wash)',
    dash: '1.6 1.4',
    fruit: false,
  },
  summer: {
    name: 'summer cut',
    letter: 'S',
    stroke: 'var(--summer)',
    text: 'var(--summer-text)',
    wash: 'var(--summer-wash)',
    dash: '5 2',
    fruit: false,
  },
  thin: {
    name: 'thin',
    letter: 'T',
    stroke: 'var(--leaf)',
    text: 'var(--leaf)',
    wash: 'var(--leaf-wash)',
    dash: '2.6 1.8',
    fruit: true,
  },
  pick: {
    name: 'pick',
    letter: 'P',
    stroke: 'var(--autumn)',
    text: 'var(--autumn-text)',
    wash: 'var(--sheet)',
    dash: '',
    fruit: true,
  },
  care: {
    name: 'care',
    letter: 'c',
    stroke: 'var(--rule-strong)',
    text: 'var(--quiet)',
    wash: 'var(--ground)',
    dash: '1 3',
    fruit: false,
  },
};

export function markOf(mark: Mark): MarkStyle {
  return marks[mark];
}

export const drawnMarks = ['winter', 'bloom', 'summer', 'thin', 'pick'] as const;
