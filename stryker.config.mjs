/**
 * Mutants of the heart: a sign, a comparison, a condition changed on purpose, each run against the tests that reach it.
 * A survivor is either a line that no test looks at or one that changes nothing that matters. `npm run mutants -- FOLDER`.
 */
const config = {
  testRunner: "jest",
  plugins: ["@stryker-mutator/jest-runner"],
  jest: { configFile: "jest.mutants.config.mjs" },
  coverageAnalysis: "perTest",
  // Wording is held by its own tests; a table that is read when a file loads costs a run of everything each.
  mutator: { excludedMutations: ["StringLiteral", "ObjectLiteral", "Regex"] },
  ignoreStatic: true,
  concurrency: 2,
  timeoutMS: 20000,
  timeoutFactor: 3,
  reporters: ["json"],
  tempDirName: ".cache/mutants",
  jsonReporter: { fileName: ".cache/mutants.json" },
  ignorePatterns: [".next", "docs/screenshots", "e2e", "test-results", "playwright-report", ".cache", "src/ui", "public"],
  allowConsoleColors: false,
};

export default config;
