/** Arrows between the rooms: who may import whom. */
const rooms = {
  core: [],
  contract: ['core'],
  server: ['core', 'contract'],
  client: ['core', 'contract'],
  e2e: ['contract'],
  demo: ['contract'],
  scripts: ['core', 'contract', 'demo'],
};
const all = Object.keys(rooms);

module.exports = {
  forbidden: [
    ...all.map((room) => ({
      name: `arrows-of-${room}`,
      comment: `${room} may import ${rooms[room].join(', ') || 'nothing of ours'}.`,
      severity: 'error',
      from: { path: `^${room}/` },
      to: {
        path: `^(${all.filter((other) => other !== room && !rooms[room].includes(other)).join('|')})/`,
        pathNot: 'node_modules',
      },
    })),
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
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] },
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
      from: { path: '/src/', pathNot: ['\\.test\\.ts$', '/testing/'] },
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
