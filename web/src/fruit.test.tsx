import { cleanup, act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FruitLimb as Drawing } from './drawing/FruitLimb';
import { limb } from './fruit.test-data';
import { CountPad } from './fruit/Pad';
import { totalsOf, usePad } from './fruit/pad';
import type { Tally, Tap } from './fruit/queries';
import { SetBars } from './fruit/SetBars';

const tap = (id: string, left: number, taken: number, lateral = ''): Tap => ({
  id,
  limb: 'S2',
  lateral,
  pass: 1,
  left,
  taken,
});

describe('what the pad shows', () => {
  it('adds what the program holds to what still waits on the phone', () => {
    const held: Tally[] = [
      { limb: 'S2', pass: 1, left: 5, taken: 7, laterals: [{ id: '', left: 5, taken: 7 }] },
      { limb: 'S2', pass: 2, left: 90, taken: 0, laterals: [{ id: '', left: 90, taken: 0 }] },
      { limb: 'S1', pass: 1, left: 50, taken: 0, laterals: [{ id: '', left: 50, taken: 0 }] },
    ];
    const t = totalsOf(held, [tap('a', 1, 0, 'S2.1'), tap('b', 0, 3)], 'S2', 1);
    expect([t.left, t.taken]).toEqual([6, 10]);
    expect(t.by.get('S2.1')).toEqual({ left: 1, taken: 0 });
  });
});

/** A program that answers taps, or none at all. */
function network() {
  const kept: Tap[] = [];
  const net = { down: false, refuses: '', kept };
  vi.stubGlobal('fetch', async (r: Request) => {
    if (net.down) throw new TypeError('no network');
    const body = (await r.json()) as { taps: Tap[] };
    if (net.refuses !== '' && body.taps.some((t) => t.limb === net.refuses))
      return new Response(JSON.stringify({ title: 'Unprocessable', status: 422, detail: 'no such limb' }), {
        status: 422,
        headers: { 'content-type': 'application/problem+json' },
      });
    for (const t of body.taps) if (!kept.some((k) => k.id === t.id)) kept.push(t);
    const undone = new Set(kept.map((k) => k.undoes));
    const in1 = kept.filter((k) => !k.undoes && !undone.has(k.id));
    const sum = (f: (t: Tap) => number) => in1.reduce((s, t) => s + f(t), 0);
    const tally = { limb: 'S2', pass: 1, left: sum((t) => t.left), taken: sum((t) => t.taken) };
    const answer = { tallies: [{ ...tally, laterals: [{ id: '', left: tally.left, taken: tally.taken }] }], late: [] };
    return new Response(JSON.stringify(answer), { status: 200, headers: { 'content-type': 'application/json' } });
  });
  return net;
}

const limbs = [limb()];
const wrapper = ({ children }: { children: ReactNode }) => (
  <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>
);

describe('the pad without a network', () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => {
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
  });

  it('counts at once, keeps every tap on the phone, and sends them when the network is back', async () => {
    const net = network();
    net.down = true;
    const { result, unmount } = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    act(() => {
      result.current.tap('S2', 1, '', 1, 0);
      result.current.tap('S2', 1, '', 0, 3);
    });
    expect(result.current.totals('S2', 1)).toMatchObject({ left: 1, taken: 3 });
    await waitFor(() => expect(result.current.offline).toBe(true));
    expect(result.current.unsent).toBe(2);
    unmount(); // the page is closed with the taps on it

    const again = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    expect(again.result.current.totals('S2', 1)).toMatchObject({ left: 1, taken: 3 });
    net.down = false;
    act(() => void window.dispatchEvent(new Event('online')));
    await waitFor(() => expect(again.result.current.unsent).toBe(0));
    expect(net.kept).toHaveLength(2);
    expect(again.result.current.totals('S2', 1)).toMatchObject({ left: 1, taken: 3 });
  });

  it('counts on and sends what a full browser would not keep, and says that it keeps nothing', async () => {
    const net = network();
    net.down = true;
    vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const { result } = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    act(() => result.current.tap('S2', 1, '', 1, 0));
    expect(result.current.unkept).toBe(true);
    expect(result.current.totals('S2', 1).left).toBe(1);
    net.down = false;
    act(() => void window.dispatchEvent(new Event('online')));
    await waitFor(() => expect(result.current.unsent).toBe(0));
    expect(result.current.unkept).toBe(false);
    expect(net.kept).toHaveLength(1);
  });

  it('sets a refused tap aside and sends those behind it', async () => {
    const net = network();
    const { result } = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    net.refuses = 'GONE';
    act(() => {
      result.current.tap('GONE', 1, '', 1, 0);
      result.current.tap('S2', 1, '', 1, 0);
      result.current.tap('S2', 1, '', 0, 1);
    });
    await waitFor(() => expect(result.current.unsent).toBe(0));
    expect(result.current.refused).toBe(1);
    expect(net.kept.map((t) => t.limb)).toEqual(['S2', 'S2']);
    expect(localStorage.length).toBe(0);
  });

  it('writes over nothing that another tab keeps, and reads what was kept before', async () => {
    const net = network();
    net.down = true;
    const old = { id: 'kept-long-ago', limb: 'S2', lateral: '', pass: 1, left: 2, taken: 0 };
    localStorage.setItem('vertumna-pad/here/a1/2027', JSON.stringify([{ tap: old }]));
    const one = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    const two = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    act(() => one.result.current.tap('S2', 1, '', 1, 0));
    act(() => two.result.current.tap('S2', 1, '', 0, 1));
    const after = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    expect(after.result.current.unsent).toBe(3);
    expect(after.result.current.totals('S2', 1)).toMatchObject({ left: 3, taken: 1 });
    net.down = false;
    act(() => void window.dispatchEvent(new Event('online')));
    await waitFor(() => expect(net.kept).toHaveLength(3));
    expect(net.kept[0]?.id).toBe('kept-long-ago');
  });

  it('takes the last tap back, sent or not', async () => {
    const net = network();
    const { result } = renderHook(() => usePad('here', 'a1', 2027, limbs), { wrapper });
    act(() => result.current.tap('S2', 1, '', 1, 0));
    await waitFor(() => expect(result.current.unsent).toBe(0));
    act(() => result.current.undo('S2'));
    await waitFor(() => expect(net.kept).toHaveLength(2));
    await waitFor(() => expect(result.current.totals('S2', 1).left).toBe(0));
    expect(result.current.canUndo('S2')).toBe(false);
  });
});

const pad = (left: number, taken: number) => ({
  tap: vi.fn(),
  undo: vi.fn(),
  close: vi.fn(),
  totals: () => ({ left, taken, by: new Map([['', { left, taken }]]) }),
  canUndo: () => true,
  closing: () => false,
  unsent: 0,
  offline: false,
  trouble: null,
  refused: 0,
  unkept: false,
});

describe('the counting pad', () => {
  const show = (p: ReturnType<typeof pad>, at = 0, onDone = vi.fn(), onAt = vi.fn(), pome = false) => {
    render(
      <CountPad
        code="A3"
        apart="18 cm"
        pome={pome}
        limb={limb()}
        pad={p}
        at={at}
        fixed={false}
        onAt={onAt}
        onDone={onDone}
        way="hand"
        onWay={vi.fn()}
      />,
    );
    return { onDone, onAt };
  };

  it('counts by keys that win over those of the screens', () => {
    const p = pad(13, 33);
    const screens = vi.fn();
    window.addEventListener('keydown', screens);
    show(p);
    for (const key of [' ', '1', '2', '3', 'u']) fireEvent.keyDown(document.body, { key });
    window.removeEventListener('keydown', screens);
    expect(p.tap.mock.calls.map((c) => [c[3], c[4]] as unknown)).toEqual([
      [1, 0],
      [0, 1],
      [0, 2],
      [0, 3],
    ]);
    expect(p.undo).toHaveBeenCalledWith('S2');
    expect(screens).not.toHaveBeenCalled();
  });

  it('goes from part to part, and asks before a limb is logged', async () => {
    const p = pad(20, 50);
    const first = show(p);
    await userEvent.click(screen.getByRole('button', { name: /Own wood done/ }));
    expect(first.onAt).toHaveBeenCalledWith(1);
  });

  it('logs the limb with the way it was done', async () => {
    const p = pad(20, 50);
    const { onDone } = show(p, 1);
    await userEvent.click(screen.getByRole('button', { name: /S2 done/ }));
    expect(screen.getByText(/Log S2: 20 left, 50 taken, by hand/)).toBeInTheDocument();
    await userEvent.click(screen.getByRole('button', { name: 'Log the limb' }));
    expect(onDone).toHaveBeenCalledWith('hand');
  });

  it('says how far apart, and of what does not set in clusters how many together', () => {
    show(pad(3, 0));
    expect(screen.getByText(/18 cm apart: never more than two together, on a weak shoot one/)).toBeInTheDocument();
    cleanup();
    show(pad(3, 0), 0, vi.fn(), vi.fn(), true);
    expect(screen.getByText(/18 cm apart\./)).toBeInTheDocument();
    expect(screen.queryByText(/together/)).toBeNull();
  });

  it('says when more stand than the limb should carry', () => {
    show(pad(25, 0));
    expect(screen.getByText(/More stand than this limb should carry/)).toBeInTheDocument();
  });
});

describe('the limb laid flat', () => {
  it('tells what was counted, and estimates the rest', () => {
    const { container } = render(
      <Drawing
        limb={limb()}
        season="summer"
        width={600}
        height={300}
        at={0}
        counted={new Map([['S2.1', { left: 3, taken: 6 }]])}
        dense
        units="metric"
        onAt={() => undefined}
      />,
    );
    expect(container.textContent).toContain('3 left, 6 taken');
    expect(container.querySelectorAll('polygon')).toHaveLength(2);
    // estimated wood is outlined, measured wood is not
    expect([...container.querySelectorAll('polygon')].map((x) => x.getAttribute('stroke'))).toEqual([
      'none',
      'var(--quiet)',
    ]);
  });

  it('shows which rule binds', () => {
    render(<SetBars limb={limb()} left={13} units="metric" spacing={12} />);
    expect(screen.getByRole('img', { name: /Girth 22, binds; Leaves 26/ })).toBeInTheDocument();
    expect(screen.getByText(/keep one in 3.5/)).toBeInTheDocument();
  });
});
