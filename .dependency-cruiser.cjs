/** The core's folders in order, as in docs/architecture.md: each may use only what stands before it. */
const ROOMS = [
  'lists',
  'units',
  'messages',
  'model',
  'sensing',
  'circuit',
  'catalog',
  'ioLink',
  'job',
  'jobFile',
  'network',
  'analysis',
  'verdict',
  'planning',
  'presentation',
  'setting',
  'scaling',
  'switching',
  'proving',
  'fault',
  'tools',
];

/**
 * The app's folders below its stages, in order, then the stages of a point, then places of a job. Stages do not reach
 * into each other; a place may show a stage.
 */
const GROUND = ['ui', 'data', 'workers', 'drawing', 'job', 'photo', 'point', 'tools', 'chain'];
const STAGES = [
  'fit',
  'land',
  'set',
  'scale',
  'switch',
  'prove',
  'asfound',
  'parts',
  'relay',
  'log',
  'fault',
];
const PLACES = [
  'labels',
  'code',
  'photos',
  'allocate',
  'board',
  'buses',
  'faults',
  'jobs',
  'kinds',
  'panel',
  'practice',
  'trial',
  'wirelist',
];
const inApp = (folders) => `^apps/app/src/(${folders.join('|')})/`;
/** `ui` and `data` stand on the same step: a theme is a setting, a conflict is shown. */
const above = (i) => GROUND.slice(Math.max(i, 1) + 1);

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
    ...GROUND.map((folder, i) => ({
      name: `app-${folder}-stands-below-the-stages`,
      severity: 'error',
      from: { path: inApp([folder]), pathNot: '\\.test\\.tsx?$' },
      to: { path: inApp([...above(i), ...STAGES, ...PLACES]) },
    })),
    {
      name: 'app-stages-do-not-reach-into-each-other',
      severity: 'error',
      from: { path: `^apps/app/src/(${STAGES.join('|')})/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: inApp([...STAGES, ...PLACES]), pathNot: '^apps/app/src/$1/' },
    },
    {
      name: 'app-places-do-not-reach-into-each-other',
      severity: 'error',
      from: { path: `^apps/app/src/(${PLACES.join('|')})/`, pathNot: '\\.test\\.tsx?$' },
      to: { path: inApp(PLACES), pathNot: '^apps/app/src/$1/' },
    },
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
