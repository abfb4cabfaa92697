const node = (room) => ({
  displayName: room,
  rootDir: `${__dirname}/${room}`,
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  testEnvironment: 'node',
  transform: { '\\.ts$': `${__dirname}/scripts/jest/esbuild.cjs` },
});

module.exports = {
  testTimeout: 30_000,
  // By itself Jest leaves one core idle, which on two cores is half of them; and a test of the server waits for its database.
  maxWorkers: 3,
  projects: [
    node('core'),
    node('contract'),
    node('server'),
    node('demo'),
    node('scripts'),
    {
      displayName: 'client',
      preset: 'jest-expo/web',
      rootDir: `${__dirname}/client`,
      testMatch: ['<rootDir>/**/*.test.{ts,tsx}'],
      testPathIgnorePatterns: ['/node_modules/', '/dist/'],
      modulePathIgnorePatterns: ['<rootDir>/dist'],
    },
  ],
};
