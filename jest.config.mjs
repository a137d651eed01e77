import nextJest from "next/jest.js";

const project = nextJest({ dir: "./" });

const shared = { moduleNameMapper: { "^@/(.*)$": "<rootDir>/src/$1" } };

/** next/jest only appends to transformIgnorePatterns, so each project gets its own afterwards. */
async function make(config) {
  const made = await project({ ...shared, ...config })();
  return {
    ...made,
    transformIgnorePatterns: [
      "/node_modules/(?!(nanoid|swr|@stdlib|flatbush|flatqueue|robust-predicates|@tmcw)/)",
      "^.+\\.module\\.(css|sass|scss)$",
    ],
  };
}

export default async function config() {
  return {
    // What takes a moment on a quiet machine may take its time on a busy one.
    testTimeout: 60_000,
    projects: [
      await make({
        displayName: "core",
        testEnvironment: "<rootDir>/jest/jest-environment-node-plain.cjs",
        testMatch: ["<rootDir>/src/{core,formats,records,services,cli,app,standins}/**/*.test.ts"],
      }),
      await make({
        displayName: "ui",
        testEnvironment: "jsdom",
        testMatch: ["<rootDir>/src/ui/**/*.test.{ts,tsx}", "<rootDir>/src/{app,rig-kinds}/**/*.test.tsx"],
        setupFilesAfterEnv: ["<rootDir>/jest-setup.ts"],
      }),
    ],
  };
}
