// One plain room for mutants: with several projects their runner finds no tests. Paths are those of the copy that it works on.
const root = process.cwd();

module.exports = {
  rootDir: root,
  roots: [process.env.BROOK_MUTANTS ? `${root}/${process.env.BROOK_MUTANTS}` : root],
  testMatch: ['**/*.test.ts'],
  testEnvironment: 'node',
  testTimeout: 30_000,
  // Across the links between rooms too the copy is tested, not what it was copied from.
  moduleNameMapper: require('./copies.cjs')(root),
  transform: { '\\.ts$': `${__dirname}/esbuild.cjs` },
};
