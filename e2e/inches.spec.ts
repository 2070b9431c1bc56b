import { expect, fits, open, phone, test } from './app';

const metric = /\d ?(mm|cm|m|m²|cm²|kg|km|km\/h|°C)(?![\w-])/;
const tree = 'trees/lower-terrace-C1';

test(
  'an orchard in inches fits the phone and names no metric amount',
  phone('a word more or less is the same on a laptop'),
  async ({ page, march }) => {
    for (const slug of ['lower-terrace', 'new-rows']) {
      const at = `${march}/api/orchards/${slug}`;
      const { orchard } = (await (await page.request.get(at)).json()) as {
        orchard: { version: number; units: string };
      };
      await page.request.put(at, { data: { version: orchard.version, orchard: { ...orchard, units: 'us' } } });
    }
    const paths = ['yard', 'year', 'thinning', tree, `${tree}/season`, 'sheet/lower-terrace-C1', 'setup'].map(
      (p) => `lower-terrace/${p}`,
    );
    for (const path of [...paths, 'new-rows/trees/new-rows-W1/training', 'new-rows/trees/new-rows-R3/training']) {
      await open(page, `${march}/${path}`);
      const lines = (await page.locator('body').innerText()).split('\n');
      expect(lines.filter((l) => metric.test(l))).toEqual([]);
      await fits(page);
    }
  },
);
