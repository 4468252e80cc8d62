/** The layering of docs/architecture.md, enforced: core knows nobody, nothing points back. */
const layer = (name, from, forbidden, comment) => ({
  name,
  severity: 'error',
  comment,
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: forbidden },
});

/** The folders of core from bottom to top: each knows those before it. Files beside the folders are below them all. */
const coreFolders = [
  'trace',
  'policy',
  'people',
  'money',
  'quantities',
  'packing',
  'time',
  'tabular',
  'statistics',
  'regions',
  'markets',
  'geography',
  'catalogue',
  'cart',
  'conditions',
  'charges',
  'options',
  'offers',
  'notices',
  'evaluation',
  'wording',
  'surface-kinds',
  'schema',
  'checks',
  'changes',
  'translations',
  'test-carts',
  'sweep',
  'imports',
  'orders',
  'results',
  'goal-moves',
  'reading',
  'experiments',
  'charged',
  'guarantees',
  'check-up',
  'effect',
  'quote',
  'surfaces',
];
const coreOrder = [
  layer(
    'core-files-below-its-folders',
    '^src/core/[^/]+$',
    '^src/core/[^/]+/',
    'what all of core uses knows none of its folders',
  ),
  ...coreFolders.map((folder, index) =>
    layer(
      `core-order-${folder}`,
      `^src/core/${folder}/`,
      `^src/core/(?!(?:${coreFolders.slice(0, index + 1).join('|')})/)[^/]+/`,
      'a folder of core knows those that stand before it in the list of folders',
    ),
  ),
];

/** The rooms that views share, from bottom to top, and above them the stops. */
const islandRooms = [
  'page',
  'fields',
  'together',
  'findings',
  'storefront',
  'conditions',
  'rehearsal',
  'spend-line',
  'bench',
  'frame',
];
const islandOrder = islandRooms.map((room, index) =>
  layer(
    `islands-order-${room}`,
    `^src/islands/${room}/`,
    `^src/islands/(?!(?:${islandRooms.slice(0, index + 1).join('|')})/)[^/]+/`,
    'a room of the views knows those that stand before it in the list of rooms',
  ),
);

module.exports = {
  forbidden: [
    ...coreOrder,
    ...islandOrder,
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-orphans-resolved',
      severity: 'error',
      comment: 'an import that cannot be resolved',
      from: {},
      to: { couldNotResolve: true, pathNot: '^astro:' },
    },
    layer(
      'core-knows-nobody',
      '^src/core',
      '^src/(contract|server|pages|islands|ui|client|layouts)|^demo|^scripts',
      'core points outward',
    ),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'core has no Node, SQL, DOM framework or server package',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    layer(
      'core-uses-few-packages',
      '^src/core',
      'node_modules/(react|react-dom|astro|mysql2|pino|zustand|cmdk|lucide-react)/',
      'no interface or database package in core',
    ),
    layer(
      'server-knows-core-only',
      '^src/server',
      '^src/(pages|islands|ui|client|layouts)',
      'server points at the interface',
    ),
    layer(
      'client-knows-core-only',
      '^src/client',
      '^src/(server|pages|islands|ui|layouts)',
      'client points at views or server',
    ),
    layer(
      'ui-knows-no-domain',
      '^src/ui',
      '^src/(core|server|pages|islands|client|layouts)',
      'ui parts know only what they are handed',
    ),
    layer(
      'contract-knows-core-only',
      '^src/contract',
      '^src/(server|pages|islands|ui|client|layouts)',
      'contract points outward',
    ),
    {
      name: 'contract-as-types',
      severity: 'error',
      comment: 'schemas stay on the server: the browser takes types and the form of ETags',
      from: { path: '^src/(client|islands)', pathNot: '\\.test\\.tsx?$' },
      to: {
        path: '^src/contract',
        pathNot: '^src/contract/(etag|stand-in-receiver)\\.ts$',
        dependencyTypesNot: ['type-only'],
      },
    },
    layer(
      'islands-know-no-server',
      '^src/islands',
      '^src/(server|pages|layouts)',
      'views reach the server over HTTP only',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    extraExtensionsToScan: ['.astro'],
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json', '.astro', '.css'],
      conditionNames: ['import', 'node', 'default'],
      exportsFields: ['exports'],
    },
  },
};
