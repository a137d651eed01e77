import { readFileSync } from "node:fs";
import { resolve } from "node:path";
import { readAreas } from "@/formats/area/read-area";
import { areaResult } from "@/formats/area/result";
import { textOf } from "@/formats/area/decode";
import { calibrate } from "@/core/calibration/calibrate";
import { lineFor, type Issue } from "@/core/issue";
import { fullTankOf, planOf } from "@/formats/job-file/assemble";
import { readAny, readAnyText } from "@/formats/job-file/read";
import type { Job } from "@/formats/job-file/read-checked";
import { outcomeOf } from "@/formats/job-file/outcome";
import { calibrationResult, fullTankResult, mixResult, outcomeResult } from "@/formats/job-file/results";
import { planOfSpread, spreadMixResult, spreadTankResult, type SpreadJob } from "@/formats/job-file/spread";
import { placedIn } from "@/formats/job-file/versions";
import { loadsToCsv } from "@/formats/loads-csv";
import { patternResult, readPattern } from "@/formats/pattern/file";
import { dueResult, readSeason } from "@/formats/season/file";
import { readSpreader, spreaderResult } from "@/formats/spreader/file";
import { readWeather, weatherResult } from "@/formats/weather/file";
import { sitesFromCsv } from "@/formats/sites-csv";
import { runVerify } from "./verify";

/**
 * The `gauge` command: a door to the core without a browser. `calibrate FILE` and `mix FILE`, `-` for standard input.
 * `reconcile FILE` tells what a job with its `outcome` really did; `area FILE` how large pieces of ground are; `weather FILE` whether
 * a report lets one spray; `due FILE` what of a season is due where; `pattern FILE` how even a pass lies; `spreader FILE` which setting gives a rate; `verify FILE` whether
 * records, a log or a copy are as they were written. A result is one JSON object
 * on standard output, exit 0. Bad input is one line a fault on standard error, exit 2. In a batch, `mix FILE --sites CSV`, the sites come from a table and the loads go out as one.
 */
const USAGE =
  "usage: gauge calibrate FILE | gauge mix FILE [--sites CSV] | gauge reconcile FILE | gauge area FILE | gauge weather FILE | gauge due FILE | gauge pattern FILE | gauge spreader FILE | gauge verify FILE [--head DIGEST]   (- reads standard input)";

/** Verbs that take one file and nothing else. */
const ALONE = { area: true, weather: true, due: true, pattern: true, spreader: true, verify: true };

const VERBS = ["calibrate", "mix", "reconcile"] as const;
const isVerb = (command: string | undefined): command is (typeof VERBS)[number] => VERBS.some((verb) => verb === command);

/** What a run prints and exits with; apart from `main` so that it can be tested without a process. */
export interface Outcome {
  readonly out: string;
  readonly err: string;
  readonly exit: 0 | 2;
}

/** @param table the sites of a batch, as CSV */
export function run(command: string | undefined, text: string, table?: string): Outcome {
  if (!isVerb(command) || (command !== "mix" && table !== undefined)) return refused([USAGE]);
  const sites = table === undefined ? undefined : sitesFromCsv(table);
  const given = readAnyText(text);
  if (!given.ok || (sites && !sites.ok))
    return refused([...(given.ok ? [] : given.issues), ...(sites && !sites.ok ? sites.issues : [])].map(lineFor));
  const read = sites ? readAny({ ...given.value.file, sites: sites.value }) : given;
  const faulty = (issues: readonly Issue[]) => refused(placedIn(given.value.version1 ? 1 : 2, issues).map(lineFor));
  if (!read.ok) return faulty(read.issues);
  if (!("tanks" in read.value)) return spread(command, read.value, table !== undefined);
  const job = read.value;
  // A mix may name no ground: "what goes into a tank?". A list that is empty is a slip.
  const alone = command === "mix" && table === undefined && job.file.sites === undefined;
  const missing = command === "calibrate" ? [] : neededToMix(job, !alone);
  if (missing.length > 0) return faulty(missing);

  if (command === "calibrate")
    return { out: JSON.stringify(calibrationResult(job, calibrate(job.calibration)), null, 2), err: "", exit: 0 };
  if (command === "reconcile") return reconciled(job);
  if (alone) {
    const tank = fullTankOf(job);
    if (!tank.ok) return faulty(tank.issues);
    return { out: JSON.stringify(fullTankResult(tank.value.full, tank.value.calibration), null, 2), err: "", exit: 0 };
  }
  const planned = planOf(job);
  if (!planned.ok) return faulty(planned.issues);
  const { plan, calibration } = planned.value;
  if (table !== undefined) return { out: loadsToCsv(plan).trimEnd(), err: "", exit: 0 };
  return { out: JSON.stringify(mixResult(plan, calibration), null, 2), err: "", exit: 0 };
}

/** The areas of a site file, GeoJSON, KML or GPX. */
export async function runArea(bytes: Uint8Array): Promise<Outcome> {
  const text = textOf(bytes);
  const areas = text.ok ? await readAreas(text.value) : text;
  if (!areas.ok) return refused(areas.issues.map(lineFor));
  return { out: JSON.stringify(areaResult(areas.value), null, 2), err: "", exit: 0 };
}

/** How the weather stands to its limits. @param text a weather file, or a report as it stands */
export function runWeather(text: string): Outcome {
  const weather = readWeather(text);
  if (!weather.ok) return refused(weather.issues.map(lineFor));
  return { out: JSON.stringify(weatherResult(weather.value), null, 2), err: "", exit: 0 };
}

/** What of a season is due where. */
export function runDue(text: string): Outcome {
  const season = readSeason(text);
  if (!season.ok) return refused(season.issues.map(lineFor));
  return { out: JSON.stringify(dueResult(season.value), null, 2), err: "", exit: 0 };
}

/** How even what one pass throws lies, by the swath. */
export function runPattern(text: string): Outcome {
  const pattern = readPattern(text);
  if (!pattern.ok) return refused(pattern.issues.map(lineFor));
  return { out: JSON.stringify(patternResult(pattern.value), null, 2), err: "", exit: 0 };
}

/** Which setting of a spreader gives what is wanted. */
export function runSpreader(text: string): Outcome {
  const spreader = readSpreader(text);
  if (!spreader.ok) return refused(spreader.issues.map(lineFor));
  return { out: JSON.stringify(spreaderResult(spreader.value), null, 2), err: "", exit: 0 };
}

function reconciled(job: Job): Outcome {
  const outcome = outcomeOf(job, job.file.outcome);
  if (!outcome.ok) return refused(placedIn(job.version1 ? 1 : 2, outcome.issues).map(lineFor));
  return { out: JSON.stringify(outcomeResult(outcome.value), null, 2), err: "", exit: 0 };
}

/** Granules alone: no tank, so no load and no table of loads. */
function spread(command: string, job: SpreadJob, batch: boolean): Outcome {
  if (command === "calibrate")
    return refused([
      lineFor({ path: "calibration", code: "missing", received: "", expected: `{ "sprayVolume": "2 gal/1000 ft2" }` }),
    ]);
  if (command === "reconcile")
    return refused([
      lineFor({
        path: "outcome",
        code: "not-possible",
        received: "granules that are spread dry",
        expected: "a product for the tank: they have no loads to read",
      }),
    ]);
  if (batch)
    return refused([
      lineFor({
        path: "products",
        code: "not-possible",
        received: "granules that are spread dry",
        expected: "a product for the tank: they have no loads",
      }),
    ]);
  if (job.file.sites === undefined) return { out: JSON.stringify(spreadTankResult(job), null, 2), err: "", exit: 0 };
  if (job.sites.length === 0) return refused([lineFor(NO_SITES)]);
  return { out: JSON.stringify(spreadMixResult(planOfSpread(job)), null, 2), err: "", exit: 0 };
}

const NO_SITES: Issue = {
  path: "sites",
  code: "missing",
  received: "",
  expected: `[{ "name": "Ferry green", "zones": [{ "area": "6200 ft2" }] }]`,
};

function neededToMix(job: Job, ground: boolean): Issue[] {
  const missing = (path: string, expected: string): Issue => ({ path, code: "missing", received: "", expected });
  return [
    ...(job.tank ? [] : [missing("rig.tanks", `[{ "name": "main", "usable": "4 gal" }]`)]),
    ...(job.products.length
      ? []
      : [missing("products", `[{ "name": "Demo granule", "form": "dry", "rate": "0.3 oz/1000 ft2" }]`)]),
    ...(job.sites.length || !ground ? [] : [NO_SITES]),
  ];
}

const refused = (lines: readonly string[]): Outcome => ({
  out: "",
  err: lines.map((line) => line.replace(/\s*\n\s*/g, " ")).join("\n"),
  exit: 2,
});

/** npm runs scripts in the project's folder; a path is meant from where the person stands. */
const fromHere = (file: string) => resolve(process.env.INIT_CWD ?? ".", file);
const readBytes = (file: string) => readFileSync(file === "-" ? 0 : fromHere(file));
const readInput = (file: string) => readBytes(file).toString("utf8");

async function main(args: readonly string[]): Promise<void> {
  const [command, file, flag, table, ...more] = args;
  const batch = flag === "--sites" && table !== undefined && !(file === "-" && table === "-");
  const noted = command === "verify" && flag === "--head" ? table : undefined;
  let outcome: Outcome;
  if (file === undefined || more.length > 0 || (flag !== undefined && !batch && noted === undefined)) outcome = refused([USAGE]);
  else {
    let at = file;
    try {
      if (flag !== undefined && noted === undefined && command !== undefined && command in ALONE) outcome = refused([USAGE]);
      else if (command === "area") outcome = await runArea(readBytes(file));
      else if (command === "weather") outcome = runWeather(readInput(file));
      else if (command === "due") outcome = runDue(readInput(file));
      else if (command === "pattern") outcome = runPattern(readInput(file));
      else if (command === "spreader") outcome = runSpreader(readInput(file));
      else if (command === "verify") outcome = runVerify(file === "-" ? readBytes(file) : fromHere(file), noted);
      else {
        const text = readInput(file);
        at = table ?? file;
        outcome = run(command, text, batch ? readInput(table) : undefined);
      }
    } catch (error) {
      if (!(error instanceof Error && "code" in error)) throw error;
      outcome = refused([`${at}: can't be read (${(error as NodeJS.ErrnoException).code})`]);
    }
  }
  if (outcome.out) process.stdout.write(`${outcome.out}\n`);
  if (outcome.err) process.stderr.write(`${outcome.err}\n`);
  process.exitCode = outcome.exit;
}

if (process.argv[1]?.replaceAll("\\", "/").endsWith("src/cli/gauge.ts")) void main(process.argv.slice(2));
