import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Makes the folder of the run's demo files, which all workers read, and takes it away when the run ends. */
export default function demos(): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'vertumna-demos-'));
  process.env.VERTUMNA_DEMOS = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}
