import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { demoOf, open, start, test } from './app';

const folder = join(import.meta.dirname, '..', 'docs', 'screenshots');

// one current picture of each main view, made from the demo: make screenshots
test('pictures of the main views', async ({ page, demo, june }, info) => {
  test.skip(!process.env.SCREENSHOTS, 'made by make screenshots');
  mkdirSync(folder, { recursive: true });
  const take = async (name: string, path: string) => {
    await open(page, demo + path);
    await page.screenshot({ path: join(folder, `${name}.png`) });
  };
  const slip = async (name: string, orchard: string, code: string, step: number) => {
    await open(page, `${demo}/${orchard}/trees/${orchard}-${code}`);
    await page.locator('.bench-stephead').nth(step).click();
    await page.getByRole('region', { name: /^Why/ }).waitFor();
    await page.screenshot({ path: join(folder, `${name}.png`) });
  };
  if (info.project.name === 'phone') {
    await take('yard-phone', '/lower-terrace/yard');
    const asked = await page.request.post(`${demo}/api/orchards/lower-terrace/trees/lower-terrace-C3/helpers`, {
      data: { days: 7, note: 'The long saw hangs behind the shed door.' },
    });
    await open(page, demo + ((await asked.json()) as { path: string }).path);
    await page.getByRole('button', { name: 'Cut made' }).click();
    await page.locator('.helper-helpersteps .helper-said').first().waitFor();
    await page.evaluate(() => window.scrollTo(0, 0));
    await page.screenshot({ path: join(folder, 'helper-phone.png') });
    await open(page, `${demo}/lower-terrace/sheet/lower-terrace-C2?day=2027-03-10`);
    await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
    await page.getByText(/you stand/).waitFor();
    await page.screenshot({ path: join(folder, 'sheet-phone.png') });
    await open(page, `${june}/lower-terrace/thinning/lower-terrace-A3`);
    for (const name of ['Left one', 'Left one', 'Took three', 'Left one', 'Took two'])
      await page.getByRole('button', { name }).click();
    await page.getByText(/3 left, 5 taken here/).waitFor();
    await page.screenshot({ path: join(folder, 'count-phone.png') });
    return;
  }
  await take('yard', '/lower-terrace/yard');
  await open(page, `${demo}/lower-terrace/yard?layer=light&tree=lower-terrace-C2`);
  await page.getByText(/By the rule of thumb/).waitFor();
  await page.screenshot({ path: join(folder, 'yard-light.png') });
  await take('trees', '/lower-terrace/trees');
  const four: string[] = []; // training in one picture: planting day, a limb bent, the wall, what is still on
  for (const path of [
    'trees/new-rows-R1/training',
    'trees/new-rows-R3/training',
    'trees/new-rows-W3/training',
    'devices',
  ]) {
    await open(page, `${demo}/new-rows/${path}`);
    await page.locator('main h1').first().waitFor();
    four.push((await page.screenshot()).toString('base64'));
  }
  const sheet = await page.context().newPage();
  await sheet.setViewportSize({ width: 1920, height: 1200 });
  await sheet.setContent(
    `<body style="margin:0;display:grid;grid-template-columns:1fr 1fr">${four.map((f) => `<img width="960" src="data:image/png;base64,${f}">`).join('')}</body>`,
  );
  await sheet.screenshot({ path: join(folder, 'train.png') });
  await sheet.close();
  await open(page, `${demo}/lower-terrace/year`);
  await page.getByRole('button', { name: /^A3 Pear/ }).click();
  await page
    .getByText(/Renewal row:/)
    .first()
    .waitFor();
  await page.screenshot({ path: join(folder, 'year.png') });
  await slip('slip-leader', 'lower-terrace', 'C1', 3);
  await open(page, `${demo}/lower-terrace/trees/lower-terrace-C3`);
  const years = page.getByRole('region', { name: 'Down, then held' });
  await years.getByText(/^Held from/).waitFor();
  await years.getByText('What falls in which year').click();
  const size = page.viewportSize();
  await page.setViewportSize({ width: 1280, height: 2200 }); // the whole list in sight
  await years.screenshot({ path: join(folder, 'slip-years.png') });
  if (size) await page.setViewportSize(size);
  await open(page, `${demo}/lower-terrace/trees/lower-terrace-C2?side=map`);
  await page.getByRole('region', { name: 'Findings' }).getByRole('button', { name: /^A/ }).click();
  await page.getByRole('list', { name: 'Ways to cut it' }).waitFor();
  await page.screenshot({ path: join(folder, 'bench-vase.png') });
  await open(page, `${june}/lower-terrace/thinning/lower-terrace-B4?limb=S4`);
  await page.screenshot({ path: join(folder, 'thinning.png') });
  await open(page, `${june}/lower-terrace/thinning/lower-terrace-C1?below=years`);
  await open(page, `${june}/lower-terrace/thinning`);
  await page.screenshot({ path: join(folder, 'fruit.png') });
});

test('the living season', async ({ page, folder: dir }, info) => {
  test.skip(!process.env.SCREENSHOTS || info.project.name === 'phone', 'made by make screenshots');
  for (const day of ['2027-02-20', '2027-04-10']) {
    const db = join(dir, `sky-${day}.db`);
    copyFileSync(await demoOf(day), db);
    const app = await start(['demo', '--db', db, '--today', day, '--station', '']);
    await open(page, `${app.url}/lower-terrace/yard`);
    await page.getByRole('region', { name: 'The fortnight' }).locator('table').waitFor();
    await page.setViewportSize({ width: 1280, height: 900 });
    if (day === '2027-02-20') {
      await open(page, `${app.url}/lower-terrace/year?span=weeks`);
      await page.getByRole('button', { name: /^C1 Dormant cut, / }).click();
      await page.locator('.year-costs .year-told b').waitFor();
      await page.screenshot({ path: join(folder, 'weeks.png') });
    } else {
      await open(page, `${app.url}/lower-terrace/trees/lower-terrace-A4/season`);
      await page
        .getByText(/of the buds are alive/)
        .first()
        .waitFor();
      await page.screenshot({ path: join(folder, 'season.png') });
      await page.setViewportSize({ width: 1280, height: 800 });
      await open(page, `${app.url}/lower-terrace/trees/lower-terrace-C1/why?what=many-sprouts`);
      await page.getByRole('region', { name: 'Likely causes' }).waitFor();
      await page.screenshot({ path: join(folder, 'why.png') });
      await open(page, `${app.url}/lower-terrace/trees/lower-terrace-C1/ways`);
      await page.getByRole('region', { name: 'Side by side' }).waitFor();
      await page.screenshot({ path: join(folder, 'ways.png') });
    }
    await app.stop();
  }
});

test('the first run', async ({ page, empty }, info) => {
  test.skip(!process.env.SCREENSHOTS || info.project.name === 'phone', 'made by make screenshots');
  await page.setViewportSize({ width: 1280, height: 960 });
  await open(page, empty);
  await page.getByLabel('Town, or latitude and longitude').fill('46.9, 15.4');
  await page.getByLabel(/Height above sea/).fill('410');
  await page.getByRole('slider', { name: /The year comes/ }).fill('4');
  await page.waitForLoadState('networkidle');
  await page.screenshot({ path: join(folder, 'place.png') });
});
