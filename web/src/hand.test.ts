// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { act, beside, emptyHand, type Act, type Hand } from './bench/hand';

const after = (...acts: Act[]): Hand => acts.reduce(act, emptyHand);

describe('what is in hand at the bench', () => {
  it('is one limb: choosing another lets its finding go and ends rubbing', () => {
    const h = after(
      { do: 'finding', finding: 'B', limb: 'S1' },
      { do: 'rubbing', rubbing: true },
      { do: 'limb', limb: 'S2' },
    );
    expect(h).toMatchObject({ limb: 'S2', finding: '', rubbing: false });
  });

  it('lets a finding go when it is pressed again, and keeps its limb', () => {
    const h = after({ do: 'finding', finding: 'B', limb: 'S1' }, { do: 'finding', finding: 'B', limb: 'S1' });
    expect(h).toMatchObject({ limb: 'S1', finding: '' });
  });

  it('puts the brush down for a step or a drawn limb, so that a press marks nothing', () => {
    expect(after({ do: 'brush', brush: 'dead' }, { do: 'step', step: 2, limb: 'S3' })).toMatchObject({
      limb: 'S3',
      step: 2,
      brush: '',
    });
    expect(after({ do: 'brush', brush: 'draw' }, { do: 'drawn', line: '80 cm' })).toMatchObject({ brush: '' });
    expect(after({ do: 'limb', limb: 'S1' }, { do: 'step', step: 0, limb: '' })).toMatchObject({ limb: 'S1', step: 0 });
  });

  it('lays buds out for a limb only, from limb to limb, and closes them with none', () => {
    expect(after({ do: 'strip', strip: true }).strip).toBe(false);
    const open = after({ do: 'limb', limb: 'S1' }, { do: 'strip', strip: true }, { do: 'limb', limb: 'S2' });
    expect(open.strip).toBe(true);
    expect(act(open, { do: 'limb', limb: '' }).strip).toBe(false);
  });

  it('turns within the circle and is drawn anew when it comes to rest', () => {
    const h = after({ do: 'turn', by: -215 }, { do: 'turn', by: 20 });
    expect(h.bearing).toBeCloseTo(10);
    expect(h.rests).toBe(0);
    expect(act(h, { do: 'rest', bearing: 90 })).toMatchObject({ bearing: 90, rests: 1 });
  });
});

describe('walking a list', () => {
  it('starts at the first, stays within it, and has nothing in an empty one', () => {
    const list = ['a', 'b', 'c'];
    expect(beside(list, -1, 1)).toBe('a');
    expect(beside(list, 0, 1)).toBe('b');
    expect(beside(list, 2, 1)).toBe('c');
    expect(beside(list, 0, -1)).toBe('a');
    expect(beside([], -1, 1)).toBeUndefined();
  });
});
