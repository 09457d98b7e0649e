/** The layers of ARCHITECTURE.md as rules: imports go one way. */
const CORE = '^packages/core/src';
const onlyFrom = (name, area, allowed) => ({
  name,
  severity: 'error',
  from: { path: `${CORE}/${area}/`, pathNot: '\\.test\\.ts$' },
  to: { path: '^packages/', pathNot: `${CORE}/(${allowed.join('|')})` },
});

/** Folders of the core that are entered by their `index.ts` alone; tests, and what tests with, look inside. */
const FACES = [
  'cells',
  'math',
  'units',
  'uncertainty',
  'geometry',
  'wiring',
  'fit',
  'order',
  'catalogue',
  'model',
  'records',
  'formats',
  'sound',
  'photo',
  'stations',
  'doubt',
  'lists',
  'labels',
];
const entersByFace = (area) => ({
  name: `${area}-by-its-face`,
  severity: 'error',
  from: { path: '^packages/', pathNot: [`${CORE}/${area}/`, `${CORE}/testing/`, '\\.test\\.tsx?$', 'src/testing/'] },
  to: { path: `${CORE}/${area}/`, pathNot: `${CORE}/${area}/index\\.ts$` },
});

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      comment: 'The core computes: nothing of interface, server or Node, and of packages only the schema library.',
      severity: 'error',
      // The referee for distances runs beside the core's tests, in a worker of Node.
      from: { path: CORE, pathNot: '(\\.test\\.ts|testing/meshDistances\\.mjs)$' },
      to: { pathNot: [CORE, '^node_modules/zod'] },
    },
    onlyFrom('units-know-nothing', 'units', ['result', 'units/']),
    onlyFrom('math-knows-nothing', 'math', ['math/']),
    onlyFrom('uncertainty-below-geometry', 'uncertainty', ['math/', 'units/', 'uncertainty/', 'result']),
    onlyFrom('geometry-below-fit', 'geometry', ['math/', 'units/', 'uncertainty/', 'geometry/', 'result']),
    onlyFrom('fit-below-model', 'fit', ['math/', 'units/', 'uncertainty/', 'geometry/', 'fit/', 'wiring/', 'result']),
    onlyFrom('wiring-below-fit', 'wiring', ['wiring/', 'units/', 'result']),
    onlyFrom('sound-below-model', 'sound', ['math/', 'units/', 'uncertainty/', 'sound/', 'result', 'listed']),
    onlyFrom('labels-below-contracts', 'labels', ['labels/']),
    onlyFrom('photo-below-model', 'photo', ['photo/', 'result']),
    onlyFrom('order-below-model', 'order', ['math/', 'fit/', 'order/', 'result']),
    onlyFrom('cells-below-catalogue', 'cells', ['units/', 'cells/', 'result']),
    onlyFrom('catalogue-below-model', 'catalogue', [
      'math/',
      'cells/',
      'units/',
      'uncertainty/',
      'geometry/',
      'fit/',
      'wiring/',
      'catalogue/',
      'result',
    ]),
    onlyFrom('doubt-below-lists', 'doubt', ['math/', 'catalogue/', 'doubt/']),
    onlyFrom('lists-above-model', 'lists', [
      'math/',
      'units/',
      'cells/',
      'model/',
      'catalogue/',
      'doubt/',
      'records/',
      'lists/',
      'result',
    ]),
    ...FACES.map(entersByFace),
    {
      name: 'model-below-contracts',
      severity: 'error',
      from: { path: `${CORE}/model/` },
      to: { path: `${CORE}/contracts/` },
    },
    {
      name: 'records-below-contracts',
      severity: 'error',
      from: { path: `${CORE}/records/` },
      to: { path: `${CORE}/contracts/` },
    },
    { name: 'server-not-web', severity: 'error', from: { path: '^packages/server' }, to: { path: '^packages/web' } },
    { name: 'web-not-server', severity: 'error', from: { path: '^packages/web' }, to: { path: '^packages/server' } },
    {
      name: 'web-not-node',
      severity: 'error',
      from: { path: '^packages/web/src', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'building-blocks-know-no-feature',
      severity: 'error',
      from: { path: '^packages/web/src/(ui|api|text|workers|outbox|device|stations)/' },
      to: { path: '^packages/web/src/features/' },
    },
    {
      name: 'device-knows-nothing-of-the-web-above-it',
      severity: 'error',
      from: { path: '^packages/web/src/device/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^packages/web/src/(ui|api|outbox|features)/' },
    },
    {
      name: 'http-and-db-know-no-feature',
      severity: 'error',
      from: { path: '^packages/server/src/http/' },
      to: { path: '^packages/server/src/features/' },
    },
    { name: 'nothing-missing', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'no-tests-in-code',
      severity: 'error',
      from: { pathNot: '\\.test\\.tsx?$' },
      to: { path: '\\.test\\.tsx?$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules/\\.cache|test-results)/' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'types', 'default'],
    },
  },
};
