/** The core's folders in order, as in docs/architecture.md: each may use only what stands before it. */
const ROOMS = [
  'units',
  'messages',
  'model',
  'circuit',
  'catalog',
  'ioLink',
  'job',
  'network',
  'analysis',
  'verdict',
  'planning',
  'presentation',
  'setting',
  'scaling',
  'proving',
  'tools',
];

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'Files that import each other cannot be understood one by one.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'through-the-entry',
      comment: 'Another folder of the core is used through its index.ts only.',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^packages/core/src/',
        pathNot: ['^packages/core/src/$1/', '^packages/core/src/[^/]+/index\\.ts$'],
      },
    },
    ...ROOMS.map((room, i) => ({
      name: `${room}-uses-what-stands-before-it`,
      severity: 'error',
      from: { path: `^packages/core/src/${room}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^packages/core/src/(${ROOMS.slice(i + 1).join('|') || 'none'})/` },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.expo)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'],
    },
  },
};
