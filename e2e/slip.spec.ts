import type { Page } from '@playwright/test';
import { accessible, counted, expect, fits, laptop, open, test } from './app';

const bench = (code: string, day = '') => `/lower-terrace/trees/lower-terrace-${code}${day ? `?day=${day}` : ''}`;
const slip = (page: Page) => page.getByRole('region', { name: 'Slip', exact: true });
const heads = (page: Page) => slip(page).locator('.bench-stephead');

test('a step is taken, another left and put back, and the stop line follows', async ({ page, demo }, info) => {
  await open(page, demo + bench('C2'));
  const before = await counted(heads(page));
  expect(before).toBeGreaterThan(4);
  const gauge = slip(page).getByRole('figure', { name: 'Stop line' });
  const says = await gauge.locator('figcaption').innerText();

  await heads(page).nth(1).click();
  await slip(page).getByRole('button', { name: 'Cut it' }).click();
  await expect(slip(page).getByRole('button', { name: 'Taken' })).toBeVisible();

  await heads(page).nth(3).click();
  const title = await heads(page).nth(3).locator('b').innerText();
  if (info.project.name === 'phone') await slip(page).getByRole('button', { name: 'Leave it' }).click();
  else await page.keyboard.press('l');
  const left = slip(page).getByRole('region', { name: 'Left by you' });
  await expect(left).toBeVisible();
  await expect(heads(page).filter({ hasText: title })).toHaveCount(0);
  await expect(gauge.locator('figcaption')).not.toHaveText(says);

  await page.reload();
  await expect(left).toBeVisible();
  await left.getByRole('button', { name: 'Put it back' }).first().click();
  await expect(left).toHaveCount(0);
  await expect(heads(page)).toHaveCount(before);
  await expect(gauge.locator('figcaption')).toHaveText(says);
  await fits(page);
  await accessible(page, { colours: true });
});

test(
  'a cut is moved to another bud, and the tree is seen after the cuts and next winter',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }) => {
    await open(page, `${demo}/saltwind/trees/saltwind-B2`);
    const n = await counted(heads(page));
    for (let i = 0; i < n; i++) {
      await heads(page).nth(i).click();
      await slip(page)
        .getByRole('button', { name: /^Move the cut/ })
        .click();
      const places = slip(page).locator('.bench-places button:not([disabled])');
      await places.first().waitFor();
      if ((await counted(places)) > 2) break;
      await heads(page).nth(i).click();
    }
    const to = slip(page).locator('.bench-places button:not([disabled])').last();
    const name = (await to.innerText()).split(', at ')[0] ?? '';
    await to.click();
    await expect(heads(page).filter({ hasText: name }).first()).toBeVisible();

    const limbs = page.getByRole('treeitem');
    const now = await counted(limbs);
    await page.getByRole('button', { name: 'After the cuts' }).click();
    await expect(page.getByText('As it stands once the slip is made.')).toBeVisible();
    await expect(async () => expect(await counted(limbs)).toBeLessThan(now)).toPass();
    await page.getByRole('button', { name: 'Next winter' }).click();
    await expect(page.getByText(/with the slip made: next winter/)).toBeVisible();
    await page.getByRole('button', { name: 'Uncut' }).click();
    await expect(page.getByText(/if nothing is cut: next winter/)).toBeVisible();
    await page.getByRole('button', { name: 'Now', exact: true }).click();
    await expect(limbs).toHaveCount(now);
  },
);

test(
  'part of a slip is logged, and what was left stands on the rail next season',
  laptop('on the phone it is logged from the sheet'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C2'));
    await heads(page).first().waitFor();
    const steps = await counted(heads(page));
    await slip(page).getByRole('button', { name: 'Log what was cut' }).click();
    const log = page.getByRole('form', { name: 'Log what was cut' });
    await log.getByRole('checkbox').last().uncheck();
    await log.getByRole('textbox', { name: 'Wound of step 2, mm' }).fill('0.9');
    await log.getByRole('button', { name: /^Log/ }).click();
    await expect(log.getByRole('alert')).toContainText('in millimetres');
    await log.getByRole('textbox', { name: 'Wound of step 2, mm' }).fill('');
    await log.getByLabel('If outside its window: why').fill('dry days now');
    await log.getByRole('button', { name: `Log ${String(steps - 1)} of ${String(steps)}` }).click();
    await expect(page.getByRole('status').filter({ hasText: 'cuts logged' })).toBeVisible();
    await expect(page.getByText(/map of 20 February/)).toBeVisible();
    await expect(slip(page).getByText(/gone/).first()).toBeVisible();

    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-C2&day=2027-06-28`);
    await expect(page.getByText('Limbs left by the last slip').first()).toBeVisible();
    await page.getByText('Limbs left by the last slip').first().click();
    await expect(page.getByText(/From the slip of/).first()).toBeVisible();
  },
);

test(
  'why not this limb, the two working orders, the seasons side by side, and the years',
  laptop('the same parts below one another; looked at on the laptop'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C1'));
    await heads(page).first().waitFor();
    const order = await heads(page).locator('b').allInnerTexts();
    await slip(page).getByRole('button', { name: 'Ground first' }).click();
    const ground = slip(page).getByRole('region', { name: 'From the ground' });
    const above = slip(page).getByRole('region', { name: 'From a step' });
    await expect(ground.getByRole('listitem').first()).toBeVisible();
    await expect(above.getByRole('listitem').first()).toBeVisible();
    await slip(page).getByRole('button', { name: 'Large first' }).click();
    await expect(slip(page).getByText(/Large cuts open the tree/)).toBeVisible();
    const large = await heads(page).locator('b').allInnerTexts();
    expect(large).not.toEqual(order);
    await slip(page).getByRole('button', { name: 'Limb by limb' }).click();
    await expect(slip(page).getByText(/If you do not know where to begin: with \w+/)).toBeVisible();
    const other = await heads(page).locator('b').allInnerTexts(); // groups are opened: every cut is a step of its limb
    expect(other.length).toBeGreaterThanOrEqual(order.length);
    expect(other).not.toEqual(order);

    await page.getByRole('treeitem').first().focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: /^Why/ })).toBeVisible();

    await slip(page).getByRole('button', { name: 'Winter or summer' }).click();
    const table = page.getByRole('region', { name: 'Winter or summer' }).getByRole('table');
    await expect(table.getByRole('columnheader', { name: 'Not cut' })).toBeVisible({ timeout: 20_000 });
    await accessible(page);
    const years = page.getByRole('region', { name: 'Down, then held' });
    await expect(years.getByText(/^Held from/)).toBeVisible({ timeout: 30_000 });
    await expect(years.getByRole('img', { name: /^Reach 2.12 m/ })).toBeVisible();
    await years.getByText('What falls in which year').click();
    await expect(years.getByRole('heading', { name: 'Or replace it' })).toBeVisible();
    await accessible(page);

    await slip(page).getByRole('button', { name: 'Summer', exact: true }).click();
    await expect(slip(page).getByText(/^A forecast/)).toBeVisible();
    await expect(slip(page).getByRole('button', { name: 'Log what was cut' })).toHaveCount(0);
  },
);

test(
  'the yard in light: hours on the plan, who shades whom, and the height a neighbour allows',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard`);
    await page.getByRole('button', { name: 'Light', exact: true }).click();
    const list = page.getByRole('region', { name: 'The yard in light' });
    await expect(list.getByText(/herb bed/)).toBeVisible({ timeout: 20_000 });
    await list.getByRole('button', { name: /^C2/ }).click();
    await expect(list.getByText(/By the rule of thumb/)).toBeVisible();
    await expect(list.getByText(/to C1/).first()).toBeVisible();
    await list.getByRole('button', { name: /^B1/ }).click();
    await expect(list.getByText(/at most [\d.]+ m for the light of B2/)).toBeVisible();
    await list.getByLabel('From the west').fill('15');
    await list.getByLabel('From the south').fill('3.2');
    await expect(list.getByText(/too little sun for most fruit/)).toBeVisible(); // the tool shed
    await fits(page);
    await accessible(page);
  },
);
