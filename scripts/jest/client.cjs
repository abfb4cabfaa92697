// The client's room for mutants, as in the root's configuration.
const root = process.cwd();

module.exports = {
  preset: 'jest-expo/web',
  rootDir: `${root}/client`,
  roots: [process.env.BROOK_MUTANTS ? `${root}/${process.env.BROOK_MUTANTS}` : `${root}/client`],
  testMatch: ['**/*.test.{ts,tsx}'],
  testPathIgnorePatterns: ['/node_modules/', '/dist/'],
  modulePathIgnorePatterns: ['/dist/'],
  // Across the links between rooms too the copy under test is tested, not what it was copied from.
  moduleNameMapper: {
    '^@brook/core/(.*)$': `${root}/core/src/$1/index.ts`,
    '^@brook/contract$': `${root}/contract/src/index.ts`,
    '^@brook/contract/openapi$': `${root}/contract/src/openapi.ts`,
  },
  testTimeout: 30_000,
};
