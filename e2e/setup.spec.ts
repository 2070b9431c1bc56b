import ICAL from 'ical.js';
import { accessible, expect, fits, open, test, laptop } from './app';

test(
  'a first run: a place, three trees on the plan, and a docket',
  laptop('made at the table'),
  async ({ page, empty }) => {
    await open(page, empty);
    await expect(page.getByRole('heading', { name: 'Your place' })).toBeVisible();
    await accessible(page);
    await page.getByLabel('Name of the orchard').fill('Gäßchen <b>hof</b> 🌳');
    const where = page.getByLabel('Town, or latitude and longitude');
    await where.fill('46°12′ N 14,5 E');
    await page.getByLabel('Height above sea, m').fill('400');
    await expect(page.getByRole('radio', { name: /Lower Terrace/ })).toBeChecked();
    const sight = page.getByRole('region', { name: 'What a grower sees here' });
    await expect(sight.getByText(/^\d+ (September|October) to \d+ October$/)).toBeVisible();
    const before = await sight.locator('.of-frost').textContent();
    await sight.getByRole('slider', { name: /The year comes/ }).fill('10');
    await expect(sight.locator('.of-frost')).not.toHaveText(before ?? '');
    await page.getByLabel('Along, m').fill('14');
    const corner = page.getByRole('slider', { name: 'Corner north-east' });
    await corner.focus();
    await page.keyboard.press('Shift+ArrowLeft');
    await expect(page.getByText('162 m²')).toBeVisible();
    await accessible(page, { colours: true });
    await page.getByRole('button', { name: 'Next: your reach' }).click();
    await page.getByLabel(/Fingertip height/).fill('221');
    await page.getByRole('button', { name: 'Make the orchard' }).click();

    const form1 = page.getByRole('form', { name: 'Add a tree' });
    await expect(form1).toBeVisible(); // the first tree is in hand
    await form1.getByRole('button', { name: 'Back' }).click();
    await expect(page.getByText('No trees yet. Pace out the first one.')).toBeVisible();
    const plan = page.getByRole('group', { name: /Plan of/ });
    for (const [i, kind] of ['Apple', 'Sweet cherry', 'Quince'].entries()) {
      const fold = page.getByText('The plot, and a new tree');
      if (await fold.isVisible()) await fold.click();
      await page.getByRole('button', { name: 'Add a tree' }).filter({ visible: true }).first().click();
      const form = page.getByRole('form', { name: 'Add a tree' });
      await form.getByLabel('Kind').click();
      await page.getByRole('option', { name: kind, exact: true }).click();
      const box = await plan.boundingBox();
      if (!box) throw new Error('no plan');
      await plan.click({
        position: { x: box.width * (0.2 + 0.25 * i), y: box.height / 2 },
        force: true,
      });
      await expect(form.getByText('Advised here')).toBeVisible();
      await expect(form.getByText(/Lives about \d+ years; first fruit in year .* Left alone it grows/)).toBeVisible();
      await expect(form.getByText(/of ground, about \d+ kg and \d+ h a year/).first()).toBeVisible();
      await form.getByRole('button', { name: 'Plant it here' }).click();
      await expect(page.getByRole('region', { name: `Tree A${String(i + 1)}` })).toBeVisible();
      await page.getByRole('button', { name: 'Docket' }).click();
    }
    const docket = page.getByRole('region', { name: 'Docket' });
    await expect(docket.getByText(/Stand back and look|Dormant cut/).first()).toBeVisible();
    await fits(page);
  },
);

test('a picture of the plot lies beneath the plan, to scale', laptop('made at the table'), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/setup`);
  const grey = await page.evaluate(() => {
    const c = document.createElement('canvas');
    [c.width, c.height] = [400, 300];
    c.getContext('2d')?.fillRect(20, 20, 200, 10);
    return c.toDataURL('image/png').split(',')[1] ?? '';
  });
  const files = page.getByLabel('Lay a picture beneath');
  await files.setInputFiles({ name: 'notes.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(page.getByText('notes.txt is no picture that this browser can read.')).toBeVisible();
  await files.setInputFiles({ name: 'plot.png', mimeType: 'image/png', buffer: Buffer.from(grey, 'base64') });
  await page.getByRole('button', { name: 'A known length' }).click();
  const drawn = page.getByRole('group', { name: 'The plot drawn' });
  const beneath = drawn.locator('image');
  const was = Number(await beneath.getAttribute('width'));
  await drawn.scrollIntoViewIfNeeded();
  const box = await drawn.boundingBox();
  if (!box) throw new Error('no plan');
  await page.mouse.move(box.x + 60, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 200, box.y + 60, { steps: 4 });
  await page.mouse.up();
  const says = await page.getByText(/^as the picture lies/).innerText();
  const lies = Number(/[\d.]+/.exec(says)?.[0]);
  await page.getByLabel(/^So long is what you drew along/).fill(String(2 * lies));
  await page.getByRole('button', { name: 'Scale the picture' }).click();
  await expect.poll(async () => Number(await beneath.getAttribute('width')) / was).toBeCloseTo(2, 1);
  await accessible(page);
  await page.reload();
  await expect(beneath).toBeAttached(); // this browser keeps it
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(beneath).toHaveCount(0);
});

test('switching the school moves windows', laptop('made at the table'), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/year`);
  const row = page.getByRole('button', { name: /^C2 Apple/ });
  const before = await row.getAttribute('aria-label');
  await open(page, `${demo}/lower-terrace/setup`);
  await page.getByRole('radio', { name: /^Renewal row/ }).check();
  await page.getByRole('button', { name: 'Save the changes' }).click();
  await expect(page.getByRole('button', { name: 'Save the changes' })).toHaveCount(0);
  await open(page, `${demo}/lower-terrace/year`);
  await expect(row).not.toHaveAttribute('aria-label', before ?? '');
  await row.click();
  await expect(page.getByText(/Steady: Dormant cut/).first()).toBeVisible();
});

test(
  'the calendar is read by a stranger, and its address can be withdrawn',
  laptop('the same on every screen'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/setup`);
    const box = page.getByRole('region', { name: 'Calendar' });
    await box.getByRole('button', { name: 'Make an address' }).click();
    const address = (await box.locator('code').textContent()) ?? '';
    const res = await page.request.get(address);
    expect(res.headers()['content-type']).toContain('text/calendar');
    const cal = new ICAL.Component(ICAL.parse(await res.text()) as unknown[]);
    const events = cal.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    expect(events.length).toBeGreaterThan(100);
    expect(new Set(events.map((e) => e.uid)).size).toBe(events.length);
    let alarms = 0;
    for (const e of events) {
      expect(e.startDate.isDate).toBe(true);
      expect(e.endDate.compare(e.startDate)).toBeGreaterThan(0);
      const done = e.summary.startsWith('Done');
      const alarm = e.component.getFirstSubcomponent('valarm');
      if (done) expect(alarm).toBeNull();
      if (alarm) {
        alarms += 1;
        const trigger = alarm.getFirstPropertyValue('trigger') as ICAL.Duration;
        expect(trigger.toSeconds()).toBeGreaterThanOrEqual(0);
      }
      expect(e.description).toContain('Local rules and licensed practice come first.');
    }
    expect(alarms).toBeGreaterThan(50);
    expect(events.some((e) => e.summary.startsWith('Done'))).toBe(true);
    await page.reload();
    await expect(box).toContainText('It is not kept here'); // only a proof of it is
    await expect(box.locator('code')).toHaveCount(0);
    expect((await page.request.get(address)).status()).toBe(200);
    await box.getByRole('button', { name: 'Withdraw it' }).click();
    await expect(box.getByRole('button', { name: 'Make an address' })).toBeVisible();
    expect((await page.request.get(address)).status()).toBe(404);
  },
);

test('an edit that clashes keeps both versions', laptop('the same on every screen'), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-C2`);
  await page.getByRole('button', { name: 'Edit' }).click();
  const form = page.getByRole('form', { name: 'Edit C2' });
  await form.getByLabel('Your name for it').fill('Mine');
  const trees = (await (await page.request.get(`${demo}/api/orchards/lower-terrace/trees`)).json()) as {
    id: string;
    version: number;
    name: string;
  }[];
  const c2 = trees.find((t) => t.id === 'lower-terrace-C2');
  await page.request.put(`${demo}/api/orchards/lower-terrace/trees/lower-terrace-C2`, {
    data: { version: c2?.version, tree: { ...c2, name: 'Theirs' } },
  });
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(form.getByText(/changed meanwhile/)).toBeVisible();
  await form.getByRole('button', { name: 'Keep mine' }).click();
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('heading', { name: /Mine/ })).toBeVisible();
});

test(
  'own numbers for the place, a task of one’s own, and an archive in and out',
  laptop('the same forms as on the laptop'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/setup`);
    const place = page.getByRole('region', { name: 'Place' });
    await place.getByText('Edit the twelve months, or read a table').click();
    await place
      .getByLabel('A table of twelve months (CSV)')
      .fill(
        `month,tmax_f,tmin_f,rain_in\n${Array.from({ length: 11 }, (_, m) => `${String(m + 1)},60,40,3`).join('\n')}`,
      );
    await place.getByRole('button', { name: 'Change the place' }).click();
    await expect(place.getByRole('alert')).toContainText('a line of names and twelve months expected');
    await place.getByLabel('A table of twelve months (CSV)').fill('');
    await place.getByLabel('Coldest of the night, Jan').fill('-9');
    await place.getByRole('button', { name: 'Change the place' }).click();
    await expect(page.getByText(/normals from: own numbers/)).toBeVisible();

    const own = page.getByRole('region', { name: 'Own tasks' });
    await own.getByLabel('What').fill('Lime wash');
    await own.getByRole('button', { name: 'Add the task' }).click();
    await expect(own.getByText('Lime wash')).toBeVisible();
    const archive = await page.request.get(`${demo}/api/orchards/lower-terrace/archive`);
    const data = page.getByRole('region', { name: 'Data' });
    await data.locator('input[type=file]').setInputFiles({
      name: 'x.json',
      mimeType: 'application/json',
      buffer: await archive.body(),
    });
    await expect(page).toHaveURL(/lower-terrace-2\/yard/);
    await expect(page.getByText('Lime wash').first()).toBeVisible();
  },
);

test(
  'feet and inches everywhere, from the header to the sentences',
  laptop('the header of the laptop has the switch'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/yard?day=2027-06-25&tree=lower-terrace-C2`);
    await expect(page.getByText(/Reach line 2.12 m/)).toBeVisible();
    await page.getByRole('button', { name: 'm, cm, kg' }).click();
    await expect(page.getByText(/Reach line 6 ft 11 in/)).toBeVisible();
    const panel = page.getByRole('region', { name: 'Tree C2' });
    await panel.getByRole('button', { name: /^Solstice height cut/ }).click();
    await expect(panel.getByText(/It stands at 8 ft 2 in, and you pick to 6 ft 11 in/)).toBeVisible();
    await panel.getByRole('button', { name: 'Log it' }).click();
    await expect(page.getByLabel('Height now, ft')).toBeVisible();
  },
);

test(
  'a shorter reach moves the reach line, and a person’s hours the chart of the year',
  laptop('made at the table'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/setup`);
    const people = page.getByRole('region', { name: 'People' });
    await people.getByText('Orla').click();
    await people
      .getByLabel(/Fingertip height/)
      .first()
      .fill('190');
    await people.getByLabel('Sun').first().fill('5');
    await people.getByRole('button', { name: 'Save' }).first().click();
    await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-T1`);
    await expect(page.getByRole('region', { name: 'Tree T1' }).getByText(/you pick to 1.6 m/)).toBeVisible();
    await open(page, `${demo}/lower-terrace/year`);
    await expect(page.getByText(/the hours you have, 14 a week/)).toBeVisible();
    await accessible(page);
  },
);

test('a tree departs from the school and its windows move', laptop('made at the table'), async ({ page, demo }) => {
  const plan = async () => {
    const res = await page.request.get(`${demo}/api/orchards/lower-terrace/trees/lower-terrace-C2/plan`);
    const body = (await res.json()) as { tasks: { kind: string; opens: string }[] };
    return body.tasks.find((t) => t.kind === 'dormant-cut')?.opens ?? '';
  };
  const before = await plan();
  await open(page, `${demo}/lower-terrace/yard?tree=lower-terrace-C2`);
  await page.getByRole('button', { name: 'Edit', exact: true }).click();
  const form = page.getByRole('form', { name: 'Edit C2' });
  await form.getByText('Timing, wishes, stock, school and notes').click();
  await form.getByLabel('This tree departs from the school in').click();
  await page.getByRole('option', { name: 'When pome is cut' }).click();
  await form.getByLabel('When pome is cut').click();
  await page.getByRole('option', { name: 'in deep dormancy' }).click();
  await expect(form.getByText(/Wounds stay open in the worst cold/)).toBeVisible();
  await form.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('region', { name: 'Tree C2' }).getByText(/does not suit this place/)).toBeVisible();
  expect((await plan()) < before).toBe(true);
});

test(
  'the demo opens beside one’s own file, never in it',
  laptop('the same on every screen'),
  async ({ page, empty }) => {
    await open(page, empty);
    await page.getByRole('button', { name: 'Open the demo' }).click();
    await page.waitForURL(/lower-terrace\/yard/, { timeout: 90_000 });
    expect(new URL(page.url()).port).not.toBe(new URL(empty).port);
    await expect(page.getByRole('region', { name: 'Docket' }).first()).toBeVisible();
    expect(await (await page.request.get(`${empty}/api/orchards`)).json()).toEqual([]);
  },
);
