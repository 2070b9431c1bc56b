import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { Choose } from './shared/Choose';
import { Field, same } from './shared/Field';

const sources = import.meta.glob<string>(['./**/*.tsx', '!./**/*.test.tsx'], {
  query: '?raw',
  import: 'default',
  eager: true,
});

function Two() {
  const [a, setA] = useState('');
  const [b, setB] = useState('');
  const [kind, setKind] = useState<'x' | 'y'>('x');
  return (
    <>
      <Field
        label="First"
        value={a}
        onChange={(e) => setA(e.target.value)}
        slotProps={{ htmlInput: { maxLength: 9 } }}
      />
      <Field
        label="Second"
        value={b}
        onChange={(e) => setB(a + e.target.value)}
        slotProps={{ htmlInput: { maxLength: 9 } }}
      />
      <Choose
        label="Kind"
        all={[
          { value: 'x', name: 'one' },
          { value: 'y', name: 'other' },
        ]}
        value={kind}
        onChange={(k) => setKind(k)}
      />
    </>
  );
}

describe('a field', () => {
  it('does what the last handler given does, though it was not drawn anew', () => {
    render(<Two />);
    fireEvent.change(screen.getByLabelText('First'), { target: { value: 'ab' } });
    fireEvent.change(screen.getByLabelText('Second'), { target: { value: 'c' } });
    expect(screen.getByLabelText('Second')).toHaveValue('abc');
  });

  it('is the same where all it is told is the same, however often it is written', () => {
    expect(same({ sx: { width: 3 }, all: [{ value: 'x' }] }, { sx: { width: 3 }, all: [{ value: 'x' }] })).toBe(true);
    expect(same({ sx: { width: 3 } }, { sx: { width: 4 } })).toBe(false);
    expect(same({ a: 1 }, { a: 1, b: undefined })).toBe(false);
    expect(same([1, 2], [1, 2, 3])).toBe(false);
    expect(same({ hint: <b>x</b> }, { hint: <b>x</b> })).toBe(false);
    expect(same(document.body, document.head)).toBe(false);
    expect(same({ at: () => 1 }, { at: () => 1 })).toBe(false);
  });

  it('is the one of every form', () => {
    const kit = Object.entries(sources).filter(([, text]) => /from '@mui\/material\/TextField'/.test(text));
    const others = kit.filter(([, text]) => !/import type \{[^}]*\} from '@mui\/material\/TextField'/.test(text));
    expect(others.map(([file]) => file).sort()).toEqual(['./shared/Choose.tsx', './shared/Field.tsx']);
  });
});
