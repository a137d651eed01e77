import { spawn } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import path from "node:path";
import { bin, ensureInstalled, inProject } from "./lib/setup.mjs";

// Mutants: a sign, a comparison, a condition changed on purpose. Does a test notice? `npm run mutants -- FILE…` takes minutes for a
// handful of files: only tests that import a file, or what imports it, are asked, in process (jest/jest-environment-node-mutants).
// What they leave is tried alone, each in a process of its own: what was kept in memory may have hidden it. A folder stands for its
// files; without any all of core is gone through, an hour or more. A survivor is either a line that no test looks at or one that
// changes nothing that matters.
ensureInstalled();
const { Instrumenter } = await import("@stryker-mutator/instrumenter");
const begun = performance.now();
const SRC = inProject("src");
const CACHE = inProject(".cache", "mutants");
const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(path.join(folder, entry.name)) : [path.join(folder, entry.name)],
  );
const all = filesIn(SRC).filter((file) => /\.tsx?$/.test(file));
const isTest = (file) => /\.test\.tsx?$/.test(file);

/** The files that somebody asks for. */
function asked(names) {
  const found = names.flatMap((name) => {
    const place = [inProject(name), path.join(SRC, name), path.join(SRC, "core", name), path.join(SRC, `${name}.ts`)].find(
      existsSync,
    );
    if (!place) throw new Error(`there is no ${name}`);
    return statSync(place).isDirectory() ? filesIn(place) : [place];
  });
  return found.filter((file) => /\.ts$/.test(file) && !isTest(file) && !/\/(testing|ui)\//.test(file));
}

/** Which files a file imports, among ours. */
function importsOf(file) {
  const text = readFileSync(file, "utf8");
  return [...text.matchAll(/(?:from|import)\s*\(?\s*"((?:@\/|\.\.?\/)[^"]+)"/g)].flatMap(([, name]) => {
    const place = name.startsWith("@/") ? path.join(SRC, name.slice(2)) : path.resolve(path.dirname(file), name);
    return [`${place}.ts`, `${place}.tsx`, path.join(place, "index.ts")].filter((one) => existsSync(one)).slice(0, 1);
  });
}

/** Tests without a screen that import one of some files, or something that does; those of its own folder first. */
function testsOf(files) {
  const importers = new Map();
  for (const file of all) for (const to of importsOf(file)) importers.set(to, [...(importers.get(to) ?? []), file]);
  const near = files.flatMap((file) => importers.get(file) ?? []);
  const further = near.filter((file) => !isTest(file)).flatMap((file) => importers.get(file) ?? []);
  const folders = new Set(files.map((file) => path.dirname(file)));
  return [...new Set([...near, ...further])]
    .filter((file) => /\.test\.ts$/.test(file) && !file.includes("/ui/"))
    .sort((a, b) => Number(folders.has(path.dirname(b))) - Number(folders.has(path.dirname(a))));
}

/** As long as somebody waits for it while working, ms. */
const LONGEST = 9 * 60_000;
const silent = () => {};
const logger = { isDebugEnabled: () => false, debug: silent, info: silent, warn: console.error };
/** Writes files with their mutants in them. @returns the mutants, by the id that switches one on */
async function instrument(files) {
  const { files: written, mutants } = await new Instrumenter(logger).instrument(
    files.map((file) => ({ name: file, mutate: true, content: readFileSync(file, "utf8") })),
    // Wording is held by its own tests.
    { plugins: null, ignorers: [], excludedMutations: ["StringLiteral", "ObjectLiteral", "Regex"] },
  );
  for (const { name, content } of written) {
    const place = path.join(CACHE, path.relative(inProject(), name));
    mkdirSync(path.dirname(place), { recursive: true });
    writeFileSync(place, content);
  }
  return new Map(mutants.map((mutant) => [mutant.id, mutant]));
}

/** @returns what jest said */
function jest(tests, env = {}, more = ["--maxWorkers=2"]) {
  return new Promise((resolve) => {
    const child = spawn(
      process.execPath,
      [bin("jest"), "--config", "jest.mutants.config.mjs", "--testTimeout=3600000", ...more, "--runTestsByPath", ...tests],
      { cwd: inProject(), env: { ...process.env, ...env }, stdio: ["ignore", "ignore", "pipe"] },
    );
    const said = [];
    child.stderr.on("data", (data) => said.push(data));
    child.on("close", () => resolve(Buffer.concat(said).toString()));
  });
}

const lines = (name) => {
  const file = path.join(CACHE, name);
  return existsSync(file) ? readFileSync(file, "utf8").split("\n").filter(Boolean) : [];
};
const noticed = (id) => existsSync(path.join(CACHE, "noticed", id));

async function run(files) {
  rmSync(CACHE, { recursive: true, force: true });
  const mutants = await instrument(files);
  let tests = testsOf(files);
  // A test that a mutant left its traces in is gone through again, for what is left.
  while (tests.length > 0) {
    rmSync(path.join(CACHE, "left"), { force: true });
    const said = await jest(tests);
    if (/fails without any mutant/.test(said)) throw new Error(said);
    tests = [...new Set(lines("left"))].map((name) => inProject(name));
  }
  /** Which files of tests pass each mutant. */
  const passed = new Map();
  for (const line of lines("passed")) {
    const [test, ...ids] = line.split(" ");
    for (const id of ids) passed.set(id, (passed.get(id) ?? new Set()).add(inProject(test)));
  }
  const waiting = [...mutants.keys()].filter((id) => passed.has(id) && !noticed(id));
  const alone = async () => {
    while (waiting.length > 0 && (whole || performance.now() - begun < LONGEST)) {
      const id = waiting.shift();
      await jest([...passed.get(id)], { MUTANT: id }, ["-i", "--bail=1"]);
    }
  };
  await Promise.all([alone(), alone()]);
  if (waiting.length > 0) console.log(`${waiting.length} of those that are left were not tried alone: name fewer files`);
  return { mutants, passed };
}

const names = process.argv.slice(2);
const whole = names.length === 0;
const groups = whole
  ? readdirSync(path.join(SRC, "core"), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map((entry) => asked([`core/${entry.name}`]))
  : [asked(names)];
let [sum, known] = [0, 0];
for (const files of groups) {
  const { mutants, passed } = await run(files);
  for (const file of files) {
    const own = [...mutants.values()].filter((mutant) => mutant.fileName === file);
    const source = readFileSync(file, "utf8").split("\n");
    // What only loading a file passes isn't tried: it would have to be loaded anew for each.
    const tried = own.filter((mutant) => passed.has(mutant.id));
    const left = tried.filter((mutant) => !noticed(mutant.id));
    sum += tried.length;
    known += tried.length - left.length;
    console.log(
      `${path.relative(inProject(), file)}: ${tried.length - left.length} of ${tried.length} noticed, ${own.length - tried.length} that none of these tests passes`,
    );
    for (const { location, mutatorName, replacement } of left)
      console.log(
        `  ${location.start.line + 1} ${mutatorName} → ${replacement.replaceAll(/\s+/g, " ").slice(0, 120)}\n    ${source[location.start.line].trim()}`,
      );
  }
}
console.log(`${known} of ${sum} mutants noticed, in ${((performance.now() - begun) / 60_000).toFixed(1)} min`);
