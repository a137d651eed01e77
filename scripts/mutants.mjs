import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync, statSync } from "node:fs";
import { bin, ensureInstalled, inProject } from "./lib/setup.mjs";

// Mutants of core, folder by folder: `npm run mutants` for all of them, `npm run mutants -- labels mixing` for some. First
// each against the tests of its own folder, which is quick; then the ones that were left against every test that reaches
// them. A minute or several a folder: no part of `npm test`.
ensureInstalled();
const CORE = "src/core";
const folders = readdirSync(inProject(CORE)).filter((name) => statSync(inProject(CORE, name)).isDirectory());
const asked = process.argv.slice(2).map((name) => name.replace(/^src\/core\//, "").replace(/\/$/, ""));
const unknown = asked.find((name) => !folders.includes(name));
if (unknown) {
  console.error(`no folder of core: "${unknown}": one of ${folders.join(", ")}`);
  process.exit(1);
}

const REPORT = inProject(".cache", "mutants.json");
const NOTICED = ["Killed", "Timeout", "RuntimeError", "CompileError"];

/** Runs the mutants of some places against some tests; answers each with what became of it. */
function run(places, tests) {
  execFileSync(process.execPath, [bin("stryker"), "run", "-m", places.join(",")], {
    cwd: inProject(),
    env: { ...process.env, MUTANTS_TESTS: tests },
    stdio: ["ignore", "ignore", "inherit"],
  });
  const { files } = JSON.parse(readFileSync(REPORT, "utf8"));
  return Object.entries(files).flatMap(([file, { source, mutants }]) =>
    mutants
      .filter((m) => m.status !== "Ignored")
      .map((m) => ({ file, ...m, line: source.split("\n")[m.location.start.line - 1].trim() })),
  );
}

const place = ({ file, location: { start, end } }) => `${file}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
const spot = (m) => `${place(m)} ${m.mutatorName} ${m.replacement}`;

let [all, noticed] = [0, 0];
for (const folder of asked.length > 0 ? asked : folders) {
  const own = run([`${CORE}/${folder}/**/*.ts`, `!${CORE}/${folder}/**/*.test.ts`], `<rootDir>/${CORE}/${folder}/**/*.test.ts`);
  let left = own.filter((m) => !NOTICED.includes(m.status));
  if (left.length > 0) {
    const wanted = new Set(left.map(spot));
    const again = run([...new Set(left.map(place))], "<rootDir>/src/{core,formats,cli}/**/*.test.ts");
    left = again.filter((m) => wanted.has(spot(m)) && !NOTICED.includes(m.status));
  }
  all += own.length;
  noticed += own.length - left.length;
  console.log(`${folder}: ${own.length - left.length} of ${own.length} noticed`);
  for (const m of left) console.log(`  ${m.file}:${m.location.start.line} ${m.mutatorName} → ${m.replacement}\n    ${m.line}`);
}
console.log(`${noticed} of ${all} mutants noticed (${((100 * noticed) / Math.max(all, 1)).toFixed(1)} %)`);
