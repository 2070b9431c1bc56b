import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Vertumna',
        short_name: 'Vertumna',
        description: 'Plan, prune and thin a small orchard held at reach',
        start_url: '/',
        display: 'standalone',
        background_color: '#faf7f0',
        theme_color: '#faf7f0',
        icons: [
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,woff2,svg}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/calendar\//, /^\/openapi/, /^\/(readyz|livez)/],
        cleanupOutdatedCaches: true,
        runtimeCaching: [
          {
            // the program's answers about an orchard, not the files one takes away; it is written out whole, so it names nothing outside
            urlPattern: ({ url, request }) =>
              request.method === 'GET' &&
              /^\/api\/(?!orchards\/[^/]+\/(archive|calendar)|access|help\/|schemas\/)(?!.*\.pdf$)/.test(url.pathname),
            handler: 'NetworkFirst',
            options: {
              cacheName: 'vertumna-orchard',
              networkTimeoutSeconds: 25,
              plugins: [
                {
                  // an answer from the phone says so, and of when it is
                  cachedResponseWillBeUsed: async ({ cachedResponse }) => {
                    if (!cachedResponse) return cachedResponse;
                    const headers = new Headers(cachedResponse.headers);
                    headers.set('X-Kept-Since', cachedResponse.headers.get('date') ?? '');
                    return new Response(await cachedResponse.blob(), { status: cachedResponse.status, headers });
                  },
                },
              ],
            },
          },
        ],
      },
    }),
  ],
  css: {
    modules: {
      // a room's own names, readable where a page is inspected: bench-stephead
      generateScopedName: (name, file) => `${/([^/]+)\.module\.css/.exec(file)?.[1] ?? ''}-${name}`,
    },
  },
  build: { outDir: 'dist', emptyOutDir: true, target: 'es2022', assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:8475', '/calendar': 'http://127.0.0.1:8475' } },
  test: {
    environment: 'jsdom',
    globals: true,
    setupFiles: ['src/test-setup.ts'],
    css: { include: [/\?raw$/] }, // no test looks at a style but the law of colours, which reads their sources
    testTimeout: 90_000,
    maxWorkers: '100%', // else a machine of two cores tests on one
    isolate: false, // modules are read once a worker; each file has a page of its own all the same
  },
});
