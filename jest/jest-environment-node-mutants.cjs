const { appendFileSync, existsSync, mkdirSync, writeFileSync } = require("node:fs");
const path = require("node:path");
const Plain = require("./jest-environment-node-plain.cjs");

const FOLDER = path.resolve(__dirname, "..", ".cache", "mutants");
const NOTICED = path.join(FOLDER, "noticed");
/** How often a mutant may be passed in one test before it counts as a loop without end. */
const MOST_HITS = 200_000;
/** For what never answers, ms. */
const LONGEST = 20_000;

/**
 * Runs each test as ever, and then, in the same process and on the same loaded modules, once more for each mutant that it passed
 * and that no test has noticed yet, with that mutant switched on. A test that fails then has noticed it. What is noticed is a file
 * in a folder, so that workers beside this one leave it alone. A test that fails without any mutant afterwards, since one left its
 * traces behind, ends this: the script begins anew with what is left.
 * MUTANT switches one on from the start instead: a file's modules are loaded under it, and it is noticed if any test fails.
 */
module.exports = class MutantsEnvironment extends Plain {
  constructor(config, context) {
    super(config, context);
    this.file = path.relative(path.resolve(__dirname, ".."), context.testPath);
    this.only = process.env.MUTANT;
    mkdirSync(NOTICED, { recursive: true });
    this.stryker = { mutantCoverage: { static: {}, perTest: {} }, activeMutant: this.only };
    if (this.only !== undefined) this.limitHits();
    this.global.__stryker__ = this.stryker;
    this.tests = 0;
  }

  limitHits() {
    this.stryker.hitCount = 0;
    this.stryker.hitLimit = MOST_HITS;
  }

  async handleTestEvent(event) {
    const { stryker } = this;
    if (event.name === "test_start") {
      if (this.only !== undefined) this.limitHits();
      stryker.currentTestId = `test ${(this.tests += 1)}`;
    } else if (event.name === "test_done") {
      const passed = Object.keys(stryker.mutantCoverage.perTest[stryker.currentTestId] ?? {});
      stryker.currentTestId = undefined;
      const { test } = event;
      if (test.mode === "skip" || test.mode === "todo") return;
      if (this.only !== undefined) {
        if (test.errors.length > 0) this.notice(this.only, test);
        return;
      }
      if (passed.length > 0) appendFileSync(path.join(FOLDER, "passed"), `${this.file} ${passed.join(" ")}\n`);
      if (test.errors.length > 0) throw new Error(`${this.file}: "${test.name}" fails without any mutant`);
      if (!this.left) await this.tryOut(test, passed);
    }
  }

  async tryOut(test, mutants) {
    for (const mutant of mutants) {
      if (existsSync(path.join(NOTICED, mutant))) continue;
      this.stryker.activeMutant = mutant;
      this.limitHits();
      const failed = await once(test);
      this.stryker.activeMutant = undefined;
      if (!failed) continue;
      this.notice(mutant, test);
      if (await once(test)) {
        this.left = true;
        appendFileSync(path.join(FOLDER, "left"), `${this.file}\n`);
        return;
      }
    }
  }

  notice(mutant, test) {
    writeFileSync(path.join(NOTICED, mutant), `${this.file}: ${test.name}`);
  }
};

/** A test once more, with what stands before and after each. @returns whether it failed */
async function once(test) {
  const blocks = [];
  for (let block = test.parent; block; block = block.parent) blocks.unshift(block);
  const hooks = (type, of) => of.flatMap((block) => block.hooks.filter((hook) => hook.type === type));
  let failed = false;
  const run = async (fn) => {
    let timer;
    const late = new Promise((_, reject) => {
      timer = setTimeout(() => reject(new Error("no end")), LONGEST);
    });
    try {
      await Promise.race([fn.call({}), late]);
    } catch {
      failed = true;
    } finally {
      clearTimeout(timer);
    }
  };
  for (const { fn } of hooks("beforeEach", blocks)) if (!failed) await run(fn);
  if (!failed) await run(test.fn);
  for (const { fn } of hooks("afterEach", blocks.reverse())) await run(fn);
  return failed;
}
