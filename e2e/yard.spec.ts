import { accessible, expect, fits, open, test, laptop } from './app';

test('the docket changes when the rail is dragged, and comes back to today', async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard`);
  const docket = page.getByRole('region', { name: 'Docket' });
  await expect(docket.getByText('Dormant cut').first()).toBeVisible();
  const handle = page.getByRole('slider', { name: 'Day shown' });
  await expect(handle).toHaveAttribute('aria-valuetext', /20 February 2027/);
  const box = await page.getByTestId('rail').boundingBox();
  const grip = await handle.boundingBox();
  if (!box || !grip) throw new Error('no rail');
  await page.mouse.move(grip.x + grip.width / 2, grip.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.65, grip.y + 10, { steps: 6 });
  await page.mouse.up();
  await expect(handle).toHaveAttribute('aria-valuetext', /June 2027/);
  await expect(docket.getByText('Solstice height cut').first()).toBeVisible();
  await expect(docket.getByText('Planting cut')).toHaveCount(0);
  await page.keyboard.press('t');
  await expect(handle).toHaveAttribute('aria-valuetext', /20 February 2027/);
  await expect(docket.getByText('Planting cut').first()).toBeVisible();
});

test(
  'keys move the day and open the screens, and none fires in a text field',
  laptop('keys are for the laptop'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard`);
    const handle = page.getByRole('slider', { name: 'Day shown' });
    await page.keyboard.press('.');
    await expect(handle).toHaveAttribute('aria-valuetext', /27 February 2027/);
    await handle.focus();
    await page.keyboard.press('PageUp');
    await expect(handle).toHaveAttribute('aria-valuetext', /29 March 2027/);
    await page.keyboard.press('3');
    await expect(page.getByRole('heading', { name: 'Year', exact: true })).toBeVisible();
    await page.keyboard.press('/');
    await page.getByLabel('A tree, a job, a word, a note').fill('3');
    await page.keyboard.press('Escape');
    await expect(page.getByLabel('A tree, a job, a word, a note')).toHaveCount(0);
    await page.keyboard.press('/');
    await page.getByLabel('A tree, a job, a word, a note').fill('quince');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: 'Tree D1' })).toBeVisible();
  },
);

test('a tree chosen on the plan tells its year, its account and why', async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard`);
  await page.getByRole('button', { name: /^B1 Sweet cherry/ }).press('Enter');
  const panel = page.getByRole('region', { name: 'Tree B1' });
  await expect(panel.getByText('of 20 % has gone').or(panel.getByText('Nothing cut this year'))).toBeVisible();
  await panel.getByRole('button', { name: /Dry-summer cut/ }).click();
  await expect(panel.getByText(/kept for dry summer weather/)).toBeVisible();
  await expect(panel.getByText(/Not by your school/)).toBeVisible();
  await panel.getByText('Cautions').click();
  await expect(panel.getByText('Local rules and licensed practice come first.')).toBeVisible();
  await accessible(page);
  await fits(page);
});

test('a logged winter cut shows in the account, books its follow-ups, and can be undone', async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard?day=2027-02-20&tree=lower-terrace-A3`);
  const panel = page.getByRole('region', { name: 'Tree A3' });
  await panel.getByRole('button', { name: /^Dormant cut/ }).click();
  await panel.getByRole('button', { name: 'Log it' }).click();
  const form = page.getByRole('form', { name: 'Log Dormant cut' });
  await form.getByLabel('Share of the crown, %').fill('140');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(form.getByRole('alert')).toContainText('share');
  await form.getByLabel('Share of the crown, %').fill('17');
  await form.getByLabel('Minutes').fill('55');
  await form.getByRole('button', { name: 'Log it' }).click();
  await expect(panel.getByRole('img', { name: /17 % of 20 % has gone/ })).toBeVisible();
  await expect(panel.getByRole('button', { name: /Sprout visit after a hard cut/ })).toHaveCount(2);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(panel.getByRole('button', { name: /Sprout visit after a hard cut/ })).toHaveCount(0);
  await expect(panel.getByText('Nothing cut this year')).toBeVisible();
});

test(
  'a summer cut by its diameters is estimated, fills the account and books its sprout visits',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, summer }) => {
    await open(page, `${summer}/lower-terrace/yard?tree=lower-terrace-D1`);
    const panel = page.getByRole('region', { name: 'Tree D1' });
    const gauge = panel.getByRole('img', { name: /may go|has gone/ });
    const before = await gauge.getAttribute('aria-label');
    await panel.getByRole('button', { name: /^Solstice height cut/ }).click();
    await panel.getByRole('button', { name: 'Log it' }).click();
    const form = page.getByRole('form', { name: 'Log Solstice height cut' });
    await form.getByRole('button', { name: 'by caliper' }).click();
    await form.getByLabel(/diameters of the cuts, mm/).fill('26 18 12');
    await form.getByLabel('Height now, m').fill('2.0');
    await form.getByLabel('Minutes').fill('35');
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(gauge).not.toHaveAttribute('aria-label', before ?? '');
    await expect(panel.getByRole('img', { name: /about \d+ %/ })).toBeVisible();
    await expect(panel.getByRole('button', { name: /Sprout visit after a hard cut.*26 Jul/ })).toBeVisible();
    await expect(panel.getByText(/^2 m, you pick to/)).toBeVisible();
    await accessible(page);
  },
);

test('every screen is sound for all, by day and at dusk', async ({ page, demo }, { project }) => {
  test.slow(); // ten pages looked through by the accessibility rules
  for (const path of ['yard', 'trees', 'year', 'setup']) {
    await open(page, `${demo}/lower-terrace/${path}`);
    await accessible(page, { colours: true });
    await fits(page);
  }
  if (project.name === 'phone') return; // dusk is other colours, and those are the laptop's
  const tree = 'trees/lower-terrace-C1';
  for (const path of ['year?span=weeks', `${tree}/season`, `${tree}/why?what=leans`]) {
    await open(page, `${demo}/lower-terrace/${path}`);
    await accessible(page, { colours: true });
  }
  // at dusk by one screen: that each colour of text is read on each surface, by any light, is a law of the web (colours.test.ts)
  await page.evaluate(() => localStorage.setItem('vertumna-light', 'dusk'));
  await open(page, `${demo}/lower-terrace/yard`);
  await accessible(page, { colours: true });
});

test('yard and year fit windows of any width', laptop('the width is set here'), async ({ page, demo }) => {
  for (const width of [360, 900, 1920]) {
    await page.setViewportSize({ width, height: 820 });
    for (const path of ['yard?tree=lower-terrace-C2', 'year']) {
      await open(page, `${demo}/lower-terrace/${path}`);
      if (width === 360) await accessible(page); // what is wider has no less room for a finger
      await fits(page);
    }
  }
});

test(
  'the southern orchard runs from May and is reached by the switcher',
  laptop('the same on every screen'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard`);
    await page.getByRole('button', { name: 'Lower Terrace' }).click();
    await page.getByRole('menuitem', { name: 'Saltwind' }).click();
    await expect(page.getByRole('group', { name: 'Plan of Saltwind' })).toBeVisible();
    const plan = await page.request.get(`${demo}/api/orchards/saltwind/plan`);
    expect(((await plan.json()) as { from: string }).from).toBe('2026-05-01');
  },
);

test(
  'a stage seen moves the windows, and is later corrected by a new entry',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-C2`);
    const panel = page.getByRole('region', { name: 'Tree C2' });
    const cut = panel.getByRole('button', { name: /^Dormant cut/ });
    const before = await cut.textContent();
    await panel.getByRole('button', { name: 'Log what was seen' }).click();
    const form = page.getByRole('form', { name: 'Log what was seen' });
    await form.getByLabel('Stage').click();
    await page.getByRole('option', { name: 'bud swell' }).click();
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(cut).not.toHaveText(before ?? '');
    await panel.getByRole('button', { name: 'Correct the entry of 20 February' }).click();
    await accessible(page);
    await page.getByRole('button', { name: 'It never happened' }).click();
    await expect(cut).toHaveText(before ?? '');
  },
);

test(
  'a cut made outside its window wants its reason and is accepted with it',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-B1`);
    const panel = page.getByRole('region', { name: 'Tree B1' });
    await panel.getByRole('button', { name: /^Dry-summer cut/ }).click();
    await panel.getByRole('button', { name: 'Log it' }).click();
    const form = page.getByRole('form', { name: 'Log Dry-summer cut' });
    await form.getByLabel('Share of the crown, %').fill('4');
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form.getByRole('alert')).toContainText('why it was done then');
    await form.getByLabel('Why then, if outside its window').fill('a limb hung over the path');
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByRole('status')).toContainText('Not by your school');
    await expect(panel.getByText(/a limb hung over the path/).first()).toBeVisible();
  },
);

test(
  'a tree moved on the plan keeps its history, and one gone leaves the plan',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-D2`);
    await page.getByRole('button', { name: 'Edit', exact: true }).click();
    const form = page.getByRole('form', { name: 'Edit D2' });
    await form.getByLabel('East, m').fill('6.9');
    await form.getByLabel('North, m').fill('4.9');
    await expect(form.getByText(/m from C2/)).toBeVisible();
    await form.getByLabel('North, m').fill('1.2');
    const spacing = page.getByText(/^From the nearest:/);
    const before = await spacing.innerText();
    const mark = await page.getByRole('button', { name: 'D2: arrow keys move it' }).boundingBox();
    if (!mark) throw new Error('nothing to drag');
    await page.mouse.move(mark.x + mark.width / 2, mark.y + mark.height / 2);
    await page.mouse.down();
    await page.mouse.move(mark.x + mark.width / 2 + 30, mark.y + mark.height / 2, { steps: 4 });
    await page.mouse.up();
    await expect(spacing).not.toHaveText(before); // dragged, it tells how far its neighbours are
    await form.getByRole('button', { name: 'Save' }).click();
    const panel = page.getByRole('region', { name: 'Tree D2' });
    await expect(panel.getByText('moved on the plan')).toBeVisible();
    await page.getByRole('button', { name: 'Edit', exact: true }).click();
    await form.getByRole('button', { name: 'It is gone' }).click();
    await form.getByRole('button', { name: 'lost' }).click();
    await expect(page.getByRole('button', { name: /^D2 Apple/ })).toHaveCount(0);
  },
);

test(
  'what stands outside the plot brings a look, unless the tree resists it',
  laptop('said once, at the table'),
  async ({ page, summer }) => {
    await open(page, `${summer}/lower-terrace/setup`);
    await page.getByRole('group', { name: 'Within sight of the plot stand' }).getByLabel('junipers').check();
    await page.getByRole('button', { name: 'Save the changes' }).click();
    await expect(page.getByRole('button', { name: 'Save the changes' })).toHaveCount(0);
    await open(page, `${summer}/lower-terrace/yard?tree=lower-terrace-A3`);
    const panel = page.getByRole('region', { name: 'Tree A3' });
    const look = panel.getByRole('button', { name: /^Look at its health/ });
    await look.click();
    await expect(
      panel.getByText('Junipers stand near and bring rust: look for orange spots on the leaves.'),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Edit', exact: true }).click();
    const form = page.getByRole('form', { name: 'Edit A3' });
    await form.getByText('Timing, wishes, stock, school and notes').click();
    await form
      .getByRole('group', { name: /^Resists/ })
      .getByLabel('rust')
      .check();
    await form.getByRole('button', { name: 'Save' }).click();
    await expect(panel.getByText('It resists rust, as you know it.')).toBeVisible();
    await expect(panel.getByText(/Junipers stand near/)).toHaveCount(0);
    await expect(look).toHaveAttribute('aria-expanded', 'true'); // the line that was open is open again
  },
);

test(
  'when no answer comes the last plan stays, and what was typed is kept',
  laptop('the same on the phone'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-A3`);
    const panel = page.getByRole('region', { name: 'Tree A3' });
    await panel.getByRole('button', { name: /^Dormant cut/ }).click();
    await panel.getByRole('button', { name: 'Log it' }).click();
    const form = page.getByRole('form', { name: 'Log Dormant cut' });
    await form.getByLabel('Share of the crown, %').fill('8');
    await page.route('**/api/**', (r) => r.abort());
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form.getByRole('alert')).toContainText('Nothing was logged; what you typed stays here.');
    await expect(form.getByLabel('Share of the crown, %')).toHaveValue('8');
    await page.getByRole('slider', { name: 'Day shown' }).press('ArrowRight');
    await expect(page.getByText('The screen shows the plan of 20 February.')).toBeVisible();
    await page.unroute('**/api/**');
    await form.getByRole('button', { name: 'Log it' }).click();
    await expect(form).toHaveCount(0);
  },
);

test('names of any length and script break no screen', laptop('the same on every screen'), async ({ page, demo }) => {
  const odd = `‮<script>alert(1)</script> قارب 🌳 ${'ü'.repeat(440)}`;
  const api = `${demo}/api/orchards/lower-terrace`;
  const o = (await (await page.request.get(api)).json()) as { orchard: { version: number } };
  await page.request.put(api, { data: { version: o.orchard.version, orchard: { ...o.orchard, name: odd } } });
  const trees = (await (await page.request.get(`${api}/trees`)).json()) as { id: string; version: number }[];
  const c2 = trees.find((t) => t.id === 'lower-terrace-C2');
  const saved = await page.request.put(`${api}/trees/lower-terrace-C2`, {
    data: { version: c2?.version, tree: { ...c2, name: odd, cultivar: odd, notes: odd } },
  });
  expect(saved.status()).toBe(200);
  for (const path of ['yard', 'yard?tree=lower-terrace-C2', 'trees', 'year', 'setup']) {
    await open(page, `${demo}/lower-terrace/${path}`);
    await fits(page);
  }
});
