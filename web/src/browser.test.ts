import { afterEach, describe, expect, it, vi } from 'vitest';
import { forget, keep, kept, keptNames } from './shared/browser';
import { light, setLight } from './shared/dusk';

describe('what is kept in the browser', () => {
  afterEach(() => {
    vi.restoreAllMocks();
    localStorage.clear();
  });

  it('comes back under its name, and is forgotten', () => {
    expect(keep('a', '1')).toBe(true);
    expect(kept('a')).toBe('1');
    expect(keptNames()).toEqual(['a']);
    forget('a');
    expect(kept('a')).toBeNull();
  });

  it('is nothing where the browser forbids it, and no screen falls over it', () => {
    const no = () => {
      throw new DOMException('denied', 'SecurityError');
    };
    for (const what of ['getItem', 'setItem', 'removeItem', 'key'] as const)
      vi.spyOn(Storage.prototype, what).mockImplementation(no);
    expect(keep('a', '1')).toBe(false);
    expect(kept('a')).toBeNull();
    forget('a');
    setLight('dusk'); // stands until the page is left
    expect(light()).toBe('dusk');
  });

  it('is reached in one place only', () => {
    const sources = import.meta.glob('./**/*.{ts,tsx}', { query: '?raw', import: 'default', eager: true });
    for (const [path, text] of Object.entries(sources)) {
      if (path.includes('test') || path.endsWith('shared/browser.ts')) continue;
      expect(String(text), path).not.toContain('localStorage');
    }
  });
});
