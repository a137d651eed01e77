import { ensureBrowser } from "./lib/browser.mjs";
import { bin, ensureBuilt, ensureInstalled, fail, run } from "./lib/setup.mjs";

// The journeys on days on which programs go wrong, each begun anew at the same moment: `npm run dates`, some of them and as often as
// wanted by `npm run dates -- --repeat-each=3 program weather`. The server's clock is driven, and the browser's and the tests' with it.
ensureInstalled();
ensureBuilt();
if (!ensureBrowser()) fail("No journeys without a browser.");

const DAYS = [
  ["the last evening of a year, by UTC the next year already", "2026-12-31T21:30:00-05:00"],
  ["29 February", "2028-02-29T09:00:00-05:00"],
  ["ten minutes before the clocks go forward", "2027-03-14T01:50:00-05:00"],
];
let failed = 0;
for (const [name, moment] of DAYS) {
  console.log(`\n== ${name}: ${moment}`);
  const env = {
    TEST_CLOCK: new Date(moment).toISOString(),
    TZ: "America/New_York",
    TEST_REPORT: `test-results/${moment.slice(0, 10)}.json`,
  };
  failed +=
    run(process.execPath, [bin("playwright"), "test", ...process.argv.slice(2)], { out: 1, check: false, env }) === 0 ? 0 : 1;
}
process.exitCode = failed === 0 ? 0 : 1;
