import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { StyleSheet } from '@emotion/sheet';

configure({
  asyncUtilTimeout: 30_000,
  defaultHidden: true, // whether each candidate of a role is hidden is asked of every style above it: most of a test's time. Tests that hide say so
});
StyleSheet.prototype.insert = () => undefined; // no test looks at the kit's styles, and each look at an element is matched against all of them
beforeEach(() => {
  if (typeof window === 'object') localStorage.clear();
});
afterEach(cleanup); // by ourselves: the library hangs it on the first file alone where files share their modules
