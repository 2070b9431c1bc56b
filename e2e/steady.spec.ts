import { counted, expect, laptop, open, phone, test } from './app';

const anywhere = 'the same on every screen';

test(
  'a screen whose code does not come says so in its frame, and opens by itself when it does',
  laptop(anywhere),
  async ({ page, demo }) => {
    // one that waits for its own turn, two of a tree, one without a place, one outside the frame; that all are made alike is a law (rooms.test.ts)
    const tree = 'trees/lower-terrace-C1';
    const screens = { Year: 'year', Bench: tree, Why: `${tree}/why`, Setup: 'setup', FirstRun: '/new' };
    const blocked = new Set<string>();
    let away = false;
    await page.route('**/assets/*.js', (r) =>
      [...blocked].some((chunk) => r.request().url().includes(`/assets/${chunk}-`)) ? r.abort() : r.continue(),
    );
    await page.route('**/healthz', (r) => (away ? r.abort() : r.continue()));
    const frame = page.getByRole('navigation', { name: 'Screens' }).first();
    for (const [chunk, path] of Object.entries(screens)) {
      await test.step(chunk, async () => {
        blocked.add(chunk);
        away = true;
        await page.goto(`${demo}${path.startsWith('/') ? path : `/lower-terrace/${path}`}`);
        await expect(page.getByRole('alert').first()).toContainText('No answer from Vertumna');
        if (!path.startsWith('/')) await expect(frame).toBeVisible(); // the frame stands
        blocked.clear();
        away = false;
        if (chunk !== 'Year') await page.evaluate(() => window.dispatchEvent(new Event('online'))); // the first waits for its own turn
        await expect(page.getByRole('alert')).toHaveCount(0);
        await expect(page.locator('main h1').first()).toBeVisible();
      });
    }
    // from one screen to the next, as one walks
    await open(page, `${demo}/lower-terrace/yard`);
    blocked.add('Year');
    away = true;
    await frame.getByRole('link', { name: 'Year' }).click();
    await expect(page.getByRole('alert')).toContainText('No answer from Vertumna');
    await expect(page.getByRole('slider', { name: 'Day shown' })).toBeVisible();
    blocked.clear();
    away = false;
    await expect(page.locator('main h1').first()).toHaveText('Year');
  },
);

test(
  'a browser that has had enough changes of the address keeps the screen',
  laptop(anywhere),
  async ({ page, demo }) => {
    await page.addInitScript(() => {
      const real = history.replaceState.bind(history);
      let calls = 0;
      history.replaceState = (...args: Parameters<typeof history.replaceState>) => {
        calls += 1;
        if (calls > 20) throw new DOMException('too many calls', 'SecurityError');
        real(...args);
      };
    });
    await open(page, `${demo}/lower-terrace/yard`);
    const box = await page.getByTestId('rail').boundingBox();
    if (!box) throw new Error('no rail');
    await page.mouse.move(box.x + box.width * 0.3, box.y + 10);
    await page.mouse.down();
    for (let k = 0; k < 120; k++) await page.mouse.move(box.x + box.width * (0.3 + 0.004 * k), box.y + 10);
    await page.mouse.up();
    await expect(page.getByRole('slider', { name: 'Day shown' })).toHaveAttribute('aria-valuetext', /2027/);
    await expect(page.getByRole('region', { name: 'Docket' })).toBeVisible();
  },
);

test('an answer that comes late says which day is on the screen', laptop(anywhere), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard`);
  let answer = (): void => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/plan?day=2027-02-27', async (r) => {
    await held;
    await r.continue();
  });
  await page.keyboard.press('.');
  await expect(page.getByText('The plan of 20 February; 27 February is being worked out.')).toBeVisible();
  answer();
  await expect(page.getByText(/is being worked out/)).toHaveCount(0);
});

test(
  'two windows on one bench: the newer map is shown, and the typed line is written on it',
  laptop(anywhere),
  async ({ page, demo, request }) => {
    await open(page, `${demo}/lower-terrace/trees/lower-terrace-C2?side=map`);
    const line = page.getByRole('textbox', { name: 'Quick line' });
    await line.fill('S1 31 thick');
    const write = page.getByRole('button', { name: 'Write it on the map' });
    await expect(write).toBeEnabled();
    const at = `${demo}/api/orchards/lower-terrace/trees/lower-terrace-C2/map`;
    const now = (await (await request.get(at)).json()) as { revision: { revision: number } };
    const other = await request.post(`${at}/edits`, {
      data: { based_on: now.revision.revision, edits: [{ op: 'tag', id: 'S2', tag: 'keep' }] },
    });
    expect(other.ok()).toBe(true);
    await write.click();
    await expect(page.getByRole('alert').filter({ hasText: 'changed meanwhile' })).toContainText(
      'what you typed is kept',
    );
    await expect(line).toHaveValue('S1 31 thick');
    await expect(write).toBeEnabled();
    await write.click();
    await expect(line).toHaveValue('');
    const after = (await (await request.get(at)).json()) as {
      map: { limbs: { id: string; diameter_mm?: number; tags?: string[] }[] };
    };
    expect(after.map.limbs.find((l) => l.id === 'S1')?.diameter_mm).toBe(31);
    expect(after.map.limbs.find((l) => l.id === 'S2')?.tags).toContain('keep');
  },
);

test('one line of several trees is logged at once, and undone at once', laptop(anywhere), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard`);
  const docket = page.getByRole('region', { name: 'Docket' });
  await docket
    .getByRole('button', { name: /Stand back and look/ })
    .first()
    .click();
  await docket.getByRole('button', { name: /^Log all \d+/ }).click();
  const form = page.getByRole('form', { name: 'Log Stand back and look' });
  const trees = await counted(form.getByRole('checkbox'));
  expect(trees).toBeGreaterThan(1);
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(docket.getByRole('button', { name: /Stand back and look/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(docket.getByRole('button', { name: /Stand back and look/ }).first()).toBeVisible();
});

test('the keyboard is seen on every kind of control', laptop(anywhere), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard`);
  await page.getByRole('button', { name: 'Add a tree' }).filter({ visible: true }).first().click();
  const form = page.getByRole('form', { name: 'Add a tree' });
  for (const control of [
    form.getByRole('button', { name: 'Plant it here' }),
    form.getByRole('button', { name: 'Back' }),
    form.getByRole('checkbox', { name: 'Stake' }),
    form.getByLabel('East, m'),
    form.getByLabel('Kind'),
    page.getByRole('button', { name: 'Find', exact: true }),
    page.getByRole('link', { name: 'Settings' }),
    page.getByRole('navigation', { name: 'Screens' }).first().getByRole('link', { name: 'Year' }),
    page.getByRole('slider', { name: 'Day shown' }),
    page.getByRole('button', { name: 'New tree: arrow keys move it' }),
  ]) {
    await control.scrollIntoViewIfNeeded();
    const box = await control.boundingBox();
    if (!box) throw new Error('not in sight');
    const clip = {
      x: Math.max(0, box.x - 8),
      y: Math.max(0, box.y - 8),
      width: box.width + 16,
      height: box.height + 16,
    };
    const before = await page.screenshot({ clip });
    await page.keyboard.press('Shift'); // the keyboard is in use
    await control.focus();
    const after = await page.screenshot({ clip });
    expect(after.equals(before)).toBe(false);
    await control.blur();
  }
});

test('an orchard is removed only by its name', laptop(anywhere), async ({ page, demo }) => {
  await open(page, `${demo}/saltwind/setup#data`);
  const box = page.getByRole('region', { name: 'Data' });
  await box.getByRole('button', { name: 'Remove this orchard' }).click();
  const go = box.getByRole('button', { name: 'Remove Saltwind' });
  await expect(go).toBeDisabled();
  await box.getByLabel('Write: Saltwind').fill('Saltwind');
  await go.click();
  await expect(page.getByRole('button', { name: 'Lower Terrace' })).toBeVisible();
  await page.getByRole('button', { name: 'Lower Terrace' }).click();
  await expect(page.getByRole('menuitem', { name: 'Saltwind' })).toHaveCount(0);
});

test(
  'a browser that keeps nothing says so, and what is tapped is sent all the same',
  phone('worked with the phone in the hand'),
  async ({ page, march }) => {
    await page.addInitScript(() => {
      const full = () => {
        throw new DOMException('no room', 'QuotaExceededError');
      };
      Storage.prototype.setItem = full;
      Object.defineProperty(window, 'localStorage', {
        get: () => {
          throw new DOMException('denied', 'SecurityError');
        },
      });
      IDBObjectStore.prototype.add = full;
    });
    await open(page, `${march}/lower-terrace/sheet/lower-terrace-C2?day=2027-03-10`);
    await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
    await page.route('**/slip/choices**', (r) => r.abort());
    await page.getByRole('button', { name: 'Cut made' }).click();
    await expect(page.getByRole('region', { name: /^Step 2 of/ })).toBeVisible();
    await expect(page.getByText('This browser keeps nothing: leave the page open.')).toBeVisible();
    await page.unroute('**/slip/choices**');
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(page.getByText(/taps? waiting/)).toHaveCount(0);
    const r = await page.request.get(`${march}/api/orchards/lower-terrace/entries?tree=lower-terrace-C2&all=true`);
    expect(((await r.json()) as { kind: string }[]).filter((e) => e.kind === 'slip').length).toBeGreaterThan(0);
  },
);
