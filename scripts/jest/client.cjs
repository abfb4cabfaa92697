// The client's room for mutants, as in the root's configuration.
const root = process.cwd();

module.exports = {
  preset: 'jest-expo/web',
  rootDir: `${root}/client`,
  roots: [process.env.BROOK_MUTANTS ? `${root}/${process.env.BROOK_MUTANTS}` : `${root}/client`],
  testMatch: ['**/*.test.{ts,tsx}'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  modulePathIgnorePatterns: ['/dist/'],
  moduleNameMapper: require('./copies.cjs')(root),
  testTimeout: 30_000,
};
