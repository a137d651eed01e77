import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { ensureBrowser } from "./lib/browser.mjs";
import { bin, buildIsCurrent, ensureInstalled, inProject, ROOT } from "./lib/setup.mjs";

// Sets up, then lint, types, unit and browser. Everything runs, whatever fails before it; the last line counts it all.
ensureInstalled();
const browserIsThere = ensureBrowser();
const results = inProject("test-results");
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

const counts = { passed: 0, failed: 0 };
const add = (passed, failed) => {
  counts.passed += passed;
  counts.failed += failed;
};
const readResults = (name) =>
  existsSync(inProject("test-results", name)) ? JSON.parse(readFileSync(inProject("test-results", name), "utf8")) : undefined;
const seconds = (ms) => (ms < 59_500 ? `${(ms / 1000).toFixed(0)} s` : `${Math.floor(ms / 60_000)} min ${Math.round((ms % 60_000) / 1000)} s`); // prettier-ignore
/** What each step took, ms. */
const took = [];

/** Runs a tool of the project and says how it ended. What it prints is shown as it comes, or in one piece beside another step. */
function node(name, args, { env = {}, whole = true } = {}) {
  const begun = performance.now();
  if (!whole) console.log(`\n== ${name}`);
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, {
      cwd: ROOT,
      stdio: ["ignore", whole ? "pipe" : "inherit", whole ? "pipe" : "inherit"],
      env: { ...process.env, ...env },
    });
    const said = [];
    for (const stream of whole ? [child.stdout, child.stderr] : []) stream.on("data", (data) => said.push(data));
    child.on("error", (error) => said.push(Buffer.from(error.message)));
    child.on("close", (code) => {
      const ms = performance.now() - begun;
      took.push([name, ms]);
      if (whole) process.stdout.write(`\n== ${name}\n${Buffer.concat(said).toString()}`);
      console.log(code === 0 ? `ok, ${seconds(ms)}` : `${name} failed, ${seconds(ms)}`);
      resolve(code ?? 1);
    });
  });
}

/** A check that passes or fails as a whole counts as one. */
async function check(name, args, options) {
  const ok = (await node(name, args, options)) === 0;
  add(ok ? 1 : 0, ok ? 0 : 1);
}

const begun = performance.now();
const report = (name) => inProject("test-results", name);

// Next writes next-env.d.ts and route types in its build, and the journeys need it. Two cores: what needs one goes beside another.
const [built] = await Promise.all([
  (async () => buildIsCurrent() || (await node("build", [inProject("scripts", "build.mjs")])) === 0)(),
  check("lint", [bin("eslint"), ".", "--max-warnings", "0"]),
  check("counts", [inProject("scripts", "counts.mjs")]),
]);
if (!built) add(0, 1);

// Each of these keeps two cores busy by itself: beside each other they only wait for each other.
if (browserIsThere && built) await node("browser", [bin("playwright"), "test"], { whole: false });
const browser = readResults("browser.json");
if (browser) add(browser.stats.expected, browser.stats.unexpected + browser.stats.flaky + browser.errors.length);
else add(0, 1);

const status = await node("unit", [bin("jest"), "--maxWorkers=2", "--json", "--outputFile", report("unit.json")]);
const unit = readResults("unit.json");
// A suite that can't run has no test to count: it counts as one that failed.
if (unit) add(unit.numPassedTests, unit.numFailedTests + unit.numRuntimeErrorTestSuites);
else if (status !== 0) add(0, 1);

await Promise.all([
  check("types", [bin("tsc"), "--noEmit"]),
  check("format", [bin("prettier"), "--check", "--log-level", "warn", "."]).then(() =>
    check("no circles", [bin("depcruise"), "src", "--config", ".dependency-cruiser.cjs"]),
  ),
]);

console.log("\n== what took how long");
for (const [name, ms] of took) console.log(`${name.padEnd(12)}${seconds(ms)}`);
console.log(`${"all".padEnd(12)}${seconds(performance.now() - begun)}, without installing`);
console.log("\nthe slowest ten");
for (const [ms, name] of slowest()) console.log(`${seconds(ms).padStart(12)}  ${name}`);
console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
process.exitCode = counts.failed === 0 && counts.passed > 0 ? 0 : 1;

/** Files of unit tests, and journeys. */
function slowest() {
  const journeys = ({ specs = [], suites = [] }) => [...specs, ...suites.flatMap(journeys)];
  return [
    ...(unit?.testResults ?? []).map(({ name, startTime, endTime }) => [endTime - startTime, name.slice(ROOT.length + 1)]),
    ...(browser?.suites ?? [])
      .flatMap(journeys)
      .flatMap(({ title, file, tests }) =>
        tests.flatMap((test) => test.results.map((one) => [one.duration, `e2e/${file}: ${title}`])),
      ),
  ]
    .sort(([a], [b]) => b - a)
    .slice(0, 10);
}
