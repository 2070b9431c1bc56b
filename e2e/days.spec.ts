import { copyFileSync } from 'node:fs';
import { join } from 'node:path';
import { phone, accessible, demoOf, expect, fits, laptop, open, start, test } from './app';
import { station } from './sky';

/** A demo on a day, asking a station that tells the demo's year, once its weather has come. */
async function underSky(folder: string, day: string) {
  const sky = await station(day, true);
  const db = join(folder, `days-${day}.db`);
  copyFileSync(await demoOf(day), db);
  const app = await start(['demo', '--db', db, '--today', day, '--station', sky.url]);
  await expect(async () => {
    const got = (await (await fetch(`${app.url}/api/orchards/lower-terrace/weather`)).json()) as { days: unknown[] };
    expect(got.days.length).toBeGreaterThan(14);
  }).toPass({ timeout: 30_000 });
  return {
    url: `${app.url}/lower-terrace`,
    stop: async () => {
      await app.stop();
      sky.child.kill();
    },
  };
}

test(
  'every job has a day; one is moved by hand, and docket and weeks say the same',
  laptop('the phone reads the list'),
  async ({ page, folder }) => {
    const app = await underSky(folder, '2027-02-20');
    await open(page, `${app.url}/year`);
    await page.getByRole('button', { name: 'Three weeks' }).click();
    const weeks = page.getByRole('region', { name: 'Three weeks' });
    const flag = weeks.getByRole('button', { name: /^C1 Dormant cut, / });
    const before = await flag.getAttribute('aria-label');
    await accessible(page, { colours: true });
    await fits(page);
    await flag.click();
    const grip = weeks.getByRole('button', { name: /Arrow keys move it a day/ });
    await expect(grip).toBeFocused();
    const set = weeks.getByRole('button', { name: /^Set / });
    // a day that is not fit, or closed, says why and cannot be set
    await page.keyboard.press('ArrowLeft');
    await expect(weeks.locator('.year-costs .year-told b')).toBeVisible();
    for (let i = 0; i < 12 && (await set.isEnabled()); i++) await page.keyboard.press('ArrowLeft');
    await expect(set).toBeDisabled();
    // to the right of it lies one that is, other than where it stood
    for (let i = 0; i < 20; i++) {
      await page.keyboard.press('ArrowRight');
      const name = (await grip.getAttribute('aria-label')) ?? '';
      if (
        (await set.isEnabled()) &&
        !name.includes(/, ([A-Z][a-z]+ \d+|\d+ [A-Z][a-z]+),/.exec(before ?? '')?.[1] ?? '-')
      )
        break;
    }
    await expect(set).toBeEnabled();
    await accessible(page);
    const day = ((await set.innerText()) || '').replace(/^Set /, '');
    await set.click();
    await expect(weeks.getByRole('button', { name: /^C1 Dormant cut, .*set by you/ })).toBeVisible();
    await page.reload();
    await expect(weeks.getByRole('button', { name: /^C1 Dormant cut, .*set by you/ })).toBeVisible();
    await weeks.getByText('The same in words').click();
    await expect(weeks.getByText(/You set it\./)).toBeVisible();
    await page.getByRole('link', { name: /Yard/ }).first().click();
    await expect(page.getByText(`Set for ${day}.`).first()).toBeVisible();
    // the choice is given back
    await open(page, `${app.url}/year?span=weeks`);
    await weeks.getByRole('button', { name: /^C1 Dormant cut, .*set by you/ }).click();
    await weeks.getByRole('button', { name: 'Let the planner choose' }).click();
    await expect(weeks.getByRole('button', { name: before ?? '' })).toBeVisible();
    // by hand: the grip is dragged a few columns
    await flag.click();
    const box = await grip.boundingBox();
    const from = await grip.getAttribute('aria-label');
    if (!box) throw new Error('no grip');
    await page.mouse.move(box.x + 12, box.y + 8);
    await page.mouse.down();
    await page.mouse.move(box.x + 160, box.y + 8, { steps: 4 });
    await page.mouse.up();
    expect(await grip.getAttribute('aria-label')).not.toBe(from);
    await page.keyboard.press('Escape');
    await expect(grip).toBeHidden();
    // another school held against the plan, on the same rows
    await page.getByRole('button', { name: 'Twelve months' }).click();
    await page.getByLabel('hold against').selectOption({ index: 2 });
    await expect(page.getByRole('button', { name: /would not do it|: .*, \d+ \w+ to/ }).first()).toBeVisible();
    await accessible(page);
    await app.stop();
  },
);

test(
  'a season: what is seen moves what follows, a frost asks for a count, and all of it stands in figures',
  laptop('the same sheet on the phone'),
  async ({ page, folder }) => {
    const app = await underSky(folder, '2027-04-10');
    await open(page, `${app.url}/trees/lower-terrace-A4/season`);
    await expect(page.getByRole('heading', { name: /Nine Locks/ })).toBeVisible();
    await accessible(page);
    await fits(page);
    const figures = page.getByRole('region', { name: 'The same in figures' });
    const row = (name: string) => figures.getByRole('row', { name: new RegExp(`^${name}`) });
    await expect(row('Cold, ')).toContainText('met');
    const thinning = (await row('Fruitlets of 18 mm').textContent()) ?? '';
    // one tap: petals are down a few days before they were expected
    const see = page.getByRole('region', { name: 'I see it today' });
    await see.getByRole('button', { name: /^Petal fall/ }).click();
    await expect(row('Petal fall')).toContainText(/April 10|10 April/);
    await expect(row('Fruitlets of 18 mm')).not.toHaveText(thinning);
    await see.getByRole('button', { name: 'Take it back' }).click();
    await expect(row('Fruitlets of 18 mm')).toHaveText(thinning);
    // the frost in bloom asks for a count of what is alive
    await expect(page.getByRole('region', { name: 'Frost nights' })).toContainText(/-3\.4 °C on/);
    await see.getByRole('link', { name: /^Count/ }).click();
    await expect(page).toHaveURL(/thinning\/lower-terrace-A4/);
    // what may be seen on the trees now is asked on the yard, for one tree or all of a kind
    await open(page, `${app.url}/yard`);
    const ask = page.getByRole('region', { name: 'Do you see it?' });
    const tap = ask.getByRole('button', { name: /seen today on/ }).first();
    const name = (await tap.getAttribute('aria-label')) ?? '';
    await tap.click();
    await expect(ask.getByRole('status')).toContainText('logged');
    await expect(ask.getByRole('button', { name, exact: true })).toBeHidden();
    await ask.getByRole('button', { name: 'Take it back' }).click();
    await expect(ask.getByRole('button', { name, exact: true })).toBeVisible();
    await app.stop();
  },
);

test(
  'rain moves a cut of stone fruit to the first day that stays dry, and says so',
  laptop('the same list on the phone'),
  async ({ page, folder }) => {
    const app = await underSky(folder, '2027-07-30');
    await open(page, `${app.url}/year?span=weeks`);
    await page.getByText('The same in words').click();
    const cut = page.getByRole('listitem').filter({ hasText: 'Dry-summer cut' }).first();
    await expect(cut).toContainText(/Not sooner: .*rain before the wounds are dry/);
    await open(page, `${app.url}/yard`);
    await expect(page.getByText(/ today: set for /).first()).toBeVisible();
    await app.stop();
  },
);

test(
  'on a phone the weeks are a list, and the season fits',
  phone('the drawing is tested on the laptop'),
  async ({ page, folder }) => {
    const app = await underSky(folder, '2027-04-10');
    await open(page, `${app.url}/year?span=weeks`);
    await expect(page.getByRole('heading', { name: /April/ }).first()).toBeVisible();
    await fits(page);
    await accessible(page);
    await open(page, `${app.url}/trees/lower-terrace-C1/season`);
    await expect(page.getByRole('heading', { name: /Tollgate/ })).toBeVisible();
    await fits(page);
    await accessible(page);
    await app.stop();
  },
);
