import { describe, expect, it } from 'vitest';

const sources = import.meta.glob<string>(
  ['./**/*.tsx', './**/*.ts', '!./**/*.test.*', '!./**/*test-data*', '!./**/*.d.ts'],
  {
    query: '?raw',
    import: 'default',
    eager: true,
  },
);

// an amount in metric units, in the text of a screen
const metric = /\d ?(mm|cm|m|m²|cm²|kg|km|km\/h|g|°C)(?![\w-])|\b(square|a|each|per|every) (metre|centimetre|kilo)\b/;
const comment = /^\s*(\/\/|\/?\*|\{\/\*)/;

describe('a screen in inches', () => {
  it('has no metric amount written into its text: a line that names one also asks for the units', () => {
    const found = Object.entries(sources).flatMap(([file, text]) =>
      text
        .split('\n')
        .map((line, n) => [line.replace(/\/\/ .*$|\/\*.*\*\//, ''), n + 1, text.split('\n')[n - 1] ?? ''] as const)
        .filter(([line, , before]) => metric.test(line) && !comment.test(line) && !/units/.test(line + before))
        .map(([line, n]) => `${file}:${String(n)} ${line.trim()}`),
    );
    expect(Object.keys(sources).length).toBeGreaterThan(200);
    expect(found).toEqual([]);
  });
});
