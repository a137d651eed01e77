import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { defineConfig } from "@playwright/test";
import flags from "./scripts/lib/chromium-flags.json";

const PORT = process.env.TEST_PORT ?? "3217";
// Every run has records of its own. The config is read by each worker too: the folder is made once and handed on.
process.env.TEST_DATA ??= mkdtempSync(path.join(tmpdir(), "careful-gauge-test-"));

const CHROMIUM = { executablePath: process.env.CHROMIUM_PATH ?? "/usr/bin/chromium", args: flags };

export default defineConfig({
  testDir: "e2e",
  // Each test has names of its own, and all share one server, as a firm's phones do.
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: 30_000 },
  forbidOnly: Boolean(process.env.CI),
  reporter: [["list"], ["json", { outputFile: "test-results/browser.json" }]],
  use: {
    // A thing that isn't there fails within half a minute, not at the end of the test's time.
    actionTimeout: 30_000,
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: CHROMIUM,
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -H 127.0.0.1 -p ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/health`,
    env: { CAREFUL_GAUGE_DATA: process.env.TEST_DATA, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" },
    gracefulShutdown: { signal: "SIGTERM", timeout: 5000 },
    reuseExistingServer: false,
  },
});
