/** The import rule: which part of the house may know which, from the list in scripts/lib/house.json. `npm test` runs it. */
const house = require('./scripts/lib/house.json');

/** "search/*" is every room of the search, "search" its door alone. */
const folder = (pkg, part) =>
  house[pkg].some((other) => other.part.startsWith(`${part}/`))
    ? `^packages/${pkg}/src/${part}/[^/]+$`
    : `^packages/${pkg}/src/${part.replace('/*', '/[^/]+')}/`;

const mayRead = Object.entries(house).flatMap(([pkg, parts]) =>
  parts.map(({ part, reads, holds }) => ({
    name: `${pkg}-${part.replace('/', '-')}`,
    comment: `${part}: ${holds}. It may read ${reads.join(', ') || 'itself alone'}.`,
    severity: 'error',
    from: { path: folder(pkg, part) },
    to: {
      path: `^packages/${pkg}/src/`,
      pathNot: [folder(pkg, part), ...reads.map((one) => folder(pkg, one))],
    },
  })),
);

module.exports = {
  forbidden: [
    ...mayRead,
    {
      name: 'core-stands-alone',
      comment:
        'The core runs in a browser, a worker, the server and a script: it knows only itself, Zod, a source of random numbers, what writes CSV, and what tells where in a JSON text something stands.',
      severity: 'error',
      from: { path: '^packages/core/src/' },
      to: {
        pathNot: ['^packages/core/src/', '^node_modules/(zod|pure-rand|papaparse|jsonc-parser|ts-fsrs)/'],
      },
    },
    {
      name: 'no-part-without-a-line',
      comment: 'Every folder of core and pages has its line in the list.',
      severity: 'error',
      from: {
        path: '^packages/(core|web)/src/[^/]+/',
        pathNot: Object.entries(house).flatMap(([pkg, parts]) => parts.map(({ part }) => folder(pkg, part))),
      },
      to: {},
    },
    {
      name: 'one-screen-alone',
      comment: 'A screen reads no other screen, and a panel no other panel: what two need lies below both.',
      severity: 'error',
      from: { path: '^packages/web/src/(screens|panels)/([^/]+)/' },
      to: { path: '^packages/web/src/$1/', pathNot: '^packages/web/src/$1/$2/' },
    },
    {
      name: 'entry-only',
      comment: 'Packages meet at their entries.',
      severity: 'error',
      from: { path: '^packages/([^/]+)/src/' },
      to: {
        path: '^packages/([^/]+)/src/',
        pathNot: [
          '^packages/$1/src/',
          '^packages/(core|packet)/src/index.ts$',
          '^packages/packet/src/sections.ts$',
        ],
      },
    },
    {
      name: 'one-difference',
      comment:
        'What a change opens, moves and costs is read off the one difference of before and after (changeBetween).',
      severity: 'error',
      from: {
        path: '^packages/core/src/',
        pathNot: [
          '^packages/core/src/plans/change/(changeBetween|cost|handwork)\\.ts$',
          '^packages/core/src/index.ts$',
        ],
      },
      to: { path: '^packages/core/src/plans/change/(cost|handwork)\\.ts$' },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      from: { path: '^packages/' },
      to: { circular: true },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: { path: '^packages/' },
      to: { couldNotResolve: true, pathNot: ['\\.css$', '^pdfmake/interfaces'] },
    },
  ],
  options: {
    doNotFollow: { path: ['node_modules', '/dist/'] },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.cruise.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
      conditionNames: ['types', 'import', 'default'],
    },
  },
};
