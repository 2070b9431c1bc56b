import { act, render, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { AccessBox } from './access/AccessBox';
import { SignIn } from './access/SignIn';
import { post } from './outbox/post';
import type { Waiting } from './outbox/box';
import { brief, moment } from './outbox/network';
import { newerVersion, useNewer } from './outbox/version';
import { faultOf, isClash, NoAnswer, Refused } from './shared/api';
import { useKept } from './shared/kept';
import { focusFault, setSingleKeys, singleKeys, useKeys, usePadKeys } from './shared/keys';
import { useWhenReady } from './shared/ready';
import { useTicks } from './shared/ticks';
import { answer, refusal, show } from './testing.test-data';

beforeEach(() => localStorage.clear());
afterEach(() => vi.unstubAllGlobals());

describe('the gate', () => {
  it('sends the passphrase, and nothing while there is none', async () => {
    const sent = answer({ 'POST /api/access/sign-in': { guarded: true, role: 'owner', here: false, helpers: false } });
    show(<SignIn />);
    const go = screen.getByRole('button', { name: 'Sign in' });
    expect(go).toBeDisabled();
    await userEvent.type(screen.getByLabelText('Passphrase'), 'four plain words here');
    await userEvent.click(go);
    await waitFor(() => expect(sent.some((s) => s.method === 'POST')).toBe(true));
    expect(sent.find((s) => s.method === 'POST')?.body).toEqual({ passphrase: 'four plain words here' });
  });

  it('says why it stays shut, and keeps what was typed', async () => {
    answer({ 'POST /api/access/sign-in': refusal('passphrase', 'another', 'that of this household', 401) });
    show(<SignIn />);
    await userEvent.type(screen.getByLabelText('Passphrase'), 'wrong');
    await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
    expect(await screen.findByRole('alert')).toHaveTextContent('that of this household');
    expect(screen.getByLabelText('Passphrase')).toHaveValue('wrong');
  });
});

describe('who may enter', () => {
  const access = (more: object) => ({
    'GET /api/access': { guarded: false, role: 'owner', here: true, helpers: false, ...more },
  });

  it('is whoever sits at the machine, until a passphrase is set', async () => {
    answer(access({}));
    show(<AccessBox />);
    expect(await screen.findByText(/No passphrase is set/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Sign out here' })).toBeNull();
    expect(screen.getAllByRole('form')).toHaveLength(1);
  });

  it('takes a passphrase that was written twice, and forgets it when it is set', async () => {
    const sent = answer({ ...access({ guarded: true }), 'PUT /api/access/passphrases/helper': {} });
    show(<AccessBox />);
    await screen.findByText(/You are signed in as owner/);
    const form = screen.getByRole('form', { name: 'A passphrase for helpers' });
    const [first, again] = [form.querySelectorAll('input')[0], form.querySelectorAll('input')[1]];
    const go = form.querySelector('button[type=submit]');
    if (!first || !again || !go) throw new Error('no form');
    await userEvent.type(first, 'pears in august');
    await userEvent.type(again, 'pears in July');
    expect(screen.getByText('The two are not the same')).toBeInTheDocument();
    expect(go).toBeDisabled();
    await userEvent.clear(again);
    await userEvent.type(again, 'pears in august');
    await userEvent.click(go);
    expect(await screen.findByText('Set. Every other device signs in anew.')).toBeInTheDocument();
    expect(sent.find((s) => s.method === 'PUT')?.body).toEqual({ passphrase: 'pears in august' });
    expect(first).toHaveValue('');
  });

  it('sets none from another machine, and lets a helper sign out only herself', async () => {
    answer(access({ guarded: true, role: 'helper', here: false }));
    show(<AccessBox />);
    expect(await screen.findByText('Passphrases are set on the machine Vertumna runs on.')).toBeInTheDocument();
    expect(screen.queryByRole('form')).toBeNull();
    expect(screen.getByRole('button', { name: 'Sign out here' })).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: 'Sign everybody out' })).toBeNull();
  });
});

describe('a command that is sent', () => {
  const command = { path: '/api/x', body: { id: 'c1' } } as unknown as Waiting;
  const answers = (status: number, text: string) =>
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(text, { status })));

  it('is sent when the program took it, with what it answered', async () => {
    answers(200, '{"a":1}');
    expect(await post(command)).toEqual({ kind: 'sent', data: { a: 1 } });
    vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 204 })));
    expect(await post(command)).toEqual({ kind: 'sent', data: undefined });
  });

  it('waits for a network, for a program that is busy, and for one who signs in', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    expect(await post(command)).toEqual({ kind: 'wait', why: 'no-answer' });
    for (const status of [408, 429, 500, 503]) {
      answers(status, '{}');
      expect(await post(command)).toEqual({ kind: 'wait', why: 'busy' });
    }
    answers(401, '{}');
    expect(await post(command)).toEqual({ kind: 'wait', why: 'signed-out' });
  });

  it('waits when the answer broke off, or came from something that is not the program', async () => {
    answers(200, '{"a":');
    expect(await post(command)).toEqual({ kind: 'wait', why: 'no-answer' });
    answers(200, '<html>Log in to this network</html>');
    expect(await post(command)).toEqual({ kind: 'wait', why: 'no-answer' });
  });

  it('is held for the person when it was refused', async () => {
    answers(422, JSON.stringify(refusal('d_mm', '900', 'to 500')));
    expect(await post(command)).toMatchObject({ kind: 'held', problem: { status: 422 } });
    answers(409, '');
    expect(await post(command)).toEqual({
      kind: 'held',
      problem: { type: 'about:blank', title: 'The program answered 409', status: 409 },
    });
  });
});

describe('a refusal', () => {
  const problem = refusal('tree.height_m', '90', 'to 30');

  it('belongs to its field wherever in the body that stands', () => {
    const fields = new Refused(problem as never).fields;
    expect(faultOf(fields, 'height_m')?.expected).toBe('to 30');
    expect(faultOf(fields, 'tree.height_m')).toBeDefined();
    expect(faultOf(fields, 'm')).toBeUndefined();
    expect(faultOf([], 'height_m')).toBeUndefined();
  });

  it('is a clash when what it rests on has changed', () => {
    expect(isClash(new Refused({ ...problem, status: 409 } as never))).toBe(true);
    expect(isClash(new Refused(problem as never))).toBe(false);
    expect(isClash(new NoAnswer())).toBe(false);
    expect(isClash(undefined)).toBe(false);
  });
});

describe('a moment', () => {
  it('is told in words, and one that is none as earlier', () => {
    expect(moment('2027-03-10T07:42:00')).toMatch(/^Wednesday,? 10 March( at|,)? 07:42$/);
    expect(brief('2027-03-10T07:42:00')).toMatch(/^10 Mar,? 07:42$/);
    expect([moment(''), brief('soon')]).toEqual(['earlier', 'earlier']);
  });
});

describe('what is kept in this browser', () => {
  it('comes back at the next visit, and what was half written does not', () => {
    const first = renderHook(() => useKept('side', 'map'));
    act(() => first.result.current[1]('slip'));
    expect(first.result.current[0]).toBe('slip');
    expect(renderHook(() => useKept('side', 'map')).result.current[0]).toBe('slip');
    localStorage.setItem('vertumna-side', '"sl');
    expect(renderHook(() => useKept('side', 'map')).result.current[0]).toBe('map');
  });

  it('is ticked and unticked, each list by itself', () => {
    const list = renderHook(() => useTicks('walk'));
    act(() => list.result.current[1]('A1'));
    act(() => list.result.current[1]('B2'));
    act(() => list.result.current[1]('A1'));
    expect(list.result.current[0]).toEqual(['B2']);
    expect(renderHook(() => useTicks('walk')).result.current[0]).toEqual(['B2']);
    expect(renderHook(() => useTicks('other')).result.current[0]).toEqual([]);
    for (const odd of ['{', '{"a":1}', '[1,null,"C1"]']) {
      localStorage.setItem('vertumna-walk', odd);
      expect(renderHook(() => useTicks('walk')).result.current[0]).toEqual(odd.startsWith('[') ? ['C1'] : []);
    }
  });

  it('offers a newer version once it lies ready', () => {
    const { result } = renderHook(() => useNewer());
    expect(result.current).toBeUndefined();
    const take = vi.fn();
    act(() => newerVersion(take));
    result.current?.();
    expect(take).toHaveBeenCalledOnce();
  });
});

describe('an act that waits for its answer', () => {
  const hook = (act: () => void) =>
    renderHook(({ of, ready }: { of: string; ready: boolean }) => useWhenReady(of, ready, act), {
      initialProps: { of: 'S1', ready: false },
    });

  it('is made at once when the answer is there, and once when it comes', () => {
    const done = vi.fn();
    const h = hook(done);
    h.result.current();
    h.result.current();
    expect(done).not.toHaveBeenCalled();
    h.rerender({ of: 'S1', ready: true });
    expect(done).toHaveBeenCalledOnce();
    h.rerender({ of: 'S1', ready: true });
    h.result.current();
    expect(done).toHaveBeenCalledTimes(2);
  });

  it('is called off by what is typed anew', () => {
    const done = vi.fn();
    const h = hook(done);
    h.result.current();
    h.rerender({ of: 'S2', ready: false });
    h.rerender({ of: 'S2', ready: true });
    expect(done).not.toHaveBeenCalled();
  });
});

describe('single keys', () => {
  function Screen({ on, pad }: { on: () => void; pad?: () => void }) {
    const [keys] = useState({ j: on, ' ': on });
    const [padKeys] = useState<Record<string, () => void>>(pad ? { j: pad, ' ': pad } : {});
    useKeys(keys);
    usePadKeys(padKeys);
    return (
      <>
        <input aria-label="field" />
        <button type="button">button</button>
      </>
    );
  }

  it('act on the screen, and not in a field, with a modifier, or when they are turned off', async () => {
    const on = vi.fn();
    render(<Screen on={on} />);
    await userEvent.keyboard('j');
    expect(on).toHaveBeenCalledOnce();
    await userEvent.keyboard('{Control>}j{/Control}{Alt>}j{/Alt}{Meta>}j{/Meta}x');
    await userEvent.type(screen.getByLabelText('field'), 'j');
    expect(on).toHaveBeenCalledOnce();
    screen.getByLabelText('field').blur();
    setSingleKeys(false);
    expect(singleKeys()).toBe(false);
    await userEvent.keyboard('j');
    expect(on).toHaveBeenCalledOnce();
    setSingleKeys(true);
    await userEvent.keyboard('j');
    expect(on).toHaveBeenCalledTimes(2);
  });

  it('do nothing under a paper, and act again when it has faded out', async () => {
    const on = vi.fn();
    render(<Screen on={on} />);
    const { container } = render(<div role="dialog" aria-label="paper" />);
    await userEvent.keyboard('j');
    expect(on).not.toHaveBeenCalled();
    container.querySelector<HTMLElement>('[role=dialog]')?.style.setProperty('visibility', 'hidden');
    await userEvent.keyboard('j');
    expect(on).toHaveBeenCalledOnce();
  });

  it('are those of the pad while it is open; a button in focus keeps its space bar', async () => {
    const [on, pad] = [vi.fn(), vi.fn()];
    render(<Screen on={on} pad={pad} />);
    await userEvent.keyboard('j');
    expect([on.mock.calls.length, pad.mock.calls.length]).toEqual([0, 1]);
    await userEvent.keyboard(' ');
    expect(pad).toHaveBeenCalledTimes(2);
    screen.getByRole('button').focus();
    await userEvent.keyboard(' ');
    expect(pad).toHaveBeenCalledTimes(2);
  });

  it('leave the first field that was refused in focus', async () => {
    const { container } = render(
      <form>
        <input aria-label="one" />
        <input aria-label="two" aria-invalid="true" />
        <input aria-label="three" aria-invalid="true" />
      </form>,
    );
    focusFault(container.querySelector('form'));
    await waitFor(() => expect(screen.getByLabelText('two')).toHaveFocus());
    focusFault(null);
  });
});
