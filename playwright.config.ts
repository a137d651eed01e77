import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { defineConfig } from "@playwright/test";
import flags from "./scripts/lib/chromium-flags.json";

// The config is read by each worker too: the folder of the templates is made once and handed on.
process.env.TEST_TEMPLATES ??= mkdtempSync(path.join(tmpdir(), "careful-gauge-templates-"));

const CHROMIUM = { executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium", args: flags };

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/harness/set-up.ts",
  // Each worker has a server of its own, each journey records of its own: see e2e/harness.
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: 30_000 },
  forbidOnly: Boolean(process.env.CI),
  reporter: [["list"], ["json", { outputFile: process.env.TEST_REPORT ?? "test-results/browser.json" }]],
  use: {
    // A thing that isn't there fails within half a minute, not at the end of the test's time.
    actionTimeout: 30_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
});
