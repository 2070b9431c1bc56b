import AxeBuilder from '@axe-core/playwright';
import { test as base, expect, type Locator, type Page } from '@playwright/test';
import { spawn } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
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

const written = new Map<string, string>();

/** The demo's file of a day: written once a worker, copied for each test. */
export async function demoOf(day: string): Promise<string> {
  const have = written.get(day);
  if (have) return have;
  const file = join(mkdtempSync(join(tmpdir(), 'vertumna-demo-')), 'demo.db');
  const app = await start(['demo', '--db', file, '--today', day]);
  await app.stop();
  written.set(day, file);
  return file;
}

async function runs(folder: string, day: string, use: (url: string) => Promise<void>): Promise<void> {
  const db = join(folder, `${day}.db`);
  copyFileSync(await demoOf(day), db);
  const app = await start(['demo', '--db', db, '--today', day]);
  await use(app.url);
  await app.stop();
}

process.on('exit', () => {
  for (const file of written.values()) rmSync(dirname(file), { recursive: true, force: true });
});

interface Apps {
  /** The demo orchard on 20 February 2027, fresh for this test. */
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

export const test = base.extend<Apps & { folder: string }>({
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
  demo: async ({ folder }, use) => runs(folder, '2027-02-20', use),
  march: async ({ folder }, use) => runs(folder, '2027-03-10', use),
  summer: async ({ folder }, use) => runs(folder, '2027-07-05', use),
  spring: async ({ folder }, use) => runs(folder, '2027-05-10', use),
  june: async ({ folder }, use) => runs(folder, '2027-06-20', use),
  empty: async ({ folder }, use) => {
    const app = await start(['serve', '--db', join(folder, 'own.db'), '--today', '2027-02-20']);
    await use(app.url);
    await app.stop();
  },
});

/**
 * Fails on anything that axe finds by the rules and by best practice, the least of it apart. The contrast of colours is half of its work: it is
 * left out where the same colours are looked at elsewhere, as on the phone what the laptop's run of the same test shows.
 */
export async function accessible(page: Page, { colours = true } = {}): Promise<void> {
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
