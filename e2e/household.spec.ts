import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import { accessible, binary, demoOf, expect, fits, laptop, open, test } from './app';

const words = 'three quinces by the gate';
const tree = 'lower-terrace-C2';

test(
  'a helper answers on a link, and the owner takes it in',
  laptop('the owner sits at a table; the helper holds a phone here'),
  async ({ page, march, browser }) => {
    await open(page, `${march}/lower-terrace/trees/${tree}`);
    const panel = page.locator('details', { hasText: 'A helper for this tree' });
    await panel.locator('summary').click();
    await panel.getByLabel('What else they should know').fill('the saw hangs in the shed');
    await panel.getByRole('button', { name: 'Make a link' }).click();
    const url = await panel.locator('.helper-helperurl').getAttribute('href');

    const theirs = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, locale: 'en-GB' });
    const helper = await theirs.newPage();
    await open(helper, `${march}${url ?? ''}`);
    await expect(helper.getByText('the saw hangs in the shed')).toBeVisible();
    await expect(helper.getByText('Weir Russet')).toHaveCount(0);
    await helper.getByRole('button', { name: 'Cut made' }).click();
    await expect(helper.locator('.helper-helpersteps .helper-said')).toHaveText(['cut']);
    await helper.locator('.helper-helperhead').nth(1).click();
    await helper.getByLabel('A word on step 2').fill('out of my reach');
    await helper.getByRole('button', { name: 'Could not' }).click();
    await expect(helper.locator('.helper-helpersteps .helper-said')).toHaveText(['cut', 'could not']);
    await fits(helper);
    await accessible(helper, { colours: true });

    await page.reload();
    await expect(panel.getByText('2 answers waiting for you')).toBeVisible();
    await panel.getByRole('button', { name: 'Take all in' }).click();
    await expect(panel.getByRole('button', { name: 'Take all in' })).toHaveCount(0);
    const journal = (await (
      await page.request.get(`${march}/api/orchards/lower-terrace/entries?tree=${tree}&all=true`)
    ).json()) as {
      who?: string;
      made?: unknown[];
      note?: string;
    }[];
    const logged = journal.filter((e) => e.who === 'a helper' && e.made);
    expect(logged).toHaveLength(1);
    expect(logged[0]?.note).toContain('out of my reach');
    await theirs.close();
  },
);

test(
  'phones of the house sign in over TLS, and out again',
  laptop('the gate is the same on the phone'),
  async ({ browser, folder }) => {
    const db = join(folder, 'house.db');
    copyFileSync(await demoOf('2027-03-10'), db);
    spawnSync(binary, ['passphrase', '--db', db], { input: `${words}\n` });
    const port = 20_000 + Math.floor((process.pid * 7919) % 20_000);
    const child = spawn(
      binary,
      ['serve', '--db', db, '--today', '2027-03-10', '--listen', `0.0.0.0:${String(port)}`, '--quiet'],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
      },
    );
    await new Promise<void>((resolve) =>
      child.stdout.on('data', (b: Buffer) => b.toString().includes('ready') && resolve()),
    );
    const context = await browser.newContext({ ignoreHTTPSErrors: true, locale: 'en-GB' });
    const page = await context.newPage();
    await page.goto(`https://127.0.0.1:${String(port)}/lower-terrace/sheet`);
    await page.getByLabel('Passphrase', { exact: true }).fill('three quinces by the wall');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByText('That is not the passphrase.')).toBeVisible();
    await accessible(page);
    await page.getByLabel('Passphrase', { exact: true }).fill(words);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'The walk' })).toBeVisible();
    const [cookie] = await context.cookies();
    expect(cookie).toMatchObject({ httpOnly: true, secure: true, sameSite: 'Strict' });

    await page.goto(`https://127.0.0.1:${String(port)}/lower-terrace/setup#access`);
    const access = page.getByRole('region', { name: 'Access' });
    await expect(access.getByText('You are signed in as owner.')).toBeVisible();
    await access.getByRole('button', { name: 'Sign everybody out' }).click();
    await expect(page.getByLabel('Passphrase', { exact: true })).toBeVisible();
    for (let i = 0; i < 12; i++) {
      await page.getByLabel('Passphrase', { exact: true }).fill(`a guess, number ${String(i)}`);
      await page.getByRole('button', { name: 'Sign in' }).click();
      await expect(page.getByRole('alert')).toBeVisible();
    }
    await expect(page.getByText('Too many tries: wait a minute')).toBeVisible();
    await context.close();
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill();
    await ended;
  },
);
