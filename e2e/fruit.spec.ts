import { phone, accessible, expect, fits, laptop, open, test } from './app';

const thinning = (code: string, more = '') => `/lower-terrace/thinning/lower-terrace-${code}${more}`;

test(
  'two limbs are counted, and the tree’s number comes with its interval',
  laptop('the form below the limb is the same'),
  async ({ page, june }) => {
    await open(page, june + thinning('C2', '?below=count'));
    const form = page.getByRole('region', { name: 'Count the set' });
    await form.getByLabel(/^S4/).fill('130');
    await form.getByLabel(/^S1/).fill('118');
    await form.getByRole('button', { name: 'Log 2 limbs' }).click();
    await expect(
      page.getByRole('navigation', { name: 'Limbs' }).getByText(/About \d+ fruit, \d+ to \d+ nine times in ten/),
    ).toBeVisible();
    await form.getByLabel(/^S4/).fill('12000000');
    await form.getByRole('button', { name: 'Log 1 limb' }).click();
    await expect(form.getByRole('alert')).toContainText('fruiting.counts[0].fruit');
    await expect(form.getByLabel(/^S4/)).toHaveValue('12000000');
    await fits(page);
    await accessible(page, { colours: true });
  },
);

test(
  'a limb is thinned on the pad in the yard: undone, without a network, and logged',
  phone('the pad is the screen of the phone'),
  async ({ page, june }) => {
    await open(page, june + thinning('A3'));
    const pad = page.getByRole('region', { name: 'Counting pad' });
    const numbers = pad.getByRole('status').first();
    await pad.getByRole('button', { name: 'Left one' }).click();
    await pad.getByRole('button', { name: 'Left one' }).click();
    await pad.getByRole('button', { name: 'Took three' }).click();
    await expect(numbers).toContainText('2 of');
    await expect(numbers).toContainText('3 taken');
    await pad.getByRole('button', { name: 'Undo' }).click();
    await expect(numbers).toContainText('0 taken');
    const box = await pad.getByRole('button', { name: 'Left one' }).boundingBox();
    expect(box?.height).toBeGreaterThanOrEqual(48);

    await page.route('**/fruit/**', (r) => r.abort());
    await pad.getByRole('button', { name: 'Left one' }).click();
    await pad.getByRole('button', { name: 'Took two' }).click();
    await expect(numbers).toContainText('3 of');
    await expect(pad.getByText(/kept on this phone/)).toBeVisible();
    await page.unroute('**/fruit/**');
    await expect(pad.getByText(/kept on this phone/)).toHaveCount(0);
    await page.reload();
    await expect(numbers).toContainText('3 of');
    await expect(numbers).toContainText('2 taken');

    const heading = pad.getByRole('heading').first();
    const limb = (await heading.innerText()).split(/\s/).at(-1) ?? '';
    for (const done = pad.getByRole('button', { name: new RegExp(`^${limb} done`) }); !(await done.isVisible());)
      await pad.getByRole('button', { name: /^(Own wood|Lateral \d+) done/ }).click();
    await pad.getByRole('button', { name: new RegExp(`^${limb} done`) }).click();
    await pad.getByRole('button', { name: 'Log the limb' }).click();
    await expect(heading).not.toContainText(limb);
    await expect(page.getByRole('group', { name: 'Limb' }).getByRole('button', { name: `${limb} done` })).toBeVisible();
    await fits(page);
    await accessible(page);
  },
);

test(
  'a frost count changes the thinning, on the tree and on its year',
  laptop('the form below the limb is the same'),
  async ({ page, spring }) => {
    await open(page, spring + thinning('A3', '?below=frost'));
    const form = page.getByRole('region', { name: 'Frosted buds' });
    await form.getByLabel('buds opened').fill('60');
    await form.getByLabel('alive').fill('6');
    await form.getByRole('button', { name: 'Log the frost count' }).click();
    await expect(form.getByText(/10 % alive, .* nine times in ten/)).toBeVisible();
    await open(page, `${spring}/lower-terrace/yard?tree=lower-terrace-A3`);
    const panel = page.getByRole('region', { name: 'Tree A3' });
    await panel.getByRole('button', { name: /^Thin the fruit/ }).click();
    await expect(panel.getByText(/Of the buds cut open on 10 May, 10 % were alive/)).toBeVisible();
  },
);

test(
  'a harvest moves the outlook, and the plot sees what is coming',
  laptop('read at the table'),
  async ({ page, june }) => {
    await open(page, june + thinning('A4', '?below=harvest'));
    const form = page.getByRole('region', { name: 'Harvest' });
    await form.getByLabel('weight, kg').fill('7.5');
    await form.getByRole('button', { name: 'Log the harvest' }).click();
    await expect(form.getByText(/kilos without a count given/)).toBeVisible();
    await page.getByRole('button', { name: 'Over the years' }).click();
    const years = page.getByRole('region', { name: 'Crop over the years' });
    await expect(years.getByRole('row', { name: /^2027/ })).toContainText('7.5 kg');
    await accessible(page);
    await page
      .getByRole('navigation', { name: 'Screens' })
      .first()
      .getByRole('link', { name: /Thinning/ })
      .click();
    await expect(page.getByRole('row', { name: /A4/ })).toContainText('picked');
    await expect(page.getByRole('heading', { name: 'Wanted and coming' })).toBeVisible();
    await fits(page);
    await accessible(page);
  },
);

test(
  'limbs by load on the bench: what is near breaking and what saves it',
  laptop('the same list stands below the tree'),
  async ({ page, june }) => {
    await open(page, `${june}/lower-terrace/trees/lower-terrace-D1?side=load`);
    const loads = page.getByRole('region', { name: 'Load' });
    await expect(loads.getByText(/near breaking/).first()).toBeVisible();
    await expect(loads.getByText(/padded, forked prop/).first()).toBeVisible();
    await loads.getByRole('button', { name: /^S5 / }).click();
    await expect(loads.getByText('would break at about')).toBeVisible();
    await accessible(page);
  },
);
