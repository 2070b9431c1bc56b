import Ajv2020 from 'ajv/dist/2020.js';
import addFormats from 'ajv-formats';
import { readFileSync } from 'node:fs';
import { validateBytes } from 'gltf-validator';
import type { Page } from '@playwright/test';
import { phone, accessible, expect, fits, open, test, laptop } from './app';

const bench = (code: string) => `/lower-terrace/trees/lower-terrace-${code}?side=map`;

/** The limb's numbers as its panel shows them. */
const cell = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });

async function chooseFromList(page: Page, id: string) {
  const list = page.getByText(/^Limbs as a list/);
  await expect(list).toBeVisible();
  if (!(await page.getByRole('table').getByRole('button', { name: id, exact: true }).isVisible())) {
    await list.click();
    const all = page.getByRole('button', { name: /^Show all/ });
    if (await all.isVisible()) await all.click();
  }
  await page.getByRole('table').getByRole('button', { name: id, exact: true }).click();
  await expect(page.getByRole('region', { name: `Limb ${id}`, exact: true })).toBeVisible();
}

/** Drags a handle of the chosen limb by so many pixels. */
async function drag(page: Page, handle: 'tip' | 'base', dx: number, dy: number) {
  const h = page.locator(`[data-handle="${handle}"] circle`).first();
  await h.scrollIntoViewIfNeeded();
  const box = await h.boundingBox();
  if (!box) throw new Error('no handle');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + dx, box.y + box.height / 2 + dy, { steps: 5 });
  await page.mouse.up();
}

test('a tree is sketched from six numbers, corrected, marked, undone, and comes back from its own file', async ({
  page,
  empty,
  request,
}) => {
  const made = await request.post(`${empty}/api/orchards`, {
    data: {
      name: 'Trial',
      units: 'metric',
      school: { preset: 'steady', own: {}, advice: [] },
      plot: { outline: [], features: [], north_deg: 0, row_distance_m: 0 },
    },
  });
  const slug = ((await made.json()) as { orchard: { slug: string } }).orchard.slug;
  const meta = (await (await request.get(`${empty}/api/orchards/${slug}`)).json()) as {
    orchard: Record<string, unknown>;
  };
  const climates = (await (await request.get(`${empty}/api/climates?lat=46&lon=14`)).json()) as { site: unknown }[];
  await request.put(`${empty}/api/orchards/${slug}`, {
    data: { version: meta.orchard['version'], orchard: { ...meta.orchard, site: climates[0]?.site } },
  });
  const tree = await request.post(`${empty}/api/orchards/${slug}/trees`, {
    data: { code: 'A1', kind: 'apple', form: 'open-vase', planted: '2019-11-12', x: 2, y: 2 },
  });
  const id = ((await tree.json()) as { tree: { id: string } }).tree.id;
  await open(page, `${empty}/${slug}/trees/${id}`);

  await expect(page.getByText('No map of this tree yet.')).toBeVisible();
  await cell(page, 'Trunk, thickness').fill('95');
  await cell(page, 'Height').fill('290');
  await cell(page, 'Spread').fill('280');
  await cell(page, 'Scaffolds').fill('4');
  await cell(page, 'The first points').fill('north-east');
  await page.getByRole('button', { name: 'Sketch the tree' }).click();
  await expect(page.getByRole('tree')).toBeVisible();
  await expect(page.getByText(/0 limbs measured/)).toBeVisible();

  // two limbs corrected by dragging, in the two views
  await chooseFromList(page, 'S1');
  const long = await cell(page, 'Length').inputValue();
  await drag(page, 'tip', 18, -30);
  await expect(cell(page, 'Length')).not.toHaveValue(long);
  await page.getByRole('button', { name: 'From above' }).click();
  await chooseFromList(page, 'S2');
  const toward = await cell(page, 'Direction').inputValue();
  await drag(page, 'tip', 30, 22);
  await expect(cell(page, 'Direction')).not.toHaveValue(toward);
  await page.getByRole('button', { name: 'From the ground' }).click();

  // one by a quick line; a line that stops half-way says what is missing
  const line = page.getByRole('textbox', { name: 'Quick line' });
  await line.fill('S3 from');
  await expect(page.getByText(/The line stops here: a height/)).toBeVisible();
  await line.fill('S3, 55 degrees, 210 long, 44 thick, six yeers');
  await expect(page.locator('mark').first()).toHaveText('six');
  await line.fill('S3, 55 degrees, 210 long, 44 thick, six years');
  await page.getByRole('button', { name: 'Write it on the map' }).click();
  await chooseFromList(page, 'S3');
  await expect(cell(page, 'Thickness')).toHaveValue('44');
  await expect(cell(page, 'Length')).toHaveValue('210');
  await expect(page.getByText(/1 limb measured/)).toBeVisible();

  // a dead and a rubbing limb, and their letters
  await chooseFromList(page, 'S4.1');
  await page.getByRole('region', { name: 'Limb S4.1' }).getByRole('button', { name: 'Dead', exact: true }).click();
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings.getByRole('button', { name: /: dead wood S4\.1/ })).toBeVisible();
  await chooseFromList(page, 'S3.1');
  await page.getByRole('button', { name: 'Rubs on…' }).click();
  await page.getByRole('table').getByRole('button', { name: 'S2.1', exact: true }).click();
  await expect(findings.getByText('seen to rub on', { exact: false }).first()).toBeVisible();

  // undo takes back the last change only
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(findings.getByText('seen to rub on', { exact: false })).toHaveCount(0);
  await expect(findings.getByRole('button', { name: /: dead wood S4\.1/ })).toBeVisible();

  // out and in again: the same map
  await page.getByText('Files', { exact: true }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'JSON', exact: true }).click();
  const file = await (await download).path();
  const before = readFileSync(file, 'utf8');
  await chooseFromList(page, 'S1');
  await cell(page, 'Length').fill('120');
  await cell(page, 'Length').press('Enter');
  await expect(page.getByText('cm, measured').first()).toBeVisible();
  await page
    .getByLabel('Limb map from a file')
    .setInputFiles({ name: 'limbs.json', mimeType: 'application/json', buffer: Buffer.from(before) });
  await expect(page.getByText(/Read from limbs\.json/)).toBeVisible();
  const again = await (await request.get(`${empty}/api/orchards/${slug}/trees/${id}/limbs.json`)).text();
  expect(again).toBe(before);
  await accessible(page);
});

test(
  'the bench tells what an experienced eye finds, and turns by keys and dial',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }, info) => {
    await open(page, demo + bench('C2'));
    const findings = page.getByRole('region', { name: 'Findings' });
    await findings.getByRole('button', { name: /A: dead wood/ }).click();
    await expect(findings.getByText('Dead wood lets rot and borers in')).toBeVisible();
    await expect(findings.getByText(/Where: limb S/)).toBeVisible();
    const ways = findings.getByRole('list', { name: 'Ways to cut it' });
    await expect(ways.getByText(/the whole limb off at its collar/)).toBeVisible();
    await expect(ways.getByText(/of the crown, .* fruit buds within reach/).first()).toBeVisible();
    await expect(page.getByText(/seen from 205°, looking NNE/)).toBeVisible();
    await page.getByRole('button', { name: 'Walk round to the right' }).click();
    await expect(page.getByText(/seen from 220°/)).toBeVisible();
    const dial = page.getByRole('slider', { name: /Walk round/ });
    await dial.focus();
    await page.keyboard.press('PageUp');
    await expect(dial).toHaveAttribute('aria-valuenow', '265');
    if (info.project.name === 'laptop') {
      await page.keyboard.press('[');
      await expect(dial).toHaveAttribute('aria-valuenow', '250');
      await page.keyboard.press('j');
      await expect(findings.getByRole('button', { expanded: true })).toHaveAccessibleName(/^B:/);
    }
    const box = await dial.boundingBox();
    if (!box) throw new Error('no dial');
    await page.mouse.move(box.x + box.width / 2, box.y + 12);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width - 14, box.y + box.height / 2, { steps: 8 });
    await page.mouse.up();
    await expect(page.getByText(/seen from 9\d°/)).toBeVisible();
    await page.getByRole('button', { name: 'In three years' }).click();
    await page.getByRole('button', { name: 'Uncut' }).click();
    await expect(page.getByText(/Predicted, if nothing is cut: in 3 years/)).toBeVisible();
    await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Now', exact: true }).click();
    await expect(page.getByText(/Predicted, if nothing is cut/)).toHaveCount(0);
    await accessible(page, { colours: true });
    await fits(page);
  },
);

test(
  'a limb the map has not is drawn on the tree, said with its thickness, and written',
  laptop('drawn with the pointer; the finger does the same'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/trees/lower-terrace-C2?side=map`);
    const limbs = page.locator('[data-limb]');
    const before = await limbs.count();
    await page.getByRole('button', { name: 'Draw a limb' }).click();
    const stem = await page.locator('[data-limb="T"] path[data-part]').first().boundingBox();
    if (!stem) throw new Error('no stem');
    await page.mouse.move(stem.x + stem.width / 2, stem.y + stem.height * 0.7);
    await page.mouse.down();
    await page.mouse.move(stem.x + stem.width / 2 - 70, stem.y + stem.height * 0.7 - 50, { steps: 5 });
    await page.mouse.up();
    const line = page.getByLabel('Quick line');
    await expect(line).toHaveValue(/^limb on T, from \d+ cm, bearing \d+, \d+ degrees, \d+ cm long$/);
    await expect(line).toBeFocused();
    await expect(limbs).toHaveCount(before); // a stroke is a draft
    await page.keyboard.type(', 11 thick');
    await page.keyboard.press('Enter');
    await expect(limbs).toHaveCount(before + 1);
    await expect(page.locator('[data-limb="T"]')).toHaveCount(1);
    await expect(page.getByRole('treeitem', { name: /on T, \d+ cm long, 11 mm thick, estimated/ })).toBeAttached();
    await expect(line).toHaveValue('');
  },
);

test(
  'the past is drawn, the wanted outline is shown, and end tests are kept',
  laptop('the same on the phone, where another test logs and looks'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C2'));
    const back = page.getByRole('complementary', { name: 'Stand back' });
    await expect(back.getByText('winter 2024/25')).toBeVisible();
    await expect(back.getByText('From the maps kept of those winters.')).toBeVisible();
    await back.getByLabel('show it behind the tree').check();
    await back.getByRole('button', { name: 'Make the tests' }).click();
    await back.getByRole('button', { name: 'passed' }).nth(2).click();
    await back.getByRole('button', { name: 'Close' }).click();
    await expect(back.getByText('Drop a hat')).toBeVisible();
    await expect(back.getByText('passed')).toBeVisible();
    await open(page, demo + bench('B1'));
    await expect(page.getByText('Read back from the rings')).toBeVisible();
  },
);

test(
  'a limb is followed over its winters, and an old cut on it is closed',
  laptop('the panel is the same'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C1'));
    await chooseFromList(page, 'S3');
    await page.getByText('Over the years').click();
    await expect(page.getByRole('row', { name: /^2025-\d\d \d+/ })).toBeVisible();
    await page.getByText('Old cuts', { exact: true }).click();
    await page.getByLabel('an old cut at, cm').fill('30');
    await page.getByLabel('its width, mm').fill('55');
    await page.getByRole('button', { name: 'Put it on the map' }).click();
    await expect(page.getByText('Old cuts, 1 not closed')).toBeVisible();
    await page.getByRole('button', { name: 'It has closed' }).click();
    await expect(page.getByText('Old cuts, 0 not closed')).toBeVisible();
    await accessible(page);
  },
);

test('a bud that was seen tells where the others face', laptop('the strip is the same'), async ({ page, demo }) => {
  await open(page, demo + bench('B4'));
  await chooseFromList(page, 'F1');
  await page.getByRole('button', { name: 'Its buds' }).click();
  const strip = page.getByRole('region', { name: 'Bud strip of F1' });
  await expect(strip.getByRole('button', { name: /bud 4, .* facing unknown/ })).toBeVisible();
  await strip.getByRole('button', { name: /^bud 4,/ }).press('Enter');
  await strip.getByRole('button', { name: 'Under' }).click();
  await expect(strip.getByRole('button', { name: /^bud 4, .*faces/ })).toBeVisible();
  await expect(strip.getByRole('button', { name: /^bud 9, .*faces .*(?<!check)$/ })).toBeVisible();
  await strip.getByRole('button', { name: 'blind' }).click();
  await expect(strip.getByRole('button', { name: /^bud 4, blind, seen/ })).toBeVisible();
  await expect(strip.getByText(/It bears on spurs of older wood/)).toBeVisible();
  await accessible(page);
});

test(
  'limbs are marked by tapping them on the phone, and taken back with the same thumb',
  phone('one hand, outdoors'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C2'));
    const bar = page.getByRole('group', { name: 'Mark limbs by tapping them' });
    for (const b of await bar.getByRole('button').all()) {
      const box = await b.boundingBox();
      expect(box?.height).toBeGreaterThanOrEqual(48);
    }
    await bar.getByRole('button', { name: 'Broken' }).click();
    const tree = await page.getByRole('tree').boundingBox();
    if (!tree) throw new Error('no tree');
    expect(tree.height).toBeLessThanOrEqual(0.36 * 844 + 1);
    expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBeLessThanOrEqual(
      0,
    ); // the screen scrolls, not the page
    const trunk = await page.locator('[data-limb="S3"] path').last().boundingBox();
    if (!trunk) throw new Error('no limb');
    await page.mouse.click(trunk.x + trunk.width / 2, trunk.y + trunk.height / 2);
    await expect(page.getByText(/^broken from its base on/)).toBeVisible();
    await bar.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByText(/^broken from its base on/)).toHaveCount(0);
    await fits(page);
    await accessible(page);
  },
);

test(
  'a limb may be left for fruit to bend, by keyboard alone',
  laptop('keys are for the laptop'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C3'));
    await page.getByRole('treeitem').first().focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('region', { name: /^Limb/ })).toBeVisible();
    await page.getByRole('combobox', { name: 'Decided' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('option', { name: 'left for fruit to bend' }).press('Enter');
    await expect(page.getByText('left for fruit to bend: look again when it has carried a crop')).toBeVisible();
  },
);

test(
  'what cannot be is refused with its limb and field, and nothing is lost',
  laptop('the same on every screen'),
  async ({ page, demo }) => {
    await open(page, demo + bench('C2'));
    await page.getByText('Files', { exact: true }).click();
    const bring = async (name: string, text: string) =>
      page
        .getByLabel('Limb map from a file')
        .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
    await bring('a.csv', 'id,length_in\nT,40\n');
    await expect(page.getByText('line 1, column: length_in given, length_cm expected')).toBeVisible();
    await bring('b.csv', 'id,parent,length_cm\nT,,100\nA,X,40\n');
    await expect(page.getByText(/A.parent: "X" given/)).toBeVisible();
    await bring('c.json', '{"species":"apple","limbs":[{"id":"T","length_cm":80,"diameter_mm":"thick"}]}');
    await expect(page.getByText(/"thick" given, a number expected/)).toBeVisible();
    await expect(page.getByText('The map on the screen is unchanged.')).toBeVisible();
    await expect(page.getByRole('tree')).toBeVisible();
  },
);

test(
  'every demo map passes its schema, and the 3D file an independent validator',
  laptop('no screen is shown'),
  async ({ request, demo }) => {
    const ajv = new Ajv2020({ allErrors: true });
    addFormats(ajv);
    const check = ajv.compile((await (await request.get(`${demo}/api/schemas/limb-map.json`)).json()) as object);
    for (const code of ['A1', 'A3', 'B3', 'C1', 'C2', 'D2', 'T2']) {
      const at = `${demo}/api/orchards/lower-terrace/trees/lower-terrace-${code}`;
      const map: unknown = await (await request.get(`${at}/limbs.json`)).json();
      expect(check(map), `${code}: ${ajv.errorsText(check.errors)}`).toBe(true);
      const file = await (await request.get(`${at}/limbs.gltf`)).body();
      const report = await validateBytes(new Uint8Array(file));
      expect(report.issues.messages, code).toEqual([]);
      expect(report.info.totalTriangleCount).toBeGreaterThan(100);
    }
  },
);
