import { defineConfig } from 'vite';

/** What runs beside the commands: the server itself, and the threads and the watch it starts. */
const PROGRAMS = new Set(['main', 'engine', 'reader', 'watchdog']);

/** The server and its commands, compiled: each entry is a program of its own. */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    outDir: 'dist',
    emptyOutDir: true,
    minify: false,
    rolldownOptions: {
      input: Object.fromEntries(
        [
          'main',
          'engine',
          'reader',
          'watchdog',
          'review',
          'mend',
          'propose',
          'proposeSeries',
          'script',
          'earliest',
          'replan',
          'speak',
          'take',
          'pace',
          'whatIf',
          'calendar',
          'package',
          'backup',
          'restore',
          'move',
          'prepare',
          'publish',
        ].map((name) => [name, `src/${PROGRAMS.has(name) ? name : `commands/${name}`}.ts`]),
      ),
    },
  },
  // The core is part of the project, not a package to be found beside it.
  ssr: { noExternal: [/^@warm-ladder\//] },
});
