import { spawn, type ChildProcess } from 'node:child_process';
import { binary } from './app';

/** The weather station by itself, and a way to make it play a fault. */
export async function station(
  day: string,
  story = false,
): Promise<{ url: string; child: ChildProcess; play: (fault: string) => Promise<void> }> {
  const child = spawn(binary, ['station', '--listen', '127.0.0.1:0', '--today', day, ...(story ? ['--story'] : [])], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise<string>((resolve) =>
    child.stdout.on('data', (b: Buffer) => {
      const m = /http:\/\/[\d.:]+/.exec(b.toString());
      if (m) resolve(m[0].replace(/\.$/, ''));
    }),
  );
  return { url, child, play: async (fault) => void (await fetch(`${url}/v1/fault/${fault}`, { method: 'PUT' })) };
}
