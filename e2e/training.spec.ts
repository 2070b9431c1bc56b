import type { Page } from '@playwright/test';
import { accessible, expect, fits, laptop, open, phone, test } from './app';

const training = (code: string, day = '') => `/new-rows/trees/new-rows-${code}/training${day ? `?day=${day}` : ''}`;

/** The panel of bending on a young plum, a limb of it chosen. */
async function bendingS4(page: Page, demo: string) {
  await open(page, demo + training('R3'));
  const bend = page.getByRole('region', { name: 'Bend', exact: true });
  await bend.getByRole('button', { name: /^S4/ }).click();
  await expect(bend.getByRole('heading', { name: 'Bend S4' })).toBeVisible();
  return bend;
}

const stillOn = (page: Page) => page.getByRole('region', { name: 'Still on' });

test(
  'a limb is bent with its preview, logged with its device, looked at and taken off',
  laptop('the same panel on the phone'),
  async ({ page, demo }) => {
    const bend = await bendingS4(page, demo);
    const says = bend.getByRole('status').first();
    const before = await says.innerText();
    await bend.getByRole('slider').first().press('ArrowLeft');
    await expect(says).not.toHaveText(before);
    await bend.getByRole('button', { name: 'Cord to peg' }).click();
    await expect(bend.getByText('Cord', { exact: true })).toBeVisible();
    await bend.getByRole('button', { name: /^It holds at/ }).click();
    const row = stillOn(page).getByRole('button', { name: /S4 cord to a peg/ });
    await expect(row).toBeVisible();
    await row.click();
    await stillOn(page).getByRole('button', { name: 'It sits well' }).click();
    await stillOn(page).getByLabel('Degrees it came to rest at').fill('20');
    await expect(stillOn(page).getByText(/springs back more than 10/)).toBeVisible();
    await stillOn(page).getByRole('button', { name: 'It is off' }).click();
    await expect(row).toHaveCount(0);
    await accessible(page, { colours: true });
  },
);

test(
  'a limb is pulled on its drawing, and what it holds at is read off a picture',
  laptop('the same drawing on the phone'),
  async ({ page, demo }) => {
    const bend = await bendingS4(page, demo);
    const grip = page.getByRole('slider', { name: 'Pull S4 to the angle wanted' });
    const was = Number(await grip.getAttribute('aria-valuenow'));
    const box = await grip.boundingBox();
    if (!box) throw new Error('nothing to pull');
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 + 2, box.y + box.height / 2 + 14, { steps: 5 });
    await page.mouse.up();
    const to = Number(await grip.getAttribute('aria-valuenow'));
    expect(to).toBeGreaterThan(was);
    await expect(bend.getByRole('slider').first()).toHaveValue(String(to)); // the panel says the same

    await bend.getByText('Read off a picture what it holds at').click();
    const picture = await page.evaluate(() => {
      const c = document.createElement('canvas');
      [c.width, c.height] = [400, 400];
      return c.toDataURL('image/png').split(',')[1] ?? '';
    });
    await bend
      .getByLabel('A picture of the limb')
      .setInputFiles({ name: 'limb.png', mimeType: 'image/png', buffer: Buffer.from(picture, 'base64') });
    const points = page.getByRole('group', { name: 'The picture with its three points' });
    const tip = points.getByRole('button', { name: /^along the limb/ });
    await tip.focus();
    for (let i = 0; i < 7; i++) await tip.press('Shift+ArrowDown'); // level with the fork
    await expect(bend.getByText(/90° between trunk and limb/)).toBeVisible();
    for (let i = 0; i < 6; i++) await tip.press('Shift+ArrowUp');
    await expect(bend.getByText(/45° between trunk and limb/)).toBeVisible();
    await accessible(page);
    await bend.getByRole('button', { name: 'It holds so' }).click();
    const logged = page.waitForRequest((r) => r.url().includes('/training/devices') && r.method() === 'POST');
    await bend.getByRole('button', { name: 'It holds at 45°' }).click();
    expect(((await logged).postDataJSON() as { act: { after_deg: number } }).act.after_deg).toBe(45);
    await expect(stillOn(page).getByRole('button', { name: /S4/ })).toBeVisible();
  },
);

test('a whip is led from planting day to year three on the rail', async ({ page, demo }) => {
  await open(page, demo + training('R1'));
  const planting = page.getByRole('region', { name: 'Planting day' });
  await expect(planting.getByRole('heading', { name: /Head it at \d+ cm, bud \d+/ })).toBeVisible();
  await planting.getByRole('button', { name: /Roots/ }).click();
  await expect(planting.getByText(/1 of \d+ done/)).toBeVisible();
  await planting.getByText('To have at home before it comes').click();
  await expect(planting.getByText('Soft band')).toBeVisible();
  await planting.getByText('What to look for in a nursery tree').click();
  await expect(planting.getByText(/Roots damp and many/)).toBeVisible();
  await page.reload();
  await expect(planting.getByRole('button', { name: /Roots/ })).toHaveAttribute('aria-pressed', 'true');
  const year = (n: number) => page.getByRole('region', { name: `Year ${String(n)}` });
  await expect(year(2).getByText('Choose the main limbs')).toBeVisible();
  await open(page, demo + training('R1', '2028-04-05'));
  await expect(
    year(1)
      .getByText(/missed/)
      .first(),
  ).toBeVisible();
  await expect(year(2).getByText(/limbs, the lowest at about/)).toBeVisible();
  await open(page, demo + training('R1', '2029-04-05'));
  await expect(
    year(3)
      .getByText(/tier 2/)
      .first(),
  ).toBeVisible();
  await fits(page);
});

test('the wall goes from one wire to the next', laptop('the same drawing, narrower'), async ({ page, demo }) => {
  await open(page, demo + training('W2'));
  const wall = page.getByRole('region', { name: 'At the wall' });
  const titles = await wall.locator('li span b').allInnerTexts();
  const first = titles.findIndex((t) => t.startsWith('Spares'));
  expect(titles.slice(0, first).every((t) => /^(Tie|Lay)/.test(t))).toBe(true);
  await expect(wall.getByText('Leader off at 103 cm')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Arms' }).getByText('no arm yet')).toHaveCount(4);
  await expect(page.getByRole('region', { name: 'Main limbs' })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Hardware' }).getByText('steel-core washing line')).toBeVisible();
  await open(page, demo + training('W3'));
  await expect(page.getByRole('region', { name: 'Arms' }).getByText('no arm yet')).toHaveCount(2);
  await expect(page.getByText(/A window begins 50 cm east of the trunk, its sill at 115 cm/)).toBeVisible();
  await fits(page);
  await accessible(page);
});

test(
  'a notching trial is read out, and a new one is counted',
  laptop('the same form on the phone'),
  async ({ page, june }) => {
    await open(page, june + training('R2'));
    const trials = page.getByRole('region', { name: 'Trials' });
    await expect(trials.getByText(/it helps/).first()).toBeVisible();
    await expect(trials.getByText(/planned two weeks before/)).toBeVisible();
  },
);

test(
  'a spreader stands between two limbs, and tells what it does to the other',
  laptop('the same panel on the phone'),
  async ({ page, demo }) => {
    const bend = await bendingS4(page, demo);
    await bend.getByRole('button', { name: 'Spreader', exact: true }).click();
    await expect(bend.getByText(/up the trunk/)).toBeVisible();
    await bend.getByLabel('It stands against').selectOption('S3');
    await expect(bend.getByText(/One stick moves both: S3 goes from \d+ to \d+°/)).toBeVisible();
    await expect(bend.getByText(/between the two/)).toBeVisible();
  },
);

test(
  'a stake and a wire of metal are put up, and stay among what is looked at',
  laptop('the same form on the phone'),
  async ({ page, demo }) => {
    await open(page, demo + training('W2'));
    await page.getByText('Put up a stake or a wire').click();
    const what = page.getByRole('group', { name: 'What is put up' });
    const up = page.locator('details', { has: what });
    await up.getByRole('button', { name: 'It stands' }).click(); // the lowest wire, as the form offers it
    await expect(stillOn(page).getByRole('button', { name: /wire stays/ })).toBeVisible();
    await what.getByRole('button', { name: 'stake' }).click();
    await up.getByRole('button', { name: 'It stands' }).click();
    await expect(stillOn(page).getByRole('button', { name: /stake stays/ })).toBeVisible();
  },
);

test(
  'a bud that grows by itself is not notched, and the word on it stays',
  laptop('the same panel on the phone'),
  async ({ page, demo }) => {
    await open(page, demo + training('R1', '2027-03-25'));
    const buds = page.getByRole('region', { name: 'Buds to wake' });
    const first = buds.getByRole('button', { name: /: asleep$/ }).nth(3);
    await first.focus();
    await page.keyboard.press('Enter'); // opening
    await buds.getByRole('button', { name: /: opening$/ }).press('Enter'); // broken
    await expect(buds.getByText('One low bud grows by itself: one notch fewer.')).toBeVisible();
    await page.reload();
    await expect(buds.getByRole('button', { name: /: broken$/ })).toBeVisible();
    await accessible(page);
  },
);

test(
  'nothing stays tied by accident: what is on stands by its days left',
  phone('looked at in the yard'),
  async ({ page, demo }) => {
    await open(page, `${demo}/new-rows/devices`);
    const rows = stillOn(page).getByRole('button');
    await expect(rows.first()).toContainText('over');
    await expect(rows).toHaveCount(5);
    await expect(page.getByText(/1 over its day/)).toBeVisible();
    await fits(page);
    await accessible(page);
  },
);
