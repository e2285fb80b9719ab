import { testBundle } from './scripts/lib/testBundle.mjs';
import { testGroups } from './scripts/lib/testGroups.mjs';

/** What draws icons, menus and charts: hundreds of files, of which the pages need some. */
const DRAWN = [
  ...['lucide-react', 'recharts', '@headlessui/react'],
  ...['@tanstack/react-table', '@tanstack/react-virtual', '@use-gesture/react'],
];
const core = await testBundle('core');
const web = await testBundle('web', DRAWN);
/** All at once they are run in groups (`npm test`), and file by file where somebody looks for one. */
const inGroups = process.env.TESTS_IN_GROUPS === 'yes';

/** Of modules in one file (`testBundle.mjs`). */
const mapped = { '/\\.cache/tested/.+\\.mjs$': '<rootDir>/scripts/lib/mappedTransform.mjs' };

const shared = {
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  testEnvironment: 'node',
  setupFilesAfterEnv: ['<rootDir>/scripts/lib/patience.mjs'],
  transform: {
    ...mapped,
    '^.+\\.tsx?$': [
      '<rootDir>/scripts/lib/testTransform.mjs',
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
    '^@amber/core$': `${core}/index.mjs`,
    '^@amber/(packet|server|cli)$': '<rootDir>/packages/$1/src/index.ts',
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
    ...mapped,
    '^.+\\.tsx?$': [
      '<rootDir>/scripts/lib/testTransform.mjs',
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

/** Tests of a package whose modules are in one file (`testBundle.mjs`), or that are loaded one by one. */
const project = (displayName, testMatch, bundle) => ({
  ...shared,
  displayName,
  moduleNameMapper: {
    ...(bundle && { '^(?:\\.\\./)+src/(.*)\\.js$': `${bundle}/$1.mjs` }),
    ...shared.moduleNameMapper,
  },
  rootDir: import.meta.dirname,
  testMatch: [testMatch].flat().map((one) => `<rootDir>/${one}`),
});

export default {
  testSequencer: '<rootDir>/scripts/lib/groupsFirst.mjs',
  projects: [
    project('core', inGroups ? testGroups('core', 16) : 'packages/core/test/**/*.test.ts', core),
    {
      ...project('server', 'packages/server/test/**/*.test.ts'),
      globalSetup: '<rootDir>/scripts/lib/jestDatabase.mjs',
      globalTeardown: '<rootDir>/scripts/lib/jestDatabaseEnd.mjs',
    },
    project('packet', 'packages/packet/test/**/*.test.ts'),
    project('cli', 'packages/cli/test/**/*.test.ts'),
    { ...project('web', 'packages/web/test/**/*.test.ts', web), transform: pages.transform },
    { ...project('pages', 'packages/web/test/**/*.test.tsx', web), ...pages },
    project('house', 'scripts/test/**/*.test.mjs'),
  ],
};
