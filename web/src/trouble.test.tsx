import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { Refused } from './shared/api';
import { Trouble } from './shared/Trouble';

const refused = (
  detail: string,
  status: number,
  ...errors: { code: string; field: string; given: string; expected: string }[]
) => new Refused({ type: 'about:blank', title: 'Refused', status, detail, errors });

describe('what failed', () => {
  it('is told with plain names and units where the program names fields', () => {
    const high = { code: 'bad_value', field: 'height_m', given: '90', expected: 'at most 25' };
    const low = { code: 'bad_value', field: 'spread_m', given: '-3', expected: 'at least 0' };
    render(<Trouble error={refused('height_m: 90 given, at most 25 expected, and 1 more', 422, high, low)} />);
    const told = screen.getByRole('alert');
    expect(told).toHaveTextContent('height: 90 m given, at most 25 m expected, and 1 more');
    expect(told).toHaveTextContent('spread: -3 m given, at least 0 m expected');
    expect(told).not.toHaveTextContent('_m');
  });

  it('keeps a sentence that the program wrote for it', () => {
    const clash = { code: 'version', field: 'version', given: '1', expected: '2' };
    render(<Trouble error={refused('it was changed meanwhile: version 2 stands', 409, clash)} />);
    expect(screen.getByRole('alert')).toHaveTextContent('it was changed meanwhile: version 2 stands');
  });
});
