import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';
import { shortKeys } from './short-keys';

export default defineConfig({
  plugins: [shortKeys(), react()],
  build: {
    // The content security policy allows no inline script and no data: fonts.
    modulePreload: { polyfill: false },
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8780' } },
  test: {
    environment: 'jsdom',
    globals: false,
    setupFiles: ['src/test-setup.ts'],
    // One jsdom and one import of the libraries for all files: no file mocks a module or a global.
    isolate: false,
    // A typed sentence in jsdom takes seconds on a busy build machine; a hang is still found.
    testTimeout: 90_000,
  },
});
