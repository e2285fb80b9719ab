const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  setupFilesAfterEnv: ['<rootDir>/scripts/lib/patience.mjs'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: false, decorators: true },
          transform: { legacyDecorator: true, decoratorMetadata: true },
        },
        module: { type: 'es6' },
      },
    ],
  },
  moduleNameMapper: {
    '^@amber/(core|packet|server|cli)$': '<rootDir>/packages/$1/src/index.ts',
    '^@amber/packet/sections$': '<rootDir>/packages/packet/src/sections.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
};

/** Parts of the pages, in a page without a browser. */
const pages = {
  testEnvironment: 'jsdom',
  setupFiles: ['<rootDir>/packages/web/test/support/setup.ts'],
  setupFilesAfterEnv: ['<rootDir>/packages/web/test/support/patience.ts'],
  transform: {
    '^.+\\.tsx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
};

const project = (displayName, testMatch) => ({
  ...shared,
  displayName,
  rootDir: import.meta.dirname,
  testMatch: [`<rootDir>/${testMatch}`],
});

export default {
  projects: [
    project('core', 'packages/core/test/**/*.test.ts'),
    {
      ...project('server', 'packages/server/test/**/*.test.ts'),
      globalSetup: '<rootDir>/scripts/lib/jestDatabase.mjs',
      globalTeardown: '<rootDir>/scripts/lib/jestDatabaseEnd.mjs',
    },
    project('packet', 'packages/packet/test/**/*.test.ts'),
    project('cli', 'packages/cli/test/**/*.test.ts'),
    { ...project('web', 'packages/web/test/**/*.test.ts'), transform: pages.transform },
    { ...project('pages', 'packages/web/test/**/*.test.tsx'), ...pages },
    project('house', 'scripts/test/**/*.test.mjs'),
  ],
};
