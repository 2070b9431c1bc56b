import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';

export const binary = join(import.meta.dirname, '..', 'bin', 'vertumna');

/** Starts the program over a database of its own and gives its address. */
export async function start(args: string[]): Promise<{ url: string; stop: () => Promise<void> }> {
  const station = args.includes('--station') ? [] : ['--station', 'off']; // weather only where a test is about it
  const child = spawn(binary, [...args, ...station, '--listen', '127.0.0.1:0', '--quiet'], {
    stdio: ['ignore', 'pipe', 'inherit'],
    env: { ...process.env, XDG_CACHE_HOME: dirname(args[args.indexOf('--db') + 1] ?? tmpdir()) }, // nothing of a person's own
  });
  const url = await new Promise<string>((resolve, reject) => {
    let out = '';
    child.stdout.on('data', (b: Buffer) => {
      out += b.toString();
      const m = /http:\/\/[\d.:]+/.exec(out);
      if (m) resolve(m[0]);
    });
    child.on('exit', (code) => reject(new Error(`vertumna ended with ${String(code)}: ${out}`)));
  });
  const ended = new Promise<void>((resolve) => child.on('exit', () => resolve()));
  return {
    url,
    stop: () => {
      child.kill();
      return ended;
    },
  };
}

/** The demo's file of a day: written once in a run, in the folder the run made (demos.ts), and copied for each test. */
export async function demoOf(day: string): Promise<string> {
  const file = join(process.env.VERTUMNA_DEMOS ?? '', `${day}.db`);
  if (existsSync(file)) return file;
  const draft = join(dirname(file), `${day}-${String(process.pid)}.db`);
  const app = await start(['demo', '--db', draft, '--today', day]);
  await app.stop();
  renameSync(draft, file); // whole or not there, for the workers beside this one
  return file;
}

interface Lent {
  url: string;
  stop: () => Promise<void>;
  folder: string;
  /** The demo's file as it was handed out. */
  mark: string;
}

/** Programs over a demo that nobody has written to: the next test of that day in this worker takes its turn at it. */
const untouched = new Map<string, Lent>();

/** Tells one state of a database file from the next, by what a write moves: its own size and time, and those of its log. */
function markOf(folder: string): string {
  return ['demo.db', 'demo.db-wal']
    .map((name) => statSync(join(folder, name), { throwIfNoEntry: false }))
    .map((file) => (file ? `${String(file.size)}@${String(file.mtimeMs)}` : 'none'))
    .join(' ');
}

/** Lends the demo of a day: one that nobody wrote to, or a copy of its own. */
async function lend(day: string, use: (url: string) => Promise<void>): Promise<void> {
  let app = untouched.get(day);
  untouched.delete(day);
  if (!app) {
    const folder = mkdtempSync(join(tmpdir(), 'vertumna-e2e-'));
    const db = join(folder, 'demo.db');
    copyFileSync(await demoOf(day), db);
    app = { ...(await start(['demo', '--db', db, '--today', day])), folder, mark: markOf(folder) };
  }
  await use(app.url);
  if (markOf(app.folder) === app.mark) untouched.set(day, app);
  else await end(app);
}

async function end(app: Lent): Promise<void> {
  await app.stop();
  rmSync(app.folder, { recursive: true, force: true });
}

interface Apps {
  /** The demo orchard on 20 February 2027, as it was made. */
  demo: string;
  /** The demo orchard on 10 March 2027, a day to cut on. */
  march: string;
  /** The demo orchard on 5 July 2027. */
  summer: string;
  /** The demo orchard on 10 May 2027, in bloom and frost. */
  spring: string;
  /** The demo orchard on 20 June 2027, when fruit is thinned. */
  june: string;
  /** An empty database. */
  empty: string;
}

export const test = base.extend<Apps & { folder: string }, { returned: undefined }>({
  // what was lent is taken back when the worker ends
  returned: [
    async ({}, use) => {
      await use(undefined);
      await Promise.all([...untouched.values()].map(end));
    },
    { scope: 'worker', auto: true },
  ],
  // a page that logs an error is broken, refusals of the program apart
  page: async ({ page }, use) => {
    const errors: string[] = [];
    page.on('console', (m) => {
      if (m.type() === 'error' && !m.text().startsWith('Failed to load resource')) errors.push(m.text());
    });
    page.on('pageerror', (e) => errors.push(e.message));
    await use(page);
    expect(errors).toEqual([]);
  },
  folder: async ({}, use) => {
    const dir = mkdtempSync(join(tmpdir(), 'vertumna-e2e-'));
    await use(dir);
    rmSync(dir, { recursive: true, force: true });
  },
  demo: async ({}, use) => lend('2027-02-20', use),
  march: async ({}, use) => lend('2027-03-10', use),
  summer: async ({}, use) => lend('2027-07-05', use),
  spring: async ({}, use) => lend('2027-05-10', use),
  june: async ({}, use) => lend('2027-06-20', use),
  empty: async ({ folder }, use) => {
    const app = await start(['serve', '--db', join(folder, 'own.db'), '--today', '2027-02-20']);
    await use(app.url);
    await app.stop();
  },
});

/**
 * Fails on anything that axe finds by the rules and by best practice, the least of it apart. The contrast of colours is half of its work:
 * that every colour of text can be read on every surface is a law of the web (colours.test.ts), so that it is looked at here once a screen,
 * on the laptop or where a screen is the phone's own.
 */
export async function accessible(page: Page, { colours = false } = {}): Promise<void> {
  const { project, tags } = test.info();
  const contrast = colours && (project.name !== 'phone' || tags.includes('@phone'));
  const found = await new AxeBuilder({ page })
    .setLegacyMode() // in the page itself: it has no frames, and the other way opens a second page for each look
    .options({ resultTypes: ['violations'] }) // what passes is not told in full
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .disableRules(contrast ? [] : ['color-contrast'])
    .analyze();
  const serious = found.violations.filter((v) => v.impact !== 'minor');
  expect(serious.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(', ')}`)).toEqual([]);
}

/** Opens a page and waits until it is drawn, fonts and all. */
export async function open(page: Page, url: string): Promise<void> {
  await page.goto(url);
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => document.fonts.ready);
}

/** Puts a day of the demo's orchard on a phone, the program with it; gives what the sheet says of it. */
export async function pack(page: Page, url: string, day: string): Promise<Locator> {
  await open(page, `${url}/lower-terrace/sheet?day=${day}&minutes=0`);
  await page.evaluate(() => navigator.serviceWorker.ready);
  await page.reload(); // the phone has the program now
  const onPhone = page.getByRole('region', { name: 'On this phone' });
  await onPhone.getByRole('button', { name: 'Put this day on the phone' }).click();
  await expect(onPhone.getByText(/kB, put here/)).toBeVisible({ timeout: 90_000 });
  return onPhone;
}

/** How many there are, once there are any: a list that is still on its way is not an empty one. */
export async function counted(of: Locator): Promise<number> {
  await of.first().waitFor();
  return of.count();
}

/** Fails when the page is wider than its window. */
export async function fits(page: Page): Promise<void> {
  const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect(over).toBeLessThanOrEqual(0);
}

export { expect };

const only = (where: string) => (why: string) => ({
  tag: `@${where}`,
  annotation: { type: `${where} only`, description: why },
});

/** Leaves a test to the phone: what it looks at is made for the hand. */
export const phone = only('phone');

/** Leaves a test to the laptop: what it looks at is not used outdoors, or is the same there. */
export const laptop = only('laptop');

/** On the sheet of a tree: passes the steps that are left, to its end. */
export async function toTheEnd(page: Page): Promise<void> {
  const skip = page.getByRole('button', { name: 'Skip for now' });
  const pause = page.getByRole('region', { name: 'Pause and look' });
  const end = page.getByRole('region', { name: 'Finish' });
  await expect(async () => {
    if (await pause.isVisible()) await page.getByRole('button', { name: 'Stop here' }).click();
    else if (await skip.isVisible()) await skip.click();
    expect(await end.isVisible()).toBe(true);
  }).toPass({ intervals: [50] });
}
