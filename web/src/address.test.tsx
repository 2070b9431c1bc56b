import { act, screen } from '@testing-library/react';
import { useAddress } from './shared/address';
import { show } from './testing.test-data';

function Choices() {
  const [params, put] = useAddress();
  const more = (k: string) => put((now) => ({ yes: [now.get('yes'), k].filter(Boolean).join(',') }));
  return (
    <>
      <button onClick={() => put({ school: '' })}>school</button>
      <button onClick={() => put({ limit: '33' })}>limit</button>
      <button onClick={() => put({ day: undefined })}>today</button>
      <button onClick={() => more('a')}>a</button>
      <button onClick={() => more('b')}>b</button>
      <output>{params.toString()}</output>
    </>
  );
}

describe('choices kept in the address', () => {
  const press = (...names: string[]) =>
    act(() => {
      for (const name of names) screen.getByRole('button', { name }).click();
    });

  it('keeps both of two choices made before the screen is drawn anew', () => {
    show(<Choices />, 'metric', '/here/yard?day=2027-03-01');
    press('school', 'limit');
    expect(screen.getByRole('status')).toHaveTextContent('day=2027-03-01&school=&limit=33');
    press('a', 'b');
    expect(new URLSearchParams(window.location.search).get('yes')).toBe('a,b');
    press('today');
    expect(screen.getByRole('status')).toHaveTextContent('school=&limit=33&yes=a%2Cb');
  });
});
