import { expect, open, phone, laptop, test } from './app';
import type { Locator, Page } from '@playwright/test';

/** A hand whose inputs are counted: each press, each field filled, each key is one. */
class Hand {
  inputs = 0;
  constructor(readonly page: Page) {}

  async press(what: Locator, at?: { x: number; y: number }) {
    this.inputs += 1;
    await what.click(at ? { position: at, force: true } : {});
  }

  async type(what: Locator, text: string) {
    this.inputs += 1;
    await what.fill(text);
  }

  /** The inputs of a job, with what it may take. */
  async atMost(most: number, job: () => Promise<void>) {
    this.inputs = 0;
    await job();
    expect(this.inputs).toBeLessThanOrEqual(most);
  }
}

/** How many of these stand in the window whole. */
async function inSight(page: Page, of: Locator): Promise<number> {
  await of.first().waitFor();
  const high = page.viewportSize()?.height ?? 0;
  let n = 0;
  for (const line of await of.all()) {
    const box = await line.boundingBox();
    if (box && box.y >= 0 && box.y + box.height <= high) n += 1;
  }
  return n;
}

/** An order nobody rehearsed: another for each seed, the same for one. */
function shuffled<T>(list: readonly T[], seed: number): T[] {
  const out = [...list];
  let s = seed;
  for (let i = out.length - 1; i > 0; i--) {
    s = (s * 48271) % 2147483647;
    const k = s % (i + 1);
    [out[i], out[k]] = [out[k] as T, out[i] as T];
  }
  return out;
}

const lines = (page: Page) => page.getByRole('region', { name: 'Docket' }).locator('button.yard-item');

test(
  'the first tree of an empty program takes twelve inputs, and a map of a young tree twenty-five',
  laptop('made at the table'),
  async ({ page, empty }) => {
    await open(page, empty);
    const hand = new Hand(page);
    await hand.atMost(12, async () => {
      await hand.type(page.getByLabel('Town, or latitude and longitude'), '46.2 N 14.5 E');
      await expect(page.getByRole('region', { name: 'What a grower sees here' })).toBeVisible();
      await hand.type(page.getByLabel('Along, m'), '14');
      await hand.press(page.getByRole('button', { name: 'Next: your reach' }));
      await hand.type(page.getByLabel(/Fingertip height/), '221');
      await hand.press(page.getByRole('button', { name: 'Make the orchard' }));
      const form = page.getByRole('form', { name: 'Add a tree' });
      await hand.press(form.getByLabel('Kind'));
      await hand.press(page.getByRole('option', { name: 'Apple', exact: true }));
      await hand.press(page.getByRole('group', { name: /Plan of/ }), { x: 200, y: 160 });
      await hand.type(form.getByLabel('or its age, years'), '4');
      await hand.press(form.getByRole('button', { name: 'Plant it here' }));
      await expect(page.getByRole('region', { name: 'Tree A1' })).toBeVisible();
    });
    await hand.atMost(25, async () => {
      await hand.press(page.getByRole('link', { name: /Bench/ }).first());
      const cell = (name: string) =>
        page
          .getByLabel(name, { exact: true })
          .or(page.getByLabel(new RegExp(`^${name}`)))
          .first();
      await hand.type(cell('Trunk, thickness'), '42');
      await hand.type(cell('Height'), '190');
      await hand.type(cell('Spread'), '120');
      await hand.type(cell('Scaffolds'), '4');
      await hand.press(page.getByRole('button', { name: 'Sketch the tree' }));
      await expect(page.getByRole('tree')).toBeVisible();
      for (const [limb, says] of [
        ['S1', '62 cm, 14 thick'],
        ['S2', '55 cm, 12 thick'],
        ['S3', '58 cm, 13 thick'],
        ['S4', '40 cm, 9 thick'],
      ] as const) {
        await hand.type(page.getByLabel('Quick line'), `${limb} is ${says}`);
        await hand.press(page.getByRole('button', { name: 'Write it on the map' }));
        await expect(page.getByLabel('Quick line')).toHaveValue('');
      }
      await expect(page.getByRole('treeitem', { name: 'S1, on T, 62 cm long, 14 mm thick' })).toBeAttached();
    });
  },
);

test('the docket stands there: eight lines in sight, four on the phone', async ({ page, demo }, info) => {
  await open(page, demo);
  expect(await inSight(page, lines(page))).toBeGreaterThanOrEqual(info.project.name === 'phone' ? 4 : 8);
});

test(
  'the small jobs of a day, in an order nobody rehearsed',
  laptop('made with the pointer'),
  async ({ page, march }) => {
    const hand = new Hand(page);
    const jobs: Record<string, () => Promise<void>> = {
      'a cut is logged in three': async () => {
        await open(page, `${march}/lower-terrace/yard`);
        await hand.atMost(3, async () => {
          const line = page
            .getByRole('region', { name: 'Docket' })
            .locator('button.yard-item')
            .filter({ hasText: 'Dormant cut' })
            .first();
          await hand.press(line);
          await hand.press(
            page.getByRole('group', { name: /Log it with the share/ }).getByRole('button', { name: '10 %' }),
          );
          await hand.press(page.getByRole('button', { name: 'Log it' }));
          await expect(page.getByRole('button', { name: 'Undo' }).first()).toBeVisible();
        });
        // the keyboard is back in the docket, and not lost at the top of the page
        expect(await page.evaluate(() => document.activeElement?.closest('.side') !== null)).toBe(true);
      },
      'why this limb in one, with the answer in sight': async () => {
        await open(page, `${march}/lower-terrace/trees/lower-terrace-C2`);
        await page.getByRole('region', { name: 'Slip' }).getByRole('button').first().waitFor();
        await hand.atMost(1, async () => {
          const spot = await page.locator('[data-limb="S2"] path[data-part]').first().boundingBox();
          const tree = page.getByRole('tree');
          const box = await tree.boundingBox();
          if (!spot || !box) throw new Error('no drawing');
          await hand.press(tree, { x: spot.x + spot.width / 2 - box.x, y: spot.y + spot.height / 2 - box.y });
          await expect(page.getByRole('region', { name: /^Why/ })).toBeInViewport();
        });
      },
      'a step that is read is left in one': async () => {
        await open(page, `${march}/lower-terrace/trees/lower-terrace-C3`);
        const head = page.getByRole('region', { name: 'Slip' }).locator('.steps button[aria-expanded]').first();
        await head.waitFor();
        await head.click();
        await hand.atMost(1, async () => {
          await hand.press(page.getByRole('region', { name: 'Slip' }).getByRole('button', { name: 'Leave it' }));
          await expect(page.getByRole('region', { name: 'Left by you' })).toBeVisible();
        });
      },
      'any day in one': async () => {
        await open(page, `${march}/lower-terrace/yard`);
        await hand.atMost(1, async () => {
          const rail = page.getByRole('slider', { name: /Day shown/ });
          await hand.press(rail.locator('..'), { x: 500, y: 30 });
          await expect(page).toHaveURL(/day=/);
        });
      },
      'the calendar in two': async () => {
        await open(page, `${march}/lower-terrace/yard`);
        await hand.atMost(2, async () => {
          await hand.press(page.getByRole('link', { name: 'Settings' }));
          await hand.press(
            page.getByRole('region', { name: 'Calendar' }).getByRole('button', { name: 'Make an address' }),
          );
          await expect(page.getByRole('region', { name: 'Calendar' }).locator('code')).toBeVisible();
        });
      },
    };
    for (const name of shuffled(Object.keys(jobs), Number(process.env['JOBS_SEED'] ?? 20270310)))
      await test.step(name, async () => {
        await jobs[name]?.();
      });
  },
);

test('a fruit is counted with one tap', phone('the pad is the screen of the phone'), async ({ page, june }) => {
  await open(page, `${june}/lower-terrace/thinning/lower-terrace-A3`);
  const pad = page.getByRole('region', { name: 'Counting pad' });
  const hand = new Hand(page);
  await hand.atMost(4, async () => {
    for (let i = 0; i < 4; i++) await hand.press(pad.getByRole('button', { name: 'Left one' }));
    await expect(pad.getByRole('status').first()).toContainText('4 of');
  });
});
