import { describe, expect, it } from 'vitest';
import { shapeOf } from './drawing/treeFrame';

describe('the outline of a form', () => {
  it('is a bowl, a cone, a bush or a fan', () => {
    const of = (...forms: string[]) => new Set(forms.map(shapeOf));
    expect(of('open-vase', 'four-arm')).toEqual(new Set(['bowl']));
    expect(of('central-leader', 'slim-leader')).toEqual(new Set(['cone']));
    expect(of('low-bush')).toEqual(new Set(['bush']));
    expect(of('wire-tiers', 'flat-fan', 'step-over')).toEqual(new Set(['fan']));
    expect(of('modified-leader', 'late-leader', 'shrub')).toEqual(new Set(['round']));
  });
});
