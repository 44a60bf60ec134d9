/**
 * The core in layers, the lowest first: a folder imports those before it only, types included. The model is data; text
 * and layout stand on it, timeline and display lists on those, projects and proof on all.
 */
const CORE_LAYERS = [
  'kit',
  'time',
  'eases',
  'display',
  'frame',
  'faces',
  'colour',
  'orders',
  'moves',
  'holdMoves',
  'patterns',
  'scenes',
  'sound',
  'outputs',
  'model',
  'mirror',
  'titleTime',
  'text',
  'credits',
  'draft',
  'layers',
  'resolve',
  'layout',
  'edit',
  'starts',
  'timeline',
  'formats',
  'project',
  'captions',
  'proof',
  'quiet',
];

const layerRules = CORE_LAYERS.slice(0, -1).map((folder, i) => ({
  name: `core-${folder}-stands-on-what-is-below`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/core/(${CORE_LAYERS.slice(i + 1).join('|')})/` },
}));

/** Which folder may import which: core ← contract ← db, server, ui ← app, and core ← paint. */
module.exports = {
  forbidden: [
    ...layerRules,
    {
      name: 'every-core-folder-has-its-layer',
      severity: 'error',
      from: {},
      to: { path: '^src/core/[^/]+/', pathNot: `^src/core/(${CORE_LAYERS.join('|')})/` },
    },
    {
      name: 'no-cycles-in-the-core',
      comment: 'Not even of types alone.',
      severity: 'error',
      from: { path: '^src/core' },
      to: { circular: true },
    },
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      comment: 'The core imports itself and these packages only.',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^src/core|^node_modules/(@types/)?(harfbuzzjs|bidi-js|linebreak|hyphen|yup|fflate|culori|date-fns|svgpath|bezier-easing|papaparse|saxes|xmlchars|fastest-levenshtein|double-metaphone)/',
      },
    },
    {
      name: 'paint-knows-core-only',
      severity: 'error',
      from: { path: '^src/paint', pathNot: '(\\.test\\.ts$|/testing/)' },
      to: { pathNot: '^src/(paint|core)/' },
    },
    {
      name: 'db-knows-core-only',
      severity: 'error',
      from: { path: '^src/db', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(server|ui|app|paint)/' },
    },
    {
      name: 'server-knows-no-interface',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/(ui|app)/' },
    },
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      comment: 'What goes over HTTP, for both ends.',
      from: { path: '^src/contract', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^src/(contract|core)/|^node_modules/yup/' },
    },
    {
      name: 'ui-knows-the-server-by-the-contract',
      severity: 'error',
      comment: 'Not even types of db or server; tests may.',
      from: { path: '^src/ui', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/(server|db)/' },
    },
    {
      name: 'nobody-imports-the-app',
      severity: 'error',
      from: { pathNot: '^src/app' },
      to: { path: '^src/app/' },
    },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, pathNot: '\\.d\\.ts$|src/empty\\.ts$|src/ui/testSetup\\.ts$' },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
    },
  },
};
