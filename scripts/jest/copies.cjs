/** Where the rooms of the copy under test are, by the names that they import each other by. */
module.exports = (root) => ({
  '^@brook/core/(.*)$': `${root}/core/src/$1/index.ts`,
  '^@brook/contract$': `${root}/contract/src/index.ts`,
  '^@brook/contract/openapi$': `${root}/contract/src/openapi.ts`,
});
