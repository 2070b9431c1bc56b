import { memoryShelf, Outbox, type Command, type Said, type Shelf, type Waiting } from './outbox/box';

const command = (n: number): Command => ({
  id: `c${String(n)}`,
  says: `tap ${String(n)}`,
  slug: 'plot',
  tree: 'A1',
  path: '/api/x',
  body: { id: `c${String(n)}` },
});

/** A program that knows an id again: what it holds, in the order it came. */
function program() {
  const held: string[] = [];
  const take = (w: Waiting): Said => {
    if (!held.includes(w.id)) held.push(w.id);
    return { kind: 'sent', data: { id: w.id } };
  };
  return { held, take };
}

function seeded(seed: number) {
  let s = seed;
  return () => {
    s = (s * 1103515245 + 12345) % 2147483648;
    return s / 2147483648;
  };
}

const ids = (n: number) => Array.from({ length: n }, (_, i) => `c${String(i)}`);

test('however the network is cut, and however often the page dies, all arrives once and in order', async () => {
  for (let seed = 1; seed <= 60; seed++) {
    const random = seeded(seed);
    const { held, take } = program();
    const shelf = memoryShelf(); // the browser's: it outlives the page
    const post = (w: Waiting): Promise<Said> => {
      const r = random();
      if (r < 0.3) return Promise.resolve({ kind: 'wait', why: 'no-answer' }); // it never left
      if (r < 0.5) {
        take(w); // it arrived, its answer did not
        return Promise.resolve({ kind: 'wait', why: 'no-answer' });
      }
      return Promise.resolve(take(w));
    };
    let box = new Outbox(shelf, post, memoryShelf);
    for (let n = 0; n < 25; n++) {
      await box.add(command(n));
      if (random() < 0.3) {
        box.close();
        box = new Outbox(shelf, post, memoryShelf);
        await box.open();
      }
    }
    while ((await shelf.all()).length > 0) await box.flush();
    box.close();
    expect(held).toEqual(ids(25));
  }
});

test('what is refused is set aside and holds up nothing; the person sends it again or puts it away', async () => {
  const { held, take } = program();
  let clash = true;
  const box = new Outbox(
    memoryShelf(),
    (w) =>
      Promise.resolve(
        w.id === 'c1' && clash ? { kind: 'held', problem: { title: 'Conflict', status: 409 } as never } : take(w),
      ),
    memoryShelf,
  );
  for (const n of [0, 1, 2]) await box.add(command(n));
  await box.flush();
  expect(held).toEqual(['c0', 'c2']);
  const [aside] = box.now().waiting;
  expect(aside?.held?.status).toBe(409);
  clash = false;
  if (aside) await box.retry(aside, { ...aside.body, based_on: 7 });
  expect(held).toEqual(['c0', 'c2', 'c1']);
  expect(box.now().waiting).toEqual([]);
  box.close();
});

test('a browser that keeps nothing says so and sends from the page', async () => {
  const { held, take } = program();
  const full: Shelf = {
    all: () => Promise.resolve([]),
    add: () => Promise.reject(new Error('full')),
    put: () => Promise.reject(new Error('full')),
    remove: () => Promise.reject(new Error('full')),
  };
  let network = false;
  const box = new Outbox(
    full,
    (w) => Promise.resolve(network ? take(w) : { kind: 'wait', why: 'no-answer' }),
    memoryShelf,
  );
  await box.add(command(0));
  await box.flush();
  expect(box.now()).toMatchObject({ unkept: true, stuck: 'no-answer' });
  expect(box.now().waiting).toHaveLength(1);
  network = true;
  await box.flush();
  expect(held).toEqual(['c0']);
  expect(box.now()).toMatchObject({ waiting: [], stuck: '' });
  box.close();
});
