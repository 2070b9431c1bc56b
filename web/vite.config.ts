import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2022', assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:8475', '/calendar': 'http://127.0.0.1:8475' } },
  test: { environment: 'jsdom', globals: true, setupFiles: ['src/test-setup.ts'], testTimeout: 90_000 },
});
