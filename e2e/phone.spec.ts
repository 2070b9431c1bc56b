import { accessible, expect, open, phone, test } from './app';

test(
  'a phone laid on a limb fills in its angle and direction',
  phone('a laptop is not laid on limbs'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/trees/lower-terrace-C2`);
    await page.getByRole('button', { name: 'Map', exact: true }).click();
    await page.getByRole('treeitem', { name: /^S2,/ }).focus();
    await page.keyboard.press('Enter');
    const panel = page.getByRole('region', { name: 'Limb S2' });
    await panel.getByText('Lay the phone on it').click();
    await panel.getByRole('button', { name: 'Play a phone' }).click();
    const angle = panel.getByLabel(/^Angle from vertical/);
    await panel.getByLabel(/^Compass/).fill('350');
    for (const [n, a] of [
      [1, '51'],
      [2, '53'],
      [3, '52'],
    ] as const) {
      await angle.fill(a);
      await panel.getByRole('button', { name: `Read ${String(n)} of 3` }).click();
    }
    await expect(panel.getByText(/Mean of 3: 52° from vertical, give or take 1/)).toBeVisible();
    await accessible(page, { colours: true });
    await panel.getByRole('button', { name: 'Take it for S2' }).click();
    await expect(panel.getByLabel('Angle', { exact: true })).toHaveValue('52');
    // read as one limb only where the readings are of one limb
    for (const a of ['20', '60', '40']) {
      await angle.fill(a);
      await panel.getByRole('button', { name: /^Read/ }).click();
    }
    await expect(panel.getByText('They lie too far apart to be one limb')).toBeVisible();
    await expect(panel.getByRole('button', { name: 'Take it for S2' })).toBeDisabled();
  },
);
