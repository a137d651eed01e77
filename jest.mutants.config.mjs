import projects from "./jest.config.mjs";

/** For `npm run mutants`: the tests without a screen, on files with mutants in them. */
export default async function config() {
  const [core] = (await projects()).projects;
  return {
    ...core,
    testEnvironment: "<rootDir>/jest/jest-environment-node-mutants.cjs",
    transform: Object.fromEntries(
      Object.entries(core.transform).map(([files, [base, options]]) => [
        files,
        ["<rootDir>/jest/instrumented.cjs", { ...options, base }],
      ]),
    ),
  };
}
