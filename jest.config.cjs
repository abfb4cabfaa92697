const node = (room, more) => ({
  displayName: room,
  rootDir: `${__dirname}/${room}`,
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  testPathIgnorePatterns: ['/node_modules/', '\\.alone\\.test\\.ts$'],
  testEnvironment: 'node',
  transform: { '\\.ts$': `${__dirname}/scripts/jest/esbuild.cjs` },
  ...more,
});

module.exports = {
  testTimeout: 180_000,
  // By itself Jest leaves one core idle, which on two cores is half of them; and a test of the server waits for its database.
  maxWorkers: 3,
  projects: [
    node('core'),
    node('contract'),
    node('server'),
    node('demo'),
    node('scripts'),
    // What starts servers of its own, or kills them, has the machine to itself: `npm test` runs it last.
    node('scripts', {
      displayName: 'alone',
      testMatch: ['<rootDir>/src/**/*.alone.test.ts'],
      testPathIgnorePatterns: ['/node_modules/'],
    }),
    {
      displayName: 'client',
      preset: 'jest-expo/web',
      rootDir: `${__dirname}/client`,
      testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
      testPathIgnorePatterns: ['/node_modules/', '/dist/'],
      setupFilesAfterEnv: [`${__dirname}/scripts/jest/patience.cjs`],
      modulePathIgnorePatterns: ['<rootDir>/dist'],
    },
  ],
};
