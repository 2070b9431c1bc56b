import { chromium } from 'playwright-core';
import { existsSync } from 'fs';
const exe = ['/usr/bin/chromium-headless-shell', '/usr/lib/chromium/chromium-headless-shell', '/usr/bin/chromium'].find(
  existsSync,
);
const b = await chromium.launch({ executablePath: exe, args: ['--no-sandbox'] });
const [, , base, ...list] = process.argv;
for (const item of list) {
  const [name, path, size = '1280x800'] = item.split('|');
  const [w, h] = size.split('x').map(Number);
  const p = await b.newPage({ viewport: { width: w, height: h }, locale: 'en-GB' });
  await p.goto(base + path);
  await p.waitForLoadState('networkidle');
  await p.waitForTimeout(Number(process.env.WAIT ?? 400));
  await p.screenshot({ path: `/tmp/shots/${name}.png`, fullPage: size.endsWith('f') });
  await p.close();
}
await b.close();
