import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { ensureBrowser } from "./lib/browser.mjs";
import { bin, ensureBuilt, ensureInstalled, inProject, run } from "./lib/setup.mjs";

// Sets up, then lint, types, unit and browser. Everything runs, whatever fails before it; the last line counts it all.
ensureInstalled();
const results = inProject("test-results");
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

const counts = { passed: 0, failed: 0 };
const add = (passed, failed) => {
  counts.passed += passed;
  counts.failed += failed;
};
const node = (args, options) => run(process.execPath, args, { out: 1, check: false, ...options });
const step = (name) => console.log(`\n== ${name}`);
const readResults = (name) =>
  existsSync(inProject("test-results", name)) ? JSON.parse(readFileSync(inProject("test-results", name), "utf8")) : undefined;

/** A check that passes or fails as a whole counts as one. */
function check(name, args) {
  step(name);
  const ok = node(args) === 0;
  console.log(ok ? "ok" : `${name} failed`);
  add(ok ? 1 : 0, ok ? 0 : 1);
}

check("format", [bin("prettier"), "--check", "--log-level", "warn", "."]);
check("lint", [bin("eslint"), ".", "--max-warnings", "0"]);
check("no circles", [
  inProject("node_modules", "dependency-cruiser", "bin", "dependency-cruise.mjs"),
  "src",
  "--config",
  ".dependency-cruiser.cjs",
]);

// Next writes next-env.d.ts and route types in its build; types are checked against them.
step("build");
try {
  ensureBuilt();
} catch {
  add(0, 1);
}
check("types", [bin("tsc"), "--noEmit"]);

step("unit");
const unitStatus = node([
  bin("jest"),
  "--json",
  "--outputFile",
  inProject("test-results", "unit.json"),
  "--testLocationInResults",
]);
const unit = readResults("unit.json");
// A suite that can't run has no test to count: it counts as one that failed.
if (unit) add(unit.numPassedTests, unit.numFailedTests + unit.numRuntimeErrorTestSuites);
else if (unitStatus !== 0) add(0, 1);

step("browser");
if (ensureBrowser()) {
  node([bin("playwright"), "test"]);
  const browser = readResults("browser.json");
  if (browser) add(browser.stats.expected, browser.stats.unexpected + browser.stats.flaky + browser.errors.length);
  else add(0, 1);
} else add(0, 1);

console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
process.exitCode = counts.failed === 0 && counts.passed > 0 ? 0 : 1;
