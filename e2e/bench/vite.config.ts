import { join } from 'node:path';
import { defineConfig } from 'vite';

const E2E = join(import.meta.dirname, '..');

/** The figures of the core, compiled as the server is: what strips types on the fly adds its own work to every call. */
export default defineConfig({
  root: E2E,
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    emptyOutDir: true,
    minify: false,
    rolldownOptions: {
      input: {
        review: 'bench/review.ts',
        cold: 'bench/cold.ts',
        body: 'bench/body.ts',
        sequence: 'bench/sequence.ts',
        voice: 'bench/voice.ts',
        taught: 'bench/taught.ts',
        series: 'bench/series.ts',
      },
    },
  },
  // Where the demo lies is told from where a source file lies, not from where it is built to.
  define: { 'import.meta.dirname': JSON.stringify(E2E) },
  ssr: { noExternal: [/^@warm-ladder\//] },
});
