// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { makeTheme } from './shared/theme';

const sheets = import.meta.glob<string>('./**/*.css', { query: '?raw', import: 'default', eager: true });
const sources = import.meta.glob<string>('./**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });

/** The colours a block of tokens.css sets. */
function block(opening: string): Record<string, string> {
  const css = sheets['./tokens.css'] ?? '';
  const from = css.indexOf(`${opening} {`);
  expect(from, opening).toBeGreaterThanOrEqual(0);
  const text = css.slice(from, css.indexOf('}', from));
  return Object.fromEntries([...text.matchAll(/--([a-z-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]]));
}

const day = block(':root');
const themes: Record<string, Record<string, string>> = {
  day,
  dusk: { ...day, ...block(":root[data-theme='dusk']") },
  sun: { ...day, ...block(':root[data-sun]') },
};

/** Relative luminance, by WCAG 2. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const c = parseInt(hex.slice(at, at + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

function contrast(a: string, b: string): number {
  const [low = 0, high = 0] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return (high + 0.05) / (low + 0.05);
}

const legible = 4.5;
const surfaces = ['ground', 'sheet', 'leaf-wash', 'winter-wash', 'spring-wash', 'summer-wash', 'autumn-wash'];
const texts = ['ink', 'quiet', 'leaf', 'winter-text', 'spring-text', 'summer-text', 'autumn-text'];
/** Text turned about, and what it stands on. */
const turned: Record<string, string[]> = { ground: ['ink', 'quiet', 'leaf'], 'on-leaf': ['leaf'] };

/** The rules of our style sheets: where each stands, and its declarations. */
const rules = Object.entries(sheets).flatMap(([path, css]) =>
  [...css.matchAll(/([^{}]+)\{([^{}]*)\}/g)].map((m) => ({ at: `${path}: ${(m[1] ?? '').trim()}`, body: m[2] ?? '' })),
);

describe('colours', () => {
  it.each(Object.keys(themes))('of text can be read on every surface: %s', (name) => {
    const of = themes[name] ?? {};
    const faint = [
      ...texts.flatMap((t) => surfaces.map((s) => [t, s] as const)),
      ...Object.entries(turned).flatMap(([t, on]) => on.map((s) => [t, s] as const)),
    ]
      .map(([t, s]) => ({ pair: `${t} on ${s}`, ratio: contrast(of[t] ?? '', of[s] ?? '') }))
      .filter((x) => !(x.ratio >= legible));
    expect(faint).toEqual([]);
  });

  it('of text are those that were made for it, and stand on what they were made for', () => {
    expect(rules.length).toBeGreaterThan(300);
    for (const { at, body } of rules) {
      const text = /(?:^|[\s;])color: var\(--([a-z-]+)/.exec(body)?.[1];
      if (!text) continue;
      const on = turned[text];
      if (!on) expect(texts, at).toContain(text);
      const ground = /background(?:-color)?: var\(--([a-z-]+)/.exec(body)?.[1];
      if (on) expect(on, at).toContain(ground);
      else if (ground) expect(surfaces, at).toContain(ground);
    }
  });

  it('and sizes are named only where there are such', () => {
    const all = [...Object.values(sheets), ...Object.values(sources)].join('\n');
    const set = new Set([...all.matchAll(/['\s](--[a-z-]+)'?\]?: /g)].map((m) => m[1]));
    const asked = new Set([...all.matchAll(/var\((--[a-z-]+)/g)].map((m) => m[1]));
    expect(asked.size).toBeGreaterThan(30);
    expect([...asked].filter((name) => !set.has(name))).toEqual([]);
  });

  it('of the kit are the tokens', () => {
    for (const dusk of [false, true]) {
      const { palette } = makeTheme(dusk);
      const of = (dusk ? themes.dusk : themes.day) ?? {};
      expect({
        leaf: palette.primary.main,
        'on-leaf': palette.primary.contrastText,
        'autumn-text': palette.error.main,
        ink: palette.text.primary,
        quiet: palette.text.secondary,
        ground: palette.background.default,
        sheet: palette.background.paper,
        rule: palette.divider,
      }).toEqual(
        Object.fromEntries(
          ['leaf', 'on-leaf', 'autumn-text', 'ink', 'quiet', 'ground', 'sheet', 'rule'].map((k) => [k, of[k]]),
        ),
      );
    }
  });
});
