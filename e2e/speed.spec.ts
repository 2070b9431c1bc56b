import { expect, pack, test } from './app';

// how soon the phone answers: make bench
test.use({ serviceWorkers: 'allow' });

test('a tap without a network, and the program from the phone itself', async ({ page, march }, info) => {
  test.skip(!process.env.BENCH || info.project.name !== 'phone', 'measured by make bench');
  const tree = `${march}/lower-terrace/sheet/lower-terrace-C2?day=2027-03-10`;
  const onPhone = await pack(page, march, '2027-03-10');
  const kept = (await onPhone.getByText(/kB, put here/).textContent()) ?? '';
  await page.context().setOffline(true);
  await page.goto(tree);
  await expect(page.getByRole('heading', { name: 'Stand back and look' })).toBeVisible();
  const shell = await page.evaluate(() => {
    const paints = performance.getEntriesByName('first-contentful-paint');
    return paints[0]?.startTime ?? NaN;
  });
  await page.getByRole('button', { name: /^To the \d+ steps/ }).click();
  const seen: number[] = [];
  const next: number[] = [];
  for (let n = 1; n <= 3; n++) {
    await expect(page.getByRole('region', { name: new RegExp(`^Step ${String(n)} of`) })).toBeVisible();
    const [shown, on] = await page.evaluate(async () => {
      const button = [...document.querySelectorAll('button')].find((b) => b.textContent === 'Cut made');
      const step = () => document.querySelector('.onestep')?.getAttribute('aria-label');
      const was = step();
      const from = performance.now();
      let shown = NaN;
      button?.click();
      while (step() === was && performance.now() - from < 5000) {
        await new Promise((done) => requestAnimationFrame(done));
        if (Number.isNaN(shown) && (button?.disabled === true || step() !== was)) shown = performance.now() - from;
      }
      return [shown, performance.now() - from] as const;
    });
    seen.push(shown);
    next.push(on);
  }
  const middle = (ms: number[]) => ([...ms].sort((x, y) => x - y)[1] ?? NaN).toFixed(0);
  console.log(
    `offline: a tap shown in ${middle(seen)} ms (aim: under 50), kept and the next step there in ${middle(next)} ms, the program from the phone in ${shell.toFixed(0)} ms (aim: under 1000), the day ${kept}`,
  );
});
