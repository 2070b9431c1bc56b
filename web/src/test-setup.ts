import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 30_000 });
beforeEach(() => {
  if (typeof window === 'object') localStorage.clear();
});
afterEach(cleanup); // by ourselves: the library hangs it on the first file alone where files share their modules
