import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import { accessible, demoOf, expect, fits, laptop, open, start, test } from './app';
import { station } from './sky';

const day = '2027-03-10';

test(
  'the fortnight is told, a station that falls silent is said, and what was known stays',
  laptop('the same table on the phone'),
  async ({ page, folder }) => {
    const sky = await station(day);
    const db = join(folder, 'sky.db');
    copyFileSync(await demoOf(day), db);
    await sky.play('down');
    const app = await start(['demo', '--db', db, '--today', day, '--station', sky.url]);
    await open(page, `${app.url}/lower-terrace/yard`);
    const strip = page.getByRole('region', { name: 'The fortnight' });
    await expect(strip.getByText(/usual weather of the place/)).toBeVisible();
    await expect(async () => {
      await page.reload();
      await expect(strip.getByText('The weather station: the station answers 503.')).toBeVisible({ timeout: 2_000 });
    }).toPass({ timeout: 40_000 });
    await sky.play('none');
    await strip.getByRole('button', { name: 'Ask it again' }).click();
    await expect(strip.getByRole('row', { name: /^dormant cuts/ })).toBeVisible();
    await expect(strip.getByText(/the first fit day|is fit for/).first()).toBeVisible();
    const first = await strip.locator('thead th').allInnerTexts();
    expect(first).toHaveLength(15);
    await fits(page);
    await accessible(page, { colours: true });
    // what a thermometer on the plot read counts before the station
    await strip.getByText('Weather of your own').click();
    await strip.getByLabel(/^Lowest/).fill('-3,5');
    await strip.getByLabel(/^Highest/).fill('8');
    await strip.getByRole('button', { name: 'Keep it' }).click();
    await expect(strip.getByText('Kept: the dates follow.')).toBeVisible();
    const days = {
      name: 'days.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from('date,tmin,tmax,rain\n2027-03-01,40,4,0'),
    };
    await strip.locator('input[type=file]').setInputFiles(days);
    await expect(strip.getByText(/line 2, tmin/)).toBeVisible();
    await accessible(page);
    // wrong weather is not believed: the fortnight stays as it was
    await sky.play('wrong-place');
    await page.request.post(`${app.url}/api/orchards/lower-terrace/weather/ask`);
    await page.reload();
    await expect(strip.getByText(/weather of another place/)).toBeVisible();
    await expect(strip.getByRole('row', { name: /^dormant cuts/ })).toBeVisible();
    await app.stop();
    sky.child.kill();
  },
);
