import { existsSync, mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { defineConfig } from "@playwright/test";
import browsers from "./scripts/lib/browsers.json";
import flags from "./scripts/lib/chromium-flags.json";

// The config is read by each worker too: the folder of the templates is made once and handed on.
process.env.TEST_TEMPLATES ??= mkdtempSync(path.join(tmpdir(), "careful-gauge-templates-"));

const CHROMIUM = { executablePath: process.env.CHROMIUM_PATH ?? browsers.find((path) => existsSync(path)), args: flags };

export default defineConfig({
  testDir: "e2e",
  globalSetup: "./e2e/harness/set-up.ts",
  // Each worker has a server of its own, each journey records of its own: see e2e/harness. Two keep two cores busy.
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  // What is there at once on a quiet machine may take its time on a busy one.
  expect: { timeout: 60_000 },
  forbidOnly: Boolean(process.env.CI),
  reporter: [["list"], ["json", { outputFile: process.env.TEST_REPORT ?? "test-results/browser.json" }]],
  use: {
    // A thing that isn't there fails within a minute, not at the end of the test's time.
    actionTimeout: 60_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
});
