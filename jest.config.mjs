import { join } from 'node:path';

const LONG = process.env.TESTS === 'long';

const project = (name) => ({
  displayName: name,
  rootDir: name,
  // What takes many seconds is called `*.long.test.ts`, and run by `npm run check:long`; `*.scaled.test.ts` by both.
  testMatch: LONG ? ['**/*.{long,scaled}.test.ts'] : ['**/*.test.ts'],
  globals: { LONG },
  testPathIgnorePatterns: LONG ? [] : ['\\.long\\.test\\.ts$'],
  transform: {
    '^.+\\.[jt]s$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2023' }, module: { type: 'commonjs' } },
    ],
  },
  // Packages that are ES modules only.
  transformIgnorePatterns: ['/node_modules/(?!(?:flesch-kincaid|syllable|subsrt-ts)/)'],
  moduleNameMapper: { '^@warm-ladder/core/(.+)$': '<rootDir>/../core/$1/index.ts' },
});

export default {
  // Both processors of the smallest machine: the default leaves one to the watcher.
  maxWorkers: 2,
  projects: [
    project('core'),
    {
      ...project('server'),
      globalSetup: join(import.meta.dirname, 'scripts/lib/jestSetup.mjs'),
      globalTeardown: join(import.meta.dirname, 'scripts/lib/jestTeardown.mjs'),
    },
    project('web'),
  ],
};
