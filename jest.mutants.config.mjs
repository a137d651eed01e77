import nextJest from "next/jest.js";

/** The tests that a mutant is run against: named by `scripts/mutants.mjs`, those of the heart and of its files where it isn't. */
const project = await nextJest({ dir: "./" })({
  testEnvironment: "@stryker-mutator/jest-runner/jest-env/node",
  testMatch: [process.env.MUTANTS_TESTS ?? "<rootDir>/src/{core,formats,cli}/**/*.test.ts"],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/src/$1" },
})();

const config = { ...project, transformIgnorePatterns: ["/node_modules/(?!(nanoid|@stdlib)/)"] };

export default config;
