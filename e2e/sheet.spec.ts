import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { accessible, counted, expect, fits, laptop, open, phone, test, toTheEnd } from './app';

test(
  'the day is laid out: healthy before sick, what to bring, what does not fit',
  laptop('the same list on the phone, whose step is tested below'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/sheet?day=2027-03-10`);
    const walk = page.getByRole('region', { name: 'The walk' });
    const stops = walk.locator('.sheet-stophead');
    const some = await counted(stops);
    const said = await stops.allInnerTexts();
    const sick = said.findIndex((t) => /sick|cankered/.test(t));
    expect(sick).toBeGreaterThan(0);
    expect(said.slice(sick).every((t) => /sick|cankered/.test(t))).toBe(true);
    const before = page.getByRole('region', { name: 'Before you leave' });
    await before.getByRole('checkbox', { name: /hand pruner/ }).check();
    await page.reload();
    await expect(before.getByRole('checkbox', { name: /hand pruner/ })).toBeChecked();
    await page.getByRole('button', { name: '30 minutes' }).click();
    await expect(walk.getByText(/Does not fit/)).toBeVisible();
    await expect(async () => expect(await counted(stops)).toBeLessThan(some)).toPass();
    await fits(page);
    await accessible(page, { colours: true });
  },
);

test(
  'at the tree one step fills the screen, and the stop line follows what is cut',
  phone('worked with the phone in the hand'),
  async ({ page, demo }) => {
    await open(page, `${demo}/lower-terrace/sheet/lower-terrace-C2?day=2027-03-10`);
    await expect(page.getByRole('heading', { name: 'Stand back and look' })).toBeVisible();
    await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
    const step = page.getByRole('region', { name: /^Step 1 of/ });
    await expect(step.getByText(/you stand/)).toBeVisible();
    await expect(step.getByText(/over your|under your|at your/)).toBeVisible();
    await step.getByRole('button', { name: 'Cut made' }).click();
    await expect(page.getByRole('region', { name: /^Step 2 of/ })).toBeVisible();
    await page.getByRole('button', { name: 'Back a step' }).click();
    await expect(page.getByRole('button', { name: 'Cut already: on' })).toBeVisible();
    await fits(page);
    await accessible(page, { colours: true });
  },
);

test(
  'a cut made elsewhere than the slip has it is logged where it was made',
  phone('worked with the phone in the hand'),
  async ({ page, march }) => {
    await open(page, `${march}/lower-terrace/sheet/lower-terrace-C2?day=2027-03-10`);
    await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
    await page.getByText('Something else').click();
    await page.getByText('I cut elsewhere').click();
    const other = page.locator('.sheet-elsewhere button').first();
    const said = (await other.locator('b').textContent()) ?? '';
    expect((await other.boundingBox())?.height).toBeGreaterThanOrEqual(48);
    await other.click();
    await page.getByRole('button', { name: 'Back a step' }).click();
    await expect(page.getByText(`Cut elsewhere: ${said}.`)).toBeVisible();
    await toTheEnd(page);
    await expect(page.getByRole('region', { name: 'Finish' }).getByRole('listitem')).toHaveText([said]);
    await page.getByRole('button', { name: 'Finish this tree' }).click();
    await expect(page.getByText(/is finished/)).toBeVisible();
    await accessible(page);
  },
);

test('the slip of a tree goes on one page of paper', laptop('paper is printed at a table'), async ({ page, demo }) => {
  await open(page, `${demo}/lower-terrace/sheet/lower-terrace-C2/paper?day=2027-03-10`);
  const paper = page.getByRole('article', { name: 'Slip of C2 on paper' });
  const lines = await counted(paper.locator('tbody tr:not(.sheet-part)'));
  expect(lines).toBeGreaterThan(3);
  await expect(paper.getByText(/At the thick line, stop/)).toBeVisible();
  await expect(paper.getByText(/valid to/)).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('button', { name: 'Print this page' })).toBeHidden();
  await expect(page.getByRole('navigation', { name: 'Season' })).toBeHidden();
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)?.length).toBe(1);
});

/** The words of each page of a file, as a reader that is not ours finds them. */
async function wordsOf(body: Buffer): Promise<string[]> {
  const pdf = await getDocument({ data: new Uint8Array(body), useSystemFonts: true }).promise;
  const out: string[] = [];
  for (let n = 1; n <= pdf.numPages; n++) {
    const text = await (await pdf.getPage(n)).getTextContent();
    out.push(text.items.map((i) => ('str' in i ? i.str : '')).join(' '));
  }
  return out;
}

test(
  'the walk and its slips are a file to print, with every step in words',
  laptop('paper is printed at a table'),
  async ({ page, demo }) => {
    const at = `${demo}/api/orchards/lower-terrace`;
    const slip = (await (await page.request.get(`${at}/trees/lower-terrace-C2/map/slip?day=2027-03-10`)).json()) as {
      key: string;
      revision: number;
      steps: { title: string }[];
    };
    for (const size of ['a4', 'letter']) {
      const one = await page.request.get(`${at}/trees/lower-terrace-C2/paper.pdf?day=2027-03-10&size=${size}`);
      expect(one.headers()['content-type']).toBe('application/pdf');
      const [text, ...more] = await wordsOf(await one.body());
      expect(more).toEqual([]);
      for (const s of slip.steps) expect(text).toContain(s.title);
      expect(text).toContain(`Slip ${slip.key}, map ${String(slip.revision)}`);
      expect(text).toContain('Local rules and licensed practice come first.');
      expect(text).toContain('At the thick line, stop.');
    }
    const walk = await wordsOf(await (await page.request.get(`${at}/walk.pdf?day=2027-03-10`)).body());
    expect(walk[0]).toContain('The walk of 10 March');
    expect(walk.some((p) => /C2\s+Apple/.test(p))).toBe(true);
    const none = await page.request.get(`${at}/trees/lower-terrace-C2/paper.pdf?size=a5`);
    expect(none.status()).toBe(422);
    expect(await none.text()).toContain('a4 or letter');
    // a page of an older map says so where its square code leads
    await open(page, `${demo}/lower-terrace/sheet/lower-terrace-C2?day=2027-03-10&map=1`);
    await expect(page.getByText('The page in your hand is of map 1')).toBeVisible();
  },
);
