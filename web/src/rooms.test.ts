import { describe, expect, it } from 'vitest';
import { screens, words } from './rooms';
import { screen } from './shared/screen';

const [made] = Object.values(
  import.meta.glob<{ filesOf: (name: string) => Record<string, string> }>('../types/screen.mjs', { eager: true }),
);

describe('rooms', () => {
  it('have an address for each screen, and no two the same', () => {
    const paths = screens.map((s) => s.path);
    expect(new Set(paths).size).toBe(paths.length);
    expect(paths).toEqual(expect.arrayContaining(['yard', 'trees/:id', 'thinning/:id', 'setup/*']));
  });

  it('come when they are opened, but for the yard: each waits for its code in the same way', () => {
    const Waiting = screen(() => new Promise(() => undefined)).name;
    expect(screens.filter((s) => s.Screen.name !== Waiting).map((s) => s.path)).toEqual(['yard']);
  });

  it('put their words into the frame in order', () => {
    expect(words.map((w) => w.name)).toEqual(['Yard', 'Trees', 'Year', 'Thinning', 'Sheet']);
  });

  it('are made by one command: a folder that says its screen, and a test', () => {
    const files = made?.filesOf('cider') ?? {};
    expect(Object.keys(files)).toEqual([
      'cider/screens.ts',
      'cider/Cider.tsx',
      'cider/cider.module.css',
      'cider.test.tsx',
    ]);
    expect(files['cider/screens.ts']).toContain("path: 'cider'");
  });
});
