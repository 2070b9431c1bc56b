import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { counted, demoOf, expect, laptop, open, start, test } from './app';

const slip = (page: Page) => page.getByRole('region', { name: 'Slip', exact: true });
const heads = (page: Page) => slip(page).locator('.bench-stephead');
const bench = (code: string) => `/lower-terrace/trees/lower-terrace-${code}`;

/** The limb a step cuts: its title begins with it. */
const limbOf = (title: string) => title.split(' ')[0] ?? '';

test(
  'a limb set temporary is kept by the slip, and its day stands on the docket',
  laptop('limbs are decided about on the laptop here; the phone marks them in another test'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C2'));
    const titles = await heads(page).locator('b').allInnerTexts();
    const title = titles.find((t) => t.includes('off at its collar') && !t.startsWith('F') && !t.startsWith('S3.4'));
    expect(title).toBeTruthy();
    const id = limbOf(title ?? '');

    await page.getByRole('button', { name: 'Map', exact: true }).click();
    await page
      .getByRole('treeitem', { name: new RegExp(`^${id.replaceAll('.', '\\.')}\\b`) })
      .first()
      .focus();
    await page.keyboard.press('Enter');
    await page.getByRole('combobox', { name: 'Decided' }).click();
    await page.getByRole('option', { name: /^temporary/ }).click();
    await page.getByLabel('Look again on').fill('2027-09-01');
    await page.getByLabel('Why', { exact: true }).fill('until the limb above it bears');
    await page.getByLabel('Why', { exact: true }).blur();
    await expect(page.getByText(/look on/)).toBeVisible();
    await page.getByRole('button', { name: 'Slip', exact: true }).click();
    await expect(heads(page).filter({ hasText: title ?? '' })).toHaveCount(0);

    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-C2&day=2027-09-02`);
    await expect(page.getByText('Look again at a limb you decided about').first()).toBeVisible();
  },
);

test(
  'three choices of the school move what the slip and the year say',
  laptop('the choices are the same on the phone'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C2'));
    await expect(slip(page).getByText('Clean tools with alcohol between trees')).toBeVisible();
    const steps = await counted(heads(page));
    const says = await slip(page).getByRole('figure', { name: 'Stop line' }).locator('figcaption').innerText();
    const change = async (own: Record<string, string>) =>
      page.evaluate(async (own) => {
        const got = (await (await fetch('/api/orchards/lower-terrace')).json()) as {
          orchard: { version: number; school: { own: Record<string, string> } };
        };
        got.orchard.school.own = own;
        const r = await fetch('/api/orchards/lower-terrace', {
          method: 'PUT',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ version: got.orchard.version, orchard: got.orchard }),
        });
        return r.status;
      }, own);
    expect(await change({ cleaning: 'every-cut' })).toBe(200);
    await page.reload();
    await expect(slip(page).getByText('Clean the blade with alcohol at every cut.')).toBeVisible();

    expect(await change({ yearly_limit: '33' })).toBe(200);
    await page.reload();
    await expect(slip(page).getByRole('figure', { name: 'Stop line' }).locator('figcaption')).not.toHaveText(says);

    expect(await change({ height_cut: 'dormant-reduction' })).toBe(200);
    await page.reload();
    await expect(slip(page).getByRole('region', { name: 'Tops, big cuts first' })).toBeVisible();
    expect(await counted(heads(page))).not.toBe(steps);
  },
);

test(
  'a slip is logged, and the plan of the years after it stays what it was: down, then held',
  laptop('logging is the same on the phone, where another test logs'),
  async ({ page, demo }) => {
    test.setTimeout(120_000);
    await open(page, demo + bench('D1'));
    const years = page.getByRole('region', { name: 'Down, then held' });
    await expect(years.getByText(/^Held from/)).toBeVisible({ timeout: 30_000 });
    const planned = await years.getByRole('img').getAttribute('aria-label');
    // the first winter is logged as it stands; the map, the account and the plan follow
    await slip(page).getByRole('button', { name: 'Log what was cut' }).click();
    const log = page.getByRole('form', { name: 'Log what was cut' });
    await log.getByLabel('If outside its window: why').fill('the only free Saturday');
    await log.getByRole('button', { name: /^Log/ }).click();
    await expect(page.getByRole('status').filter({ hasText: 'cuts logged' })).toBeVisible();
    await expect(slip(page).getByText('nothing to cut').first()).toBeVisible();
    await expect(years.getByText(/^Held from/)).toBeVisible({ timeout: 30_000 });
    // what was planned after it still is
    const heights = (says: string | null) =>
      [...(says ?? '').matchAll(/(\d{4}) (\d\.\d\d) m/g)].map((m) => [m[1], Number(m[2])] as const);
    const before = heights(planned);
    const after = heights(await years.getByRole('img').getAttribute('aria-label'));
    expect(after.map(([y]) => y)).toEqual(before.map(([y]) => y));
    for (const [k, [, cm]] of after.entries()) expect(Math.abs(cm - (before[k]?.[1] ?? 0))).toBeLessThan(0.3); // the map as cut is grown anew
    for (const [, cm] of after.slice(3)) expect(cm).toBeLessThan(2.33);
  },
);

/** What the bench says of a tree now. */
const heightOf = (page: Page, code: string) =>
  page.evaluate(async (code) => {
    const got = (await (await fetch(`/api/orchards/lower-terrace/trees/lower-terrace-${code}/map`)).json()) as {
      facts: { height_cm: number };
      tree: { reach_cm: number };
    };
    return { height: got.facts.height_cm, reach: got.tree.reach_cm };
  }, code);

test(
  'a slip is logged in winter, the map carried on to summer, and its slip logged: the tree comes to reach',
  laptop('logging is the same on the phone, where another test logs'),
  async ({ page, folder }) => {
    const db = join(folder, 'years.db');
    copyFileSync(await demoOf('2027-02-20'), db);
    const code = 'D1';
    const heights: number[] = [];
    let reach = 0;
    for (const day of ['2027-02-20', '2027-07-05']) {
      const app = await start(['demo', '--db', db, '--today', day]);
      await open(page, app.url + bench(code));
      const carry = page.getByRole('button', { name: 'Carry it on to today' });
      await expect(slip(page).getByRole('figure', { name: 'Stop line' })).toBeVisible();
      if (day !== '2027-02-20') {
        await carry.click();
        await expect(carry).toHaveCount(0);
        await expect(slip(page).getByText('A forecast')).toHaveCount(0);
      }
      const log = slip(page).getByRole('button', { name: 'Log what was cut' });
      await expect(
        log.or(
          slip(page)
            .getByText(/^Nothing to cut/)
            .first(),
        ),
      ).toBeVisible();
      if (await log.isVisible()) {
        await log.click();
        const form = page.getByRole('form', { name: 'Log what was cut' });
        await expect(form.getByRole('button', { name: /^Log/ })).toBeVisible();
        const why = form.getByLabel('If outside its window: why');
        if (await why.isVisible()) await why.fill('the only free Saturday');
        await form.getByRole('button', { name: /^Log/ }).click();
        await expect(page.getByRole('status').filter({ hasText: /logged/ })).toBeVisible();
      }
      const now = await heightOf(page, code);
      reach = now.reach;
      heights.push(now.height);
      await app.stop();
    }
    expect(heights[1]).toBeLessThan(reach + 21); // three years of it: api's TestThreeYearsOfSlips
  },
);
