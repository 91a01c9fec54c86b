/// <reference types="vitest/config" />
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { viteSingleFile } from 'vite-plugin-singlefile';
import { words } from './vite.words';

const NO_READER = '@formatjs/icu-messageformat-parser/no-parser.js';

/** `--mode sheet` builds the inspection sheet, one file that needs no network, instead of the page. */
export default defineConfig(({ command, mode }) => ({
  plugins: [react(), tailwindcss(), words(), ...(mode === 'sheet' ? [viteSingleFile()] : [])],
  // Messages are read when the page is built.
  resolve: {
    alias: command === 'build' ? [{ find: /^@formatjs\/icu-messageformat-parser$/, replacement: NO_READER }] : [],
  },
  ...(mode === 'sheet' && { publicDir: false as const }),
  build: {
    outDir: mode === 'sheet' ? 'target/sheets' : 'target/dist',
    emptyOutDir: true,
    sourcemap: false,
    ...(mode === 'sheet' && { rolldownOptions: { input: 'inspection.html' } }),
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:8373', changeOrigin: false } } },
  test: {
    environment: 'jsdom',
    // One document for all files: each test leaves it as it found it, and making a new one for each file takes longer than the tests.
    isolate: false,
    // A machine that is busy elsewhere fails no test.
    testTimeout: 60_000,
    setupFiles: ['src/testSetup.ts'],
    reporters: ['default', 'junit'],
    outputFile: { junit: 'target/surefire-reports/TEST-ui.xml' },
  },
}));
