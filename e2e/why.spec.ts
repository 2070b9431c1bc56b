import { accessible, expect, fits, laptop, open, test } from './app';

test('why does my tree: the record is read, the rest is asked, and the cause comes with what to do', async ({
  page,
  demo,
}) => {
  await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-C1`);
  await page.getByRole('link', { name: 'Something is wrong' }).click();
  await expect(page.getByRole('heading', { name: /Why does my apple ‘Tollgate’/ })).toBeVisible();
  await page.getByRole('button', { name: 'makes many sprouts' }).click();
  const look = page.getByRole('region', { name: 'The look' });
  const causes = page.getByRole('region', { name: 'Likely causes' });
  await expect(look.getByText(/The last winter cut took/)).toBeVisible();
  await accessible(page);
  await fits(page);
  // until the answer parts the causes, one look at a time; what was answered stands in the address
  for (let i = 0; i < 12; i++) {
    const question = await look.getByRole('group').locator('legend').innerText();
    const yes = /from the ground/.test(question);
    await look.getByRole('button', { name: yes ? 'Yes' : 'No', exact: true }).click();
    if (yes) break;
    await expect(look.getByRole('group').locator('legend')).not.toHaveText(question);
  }
  await expect(look.getByRole('status')).toContainText('Most likely: they come from the stock');
  await expect(causes.getByText(/Tear them off at the root/)).toBeVisible();
  await expect(causes.getByText('They come from the ground.')).toBeVisible();
  await page.reload();
  await expect(look.getByRole('status')).toContainText('they come from the stock');
  await look.getByRole('button', { name: 'Begin the look anew' }).click();
  await expect(causes.getByText('They come from the ground.')).toBeHidden();
});

test(
  'one tree by two schools, grown on side by side in drawing and numbers',
  laptop('the same table on the phone'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/trees/lower-terrace-C1`);
    await page.getByRole('link', { name: 'Two schools, side by side' }).click();
    const beside = page.getByRole('region', { name: 'Side by side' });
    await expect(beside.getByRole('columnheader', { name: /^Steady at 20/ })).toBeVisible();
    await expect(beside.getByRole('row', { name: /^Height, winter after/ })).toHaveCount(3);
    const said = await beside.getByRole('list').innerText();
    await page
      .getByRole('group', { name: 'The other' })
      .getByLabel(/^School/)
      .selectOption('');
    await page
      .getByRole('group', { name: 'The other' })
      .getByLabel(/^Most in a year/)
      .selectOption({ label: '33 %' });
    await expect(beside.getByRole('columnheader', { name: /^Steady at 33/ })).toBeVisible();
    expect(await beside.getByRole('list').innerText()).not.toBe(said);
    await page.getByLabel('Winters on').selectOption('5');
    await expect(beside.getByRole('row', { name: /^Height, winter after/ })).toHaveCount(5);
    await fits(page);
    await accessible(page);
  },
);
