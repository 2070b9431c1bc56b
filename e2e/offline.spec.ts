import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { accessible, expect, fits, open, pack, phone, test, toTheEnd } from './app';
import { chromiumPath } from './chromium';

test.use({ serviceWorkers: 'allow' });

const day = '2027-03-10';
const tree = 'lower-terrace-C2';

interface Entry {
  id: string;
  kind: string;
  tree_id?: string;
  note?: string;
  made?: unknown[];
}

async function journal(page: Page, url: string): Promise<Entry[]> {
  const r = await page.request.get(`${url}/api/orchards/lower-terrace/entries?tree=${tree}&all=true`);
  return (await r.json()) as Entry[];
}

/** Cuts so many steps of the tree and finishes it. */
async function work(page: Page, url: string, cuts: number): Promise<void> {
  await page.goto(`${url}/lower-terrace/sheet/${tree}?day=${day}`);
  await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
  for (let n = 1; n <= cuts; n++) {
    await page
      .getByRole('region', { name: new RegExp(`^Step ${String(n)} of`) })
      .getByRole('button', { name: 'Cut made' })
      .click();
  }
  await toTheEnd(page);
  await page.getByRole('button', { name: 'Finish this tree' }).click();
  await expect(page.getByText(/is finished/)).toBeVisible();
}

const handheld = { viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'allow' } as const;

test(
  'two phones work one tree without a network: one record, and the second is asked',
  phone('worked with the phone in the hand'),
  async ({ page, march, browser }) => {
    const second = await browser.newContext({ ...handheld, locale: 'en-GB' });
    const other = await second.newPage();
    await pack(page, march, day);
    await pack(other, march, day);
    const cut = (c: BrowserContext, off: boolean) => c.setOffline(off);
    await cut(page.context(), true);
    await cut(second, true);

    await page.reload();
    await expect(page.getByText(/No network: as kept/)).toBeVisible();
    await fits(page);
    await accessible(page);
    await work(page, march, 2);
    await expect(page.getByText('3 taps waiting')).toBeVisible();
    await page.reload(); // what waits outlives the page
    await expect(page.getByText('3 taps waiting')).toBeVisible();
    await expect(page.getByText('Finished on this phone; the cuts wait to be sent.')).toBeVisible();
    await work(other, march, 1);
    expect((await journal(page, march)).filter((e) => e.kind === 'slip' || e.made)).toEqual([]);

    await cut(page.context(), false);
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(page.getByText(/taps? waiting/)).toHaveCount(0);
    const first = await journal(page, march);
    expect(first.filter((e) => e.kind === 'slip')).toHaveLength(2);
    expect(first.filter((e) => e.made?.length === 2)).toHaveLength(1);

    await cut(second, false);
    await other.evaluate(() => window.dispatchEvent(new Event('online')));
    await expect(other.getByText('1 asking for you')).toBeVisible();
    await other.getByRole('button', { name: 'Show them' }).click();
    await expect(other.getByText(/changed meanwhile/)).toBeVisible();
    await accessible(other);
    await other.getByRole('button', { name: 'Keep it as a note' }).click();
    await expect(other.getByText('Nothing waits: all is with Vertumna.')).toBeVisible();
    const all = await journal(page, march);
    expect(all.filter((e) => e.made)).toHaveLength(1);
    expect(all.filter((e) => e.kind === 'note' && e.note?.startsWith('C2: 1 cut logged'))).toHaveLength(1);
    await second.close();
  },
);

test(
  'a browser that is killed with taps waiting sends them when it is back, once',
  phone('worked with the phone in the hand'),
  async ({ march, folder }) => {
    const profile = join(folder, 'profile');
    const start = () =>
      chromium.launchPersistentContext(profile, {
        ...handheld,
        executablePath: chromiumPath,
        args: ['--no-sandbox'],
      });
    const before = await start();
    const page = before.pages()[0] ?? (await before.newPage());
    await pack(page, march, day);
    await before.setOffline(true);
    await page.goto(`${march}/lower-terrace/sheet/${tree}?day=${day}`);
    await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
    await page.getByRole('button', { name: 'Cut made' }).click();
    await expect(page.getByRole('region', { name: /^Step 2 of/ })).toBeVisible();
    spawnSync('pkill', ['-9', '-f', profile]);
    await before.close().catch(() => undefined);

    const after = await start();
    const again = after.pages()[0] ?? (await after.newPage());
    await open(again, `${march}/lower-terrace/sheet?day=${day}`);
    await expect(async () => {
      expect((await journal(again, march)).filter((e) => e.kind === 'slip')).toHaveLength(1);
    }).toPass();
    await after.close();
  },
);

test(
  'nothing is lost or doubled in two hundred random cuts of the network',
  phone('worked with the phone in the hand'),
  async ({ page, march, browser }) => {
    test.setTimeout(400_000);
    const second = await browser.newContext({ ...handheld, serviceWorkers: 'block', locale: 'en-GB' });
    const other = await second.newPage();
    let seed = 20270310;
    const random = () => {
      seed = (seed * 1103515245 + 12345) % 2147483648;
      return seed / 2147483648;
    };
    let cuts = 0;
    const tapped: Promise<number>[] = [];
    for (const p of [page, other]) {
      await p.route('**/map/slip/choices*', async (route) => {
        const r = cuts < 200 ? random() : 1;
        if (r < 0.4) {
          cuts += 1;
          await route.abort(); // it never left the phone
        } else if (r < 0.8) {
          cuts += 1;
          await route.fetch(); // it arrived, and its answer did not
          await route.abort();
        } else await route.continue();
      });
      tapped.push(taps(p, march, 10));
    }
    const n = (await Promise.all(tapped)).reduce((sum, x) => sum + x, 0);
    for (const p of [page, other]) {
      await expect(async () => {
        await p.evaluate(() => window.dispatchEvent(new Event('online')));
        expect(await p.getByText(/taps? waiting/).count()).toBe(0);
      }).toPass({ intervals: [30], timeout: 240_000 });
    }
    const kept = (await journal(page, march)).filter((e) => e.kind === 'slip');
    expect(kept).toHaveLength(n);
    expect(new Set(kept.map((e) => e.id)).size).toBe(n);
    expect(cuts).toBe(200);
    await second.close();
  },
);

/** Cuts the first step and takes it back, over and over; the network comes back now and then. */
async function taps(page: Page, url: string, times: number): Promise<number> {
  await open(page, `${url}/lower-terrace/sheet/${tree}?day=${day}`);
  await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
  const step = page.getByRole('region', { name: /^Step 1 of/ });
  for (let i = 0; i < times; i++) {
    await step.getByRole('button', { name: 'Cut made' }).click();
    await page.getByRole('button', { name: 'Back a step' }).click();
    await step.getByText('Something else').click();
    await step.getByRole('button', { name: 'Not cut after all' }).click();
    await page.evaluate(() => window.dispatchEvent(new Event('online')));
  }
  return 2 * times;
}
