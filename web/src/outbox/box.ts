import type { Problem } from '../shared/api';

/** What is sent to the program once there is a network: a write with an id of its own, made when the person tapped. */
export interface Command {
  id: string;
  /** In the person's words: 'C2: step 3 cut'. */
  says: string;
  slug: string;
  tree: string;
  /** With its query. */
  path: string;
  body: Record<string, unknown>;
  /** What was done, in words, where the body has numbers only. */
  told?: string;
  /** The question that the answer of the program answers as well. */
  answers?: readonly unknown[];
}

/** A command that waits. Its number is its place in the order it was tapped in, whatever the clock of the phone says. */
export interface Waiting extends Command {
  v: 1;
  seq: number;
  at: string;
  /** Refused: it waits for the person, and holds up nothing. */
  held?: Problem;
}

/** Where what waits is kept. Numbers are given in the order of adding. */
export interface Shelf {
  all(): Promise<Waiting[]>;
  add(w: Omit<Waiting, 'seq'>): Promise<number>;
  put(w: Waiting): Promise<void>;
  remove(seq: number): Promise<void>;
}

export type Said =
  | { kind: 'sent'; data: unknown }
  | { kind: 'held'; problem: Problem }
  | { kind: 'wait'; why: 'no-answer' | 'busy' | 'signed-out' };

export interface State {
  waiting: readonly Waiting[];
  /** Why nothing goes out just now; empty: it does. */
  stuck: '' | 'no-answer' | 'busy' | 'signed-out';
  /** The browser keeps nothing: what waits goes with the page. */
  unkept: boolean;
}

const tries = 'vertumna-outbox';
const soonMs = 2_000;
const lateMs = 30_000;

/**
 * The outbox: a tap is kept before anything else, then sent in order, at most once to any effect, since each carries an id that the
 * program knows again. What is refused is set aside for the person; what gets no answer is tried again.
 */
export class Outbox {
  private state: State = { waiting: [], stuck: '', unkept: false };
  private readonly heard = new Set<() => void>();
  private readonly sent = new Set<(w: Waiting, data: unknown) => void>();
  private sending: Promise<void> | undefined;
  private again = soonMs;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private channel: BroadcastChannel | undefined;
  private closed = false;

  constructor(
    private shelf: Shelf,
    private readonly post: (w: Waiting) => Promise<Said>,
    private readonly spare: () => Shelf,
  ) {}

  /** Reads what waits from before, and sends it. */
  async open(): Promise<void> {
    this.closed = false;
    this.channel?.close();
    if (typeof BroadcastChannel === 'function') {
      this.channel = new BroadcastChannel(tries);
      this.channel.onmessage = () => void this.look();
    }
    await this.look();
    void this.flush();
  }

  /** Ends with the page: what waits lies on the shelf. */
  close() {
    this.closed = true;
    clearTimeout(this.timer);
    this.channel?.close();
    this.channel = undefined;
  }

  readonly subscribe = (f: () => void) => {
    this.heard.add(f);
    return () => void this.heard.delete(f);
  };

  readonly now = () => this.state;

  /** Calls with every command that was taken in, and what the program answered. */
  onSent(f: (w: Waiting, data: unknown) => void) {
    this.sent.add(f);
    return () => void this.sent.delete(f);
  }

  /** Keeps a command; it is sent as soon as it can be. It is safe once this is done. */
  async add(c: Command): Promise<void> {
    const w = { ...c, v: 1 as const, at: new Date().toISOString() };
    try {
      await this.shelf.add(w);
    } catch {
      await this.without();
      await this.shelf.add(w);
    }
    await this.look();
    this.channel?.postMessage('added');
    void this.flush();
  }

  /** Takes out what the person gave up. */
  async drop(seq: number): Promise<void> {
    await this.shelf.remove(seq);
    await this.look();
    this.channel?.postMessage('dropped');
  }

  /** Sends again, as changed, what was set aside. */
  async retry(w: Waiting, body: Record<string, unknown>): Promise<void> {
    const { held: _, ...rest } = w;
    await this.shelf.put({ ...rest, body });
    await this.look();
    await this.flush();
  }

  /** Sends all that waits, in order. Only one tab sends at a time. */
  flush(): Promise<void> {
    this.sending ??= this.alone(() => this.run()).finally(() => {
      this.sending = undefined;
      // what was added while the last one was going out
      if (!this.closed && this.state.stuck === '' && this.state.waiting.some((w) => !w.held)) void this.flush();
    });
    return this.sending;
  }

  private async alone(run: () => Promise<void>): Promise<void> {
    if ('locks' in navigator) await navigator.locks.request(tries, run);
    else await run();
  }

  private async run(): Promise<void> {
    clearTimeout(this.timer);
    await this.look(); // another tab may have sent meanwhile
    for (const w of this.state.waiting.filter((x) => !x.held)) {
      if (this.closed) return;
      const said = await this.post(w);
      if (said.kind === 'wait') {
        this.set({ stuck: said.why });
        this.timer = setTimeout(() => void this.flush(), this.again);
        this.again = Math.min(lateMs, this.again * 2);
        return;
      }
      this.again = soonMs;
      if (said.kind === 'sent') {
        for (const f of this.sent) f(w, said.data);
        await this.shelf.remove(w.seq);
      } else {
        await this.shelf.put({ ...w, held: said.problem });
      }
      this.channel?.postMessage('sent');
      this.set({ stuck: '' });
      await this.look();
    }
    this.set({ stuck: '' });
  }

  private async look() {
    try {
      this.set({ waiting: (await this.shelf.all()).sort((a, b) => a.seq - b.seq) });
    } catch {
      await this.without();
    }
  }

  /** The browser keeps nothing, or is full: what waits stays in this page. */
  private async without() {
    const had = this.state.waiting;
    this.shelf = this.spare();
    for (const w of had) await this.shelf.add(w);
    this.set({ unkept: true, waiting: await this.shelf.all() });
  }

  private set(change: Partial<State>) {
    this.state = { ...this.state, ...change };
    for (const f of this.heard) f();
  }
}

/** A shelf in the page's memory. */
export function memoryShelf(): Shelf {
  const kept = new Map<number, Waiting>();
  let last = 0;
  return {
    all: () => Promise.resolve([...kept.values()]),
    add: (w) => {
      last += 1;
      kept.set(last, { ...w, seq: last });
      return Promise.resolve(last);
    },
    put: (w) => {
      kept.set(w.seq, w);
      return Promise.resolve();
    },
    remove: (seq) => {
      kept.delete(seq);
      return Promise.resolve();
    },
  };
}
