/** The import rule: which part of the house may know which. `npm test` runs it. */
const within = (part) => `^packages/core/src/${part}/`;

module.exports = {
  forbidden: [
    {
      name: 'core-stands-alone',
      comment:
        'The core runs in a browser, a worker, the server and a script: it knows only itself, Zod and a source of random numbers.',
      severity: 'error',
      from: { path: '^packages/core/src/' },
      to: { pathNot: ['^packages/core/src/', '^node_modules/(zod|pure-rand)/'] },
    },
    {
      name: 'circuit-knows-only-the-model',
      comment: 'The simulator must judge any wiring, planned or found: it knows neither groups nor planning.',
      severity: 'error',
      from: { path: within('circuit') },
      to: { path: '^packages/core/src/', pathNot: [within('circuit'), within('model')] },
    },
    {
      name: 'model-knows-nothing',
      comment: 'Everything reads the model, so the model reads nothing.',
      severity: 'error',
      from: { path: within('model') },
      to: { path: '^packages/core/src/', pathNot: within('model') },
    },
    {
      name: 'searching-comes-last',
      comment: 'What plans and judges one arrangement does not know that there are others to choose from.',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: [within('search'), within('plans'), '/index.ts$'] },
      to: { path: [within('search'), within('plans')] },
    },
    {
      name: 'search-without-plans',
      comment: 'The search finds trees; what is said of them is another matter.',
      severity: 'error',
      from: { path: within('search') },
      to: { path: within('plans') },
    },
    {
      name: 'entry-only',
      comment: 'Packages meet at their entries.',
      severity: 'error',
      from: { path: '^packages/([^/]+)/src/' },
      to: { path: '^packages/([^/]+)/src/', pathNot: ['^packages/$1/src/', '^packages/core/src/index.ts$'] },
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
      to: { couldNotResolve: true, pathNot: ['\\.css$'] },
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
