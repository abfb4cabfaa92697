/** Arrows between the workspaces: who may import whom. */
const workspaces = {
  core: [],
  contract: ['core'],
  server: ['core', 'contract'],
  client: ['core', 'contract'],
  e2e: ['contract'],
  demo: ['contract'],
  scripts: ['core', 'contract', 'demo'],
};
const all = Object.keys(workspaces);

/** Inside a workspace: its rooms, the lowest first, each of which may import those before it. `npm run shape` counts the same by itself. */
const rooms = require('./rooms.json');
const folderOf = { core: 'core/src', server: 'server/src', client: 'client' };
const upwards = Object.entries(rooms).flatMap(([workspace, named]) =>
  Object.keys(named).map((room, at, order) => ({
    name: `no-arrow-up-from-${workspace}/${room}`,
    comment: `${workspace}/${room} may import what stands below it in rooms.json: ${order.slice(0, at).join(', ') || 'nothing of its workspace'}.`,
    severity: 'error',
    from: { path: `^${folderOf[workspace]}/${room}/`, pathNot: '\\.test\\.tsx?$' },
    to: {
      path: `^${folderOf[workspace]}/`,
      pathNot: order.slice(0, at + 1).map((r) => `^${folderOf[workspace]}/${r}/`),
    },
  })),
);

module.exports = {
  forbidden: [
    ...all.map((from) => ({
      name: `arrows-of-${from}`,
      comment: `${from} may import ${workspaces[from].join(', ') || 'nothing of ours'}.`,
      severity: 'error',
      from: { path: `^${from}/` },
      to: {
        path: `^(${all.filter((other) => other !== from && !workspaces[from].includes(other)).join('|')})/`,
        pathNot: 'node_modules',
      },
    })),
    ...upwards,
    {
      name: 'no-cycle',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-by-its-front-doors',
      comment: 'Another folder of core is entered by its index only.',
      severity: 'error',
      from: { path: '^core/src/([^/]+/[^/]+)/' },
      to: { path: '^core/src/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'core-without-packages',
      comment: 'core computes; the only packages that it brings along compute as well.',
      severity: 'error',
      from: { path: '^core/src/', pathNot: ['\\.test\\.ts$', '^core/src/testing/'] },
      to: {
        dependencyTypes: [
          'npm',
          'npm-dev',
          'npm-peer',
          'npm-optional',
          'npm-bundled',
          'npm-no-pkg',
          'npm-unknown',
          'core',
        ],
        pathNot: 'node_modules/(ml-levenberg-marquardt|ml-matrix|pure-rand)/',
      },
    },
    {
      name: 'testing-for-tests',
      comment: 'What helps the tests stays with the tests.',
      severity: 'error',
      from: { path: '/src/', pathNot: ['\\.test\\.ts$', '/testing/', '^scripts/src/endurance/'] },
      to: { path: '/testing/', pathNot: 'node_modules' },
    },
    {
      name: 'no-unresolved',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: ['^expo-env'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|\\.expo|public)/|babel\\.config\\.js|metro\\.config\\.js' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.jsx', '.json', '.mjs'],
    },
  },
};
