import { expect, it } from 'vitest';

const sources = import.meta.glob<string>(
  ['./**/*.tsx', './**/*.ts', '!./**/*.test.*', '!./**/*test-data*', '!./**/*.d.ts'],
  {
    query: '?raw',
    import: 'default',
    eager: true,
  },
);

// a number before a word of more than one, written by hand: with one it reads wrong; count() says either
const many =
  /\}\s(weeks|days|nights|minutes|hours|winters|shoots|limbs|laterals|buds|tops|cuts|steps|trees|wires|fields|devices|places)\b(?![=\s]*[={]|\s*\/>)/;

it('no screen counts by hand', () => {
  const found = Object.entries(sources).flatMap(([file, text]) =>
    text
      .split('\n')
      .filter((line) => many.test(line) && !/=== 1 \?/.test(line))
      .map((line) => `${file}: ${line.trim()}`),
  );
  expect(Object.keys(sources).length).toBeGreaterThan(200);
  expect(found).toEqual([]);
});
