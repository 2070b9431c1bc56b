import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { FieldError, Tree } from './shared/api';
import { fieldsOf } from './shared/fields';
import type { Units } from './shared/units';

const tree: Tree = {
  id: 't',
  version: 1,
  code: 'A1',
  kind: 'apple',
  x: 1.5,
  y: 2,
  height_m: 3,
  tub_litres: 0,
  stake: true,
};

function Form({ units, refused = [], onTree }: { units: Units; refused?: FieldError[]; onTree: (t: Tree) => void }) {
  const [held, setHeld] = useState(tree);
  const { text, amount, pick, tick, day } = fieldsOf(
    held,
    (t) => {
      setHeld(t);
      onTree(t);
    },
    units,
    refused,
  );
  return (
    <>
      {text('name', 'Name')}
      {amount('height_m', 'm', 'Height')}
      {amount('x', 'm', 'East', { empty: 'as it was' })}
      {amount('tub_litres', 'litre', 'Tub', { empty: 'zero' })}
      {pick('ground', 'Stands', [{ value: 'wall', name: 'wall' }], { none: 'in the soil' })}
      {tick('stake', 'Stake')}
      {day('planted', 'Planted', { most: '2027-02-20', helperText: 'empty: long ago' })}
    </>
  );
}

const shown = (units: Units, refused?: FieldError[]) => {
  const onTree = vi.fn<(t: Tree) => void>();
  render(<Form units={units} onTree={onTree} {...(refused && { refused })} />);
  return { last: () => onTree.mock.lastCall?.[0] };
};

const type = async (label: string, words: string) => {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  if (words) await userEvent.type(field, words);
};

describe('the fields of a form', () => {
  it('give the whole back with one part changed, in metres whatever the person reads', async () => {
    const { last } = shown('us');
    await type('Height, ft', '10');
    expect(last()).toMatchObject({ code: 'A1', x: 1.5 });
    expect(last()?.height_m).toBeCloseTo(3.048);
    await type('Name', 'By the gate');
    expect(last()).toMatchObject({ name: 'By the gate' });
    expect(last()?.height_m).toBeCloseTo(3.048);
  });

  it('keep what is being typed, and tidy it when the hand leaves', async () => {
    shown('metric');
    await type('Height, m', '2,50');
    expect(screen.getByLabelText('Height, m')).toHaveValue('2,50');
    await userEvent.tab();
    expect(screen.getByLabelText('Height, m')).toHaveValue('2.5');
  });

  it('know three ways of nothing: not known, zero, and as it was', async () => {
    const { last } = shown('metric');
    expect(screen.getByLabelText('Tub, l')).toHaveValue('');
    await type('Height, m', '');
    expect(last()?.height_m).toBeUndefined();
    await type('East, m', 'no number');
    expect(last()?.x).toBe(1.5);
    await type('Tub, l', '40');
    expect(last()?.tub_litres).toBe(40);
    await type('Tub, l', '');
    expect(last()?.tub_litres).toBe(0);
  });

  it('choose from a list, tick, and take a day away again', async () => {
    const { last } = shown('metric');
    await userEvent.click(screen.getByRole('combobox', { name: 'Stands' }));
    await userEvent.click(screen.getByRole('option', { name: 'wall' }));
    expect(last()?.ground).toBe('wall');
    await userEvent.click(screen.getByRole('combobox', { name: 'Stands' }));
    await userEvent.click(screen.getByRole('option', { name: 'in the soil' }));
    expect(last()?.ground).toBeUndefined();
    await userEvent.click(screen.getByRole('checkbox', { name: 'Stake' }));
    expect(last()?.stake).toBe(false);
    await userEvent.type(screen.getByLabelText('Planted'), '2020-11-03');
    expect(last()?.planted).toBe('2020-11-03');
    await userEvent.clear(screen.getByLabelText('Planted'));
    expect(last()?.planted).toBeUndefined();
  });

  it('tell what was refused at the field it names, over any hint', () => {
    shown('metric', [
      { field: 'tree.height_m', given: '40 m', expected: '0.1 to 15 m', code: 'out_of_range' },
      { field: 'planted', given: '"2050-01-01"', expected: 'no day after today', code: 'bad_date' },
    ]);
    expect(screen.getByLabelText('Height, m')).toBeInvalid();
    expect(screen.getByText('40 m given, 0.1 to 15 m expected')).toBeInTheDocument();
    expect(screen.getByText('"2050-01-01" given, no day after today expected')).toBeInTheDocument();
    expect(screen.queryByText('empty: long ago')).toBeNull();
    expect(screen.getByLabelText('East, m')).toBeValid();
  });
});
