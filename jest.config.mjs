const project = (name) => ({
  displayName: name,
  rootDir: name,
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.ts$': [
      '@swc/jest',
      { jsc: { parser: { syntax: 'typescript' }, target: 'es2023' }, module: { type: 'commonjs' } },
    ],
  },
  moduleNameMapper: { '^@warm-ladder/core/(.+)$': '<rootDir>/../core/$1/index.ts' },
});

export default {
  projects: [project('core'), project('server'), project('web')],
};
