import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { open, test } from './app';

const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');

// one current picture of each main view, made from the demo: make screenshots
test('pictures of the main views', async ({ page, demo }, info) => {
  test.skip(!process.env.SCREENSHOTS, 'made by make screenshots');
  mkdirSync(folder, { recursive: true });
  const take = async (name: string, path: string) => {
    await open(page, demo + path);
    await page.screenshot({ path: join(folder, `${name}.png`) });
  };
  if (info.project.name === 'phone') {
    await take('yard-phone', '/lower-terrace/yard');
    await take('tree-phone', '/lower-terrace/yard?tree=lower-terrace-C1');
    return;
  }
  await take('yard', '/lower-terrace/yard');
  await take('yard-summer', '/saltwind/yard?day=2026-12-28');
  await take('tree-panel', '/lower-terrace/yard?tree=lower-terrace-C1');
  await take('trees', '/lower-terrace/trees');
  await open(page, `${demo}/lower-terrace/year`);
  await page.getByRole('button', { name: /^A3 Pear/ }).click();
  await page
    .getByText(/Renewal row/)
    .first()
    .waitFor();
  await page.screenshot({ path: join(folder, 'year.png') });
  await take('setup', '/lower-terrace/setup');
  await page.evaluate(() => localStorage.setItem('vertumna-light', 'dusk'));
  await take('yard-dusk', '/lower-terrace/yard?day=2027-06-24');
});
