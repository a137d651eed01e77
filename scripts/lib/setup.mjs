import { spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { homedir } from "node:os";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

/** What every script shares: where the project is, and setting up what is missing. Plain Node, nothing installed yet. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), "../..");
export const inProject = (...parts) => join(ROOT, ...parts);
process.env.NEXT_TELEMETRY_DISABLED = "1";

const [major] = process.versions.node.split(".").map(Number);
if (major < 20) {
  console.error(`Careful Gauge needs Node.js 20 or newer; this is ${process.version}.`);
  process.exit(1);
}

/** Runs a command in the project; its output goes to standard error unless asked otherwise, so results stay clean. */
export function run(command, args, { out = 2, env = {}, check = true } = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: ["ignore", out, 2], env: { ...process.env, ...env } });
  if (result.error && check) fail(`${command} can't be started: ${result.error.message}`);
  if (check && result.status !== 0)
    fail(`${command} ${args.slice(0, 3).join(" ")} ended with ${result.status ?? result.signal}.`);
  return result.status ?? 1;
}

export function fail(message) {
  console.error(message);
  process.exit(1);
}

/** A tool of the project's own, run by this Node so that signals arrive. */
export const bin = (name) => inProject("node_modules", ...BINS[name]);
const BINS = {
  next: ["next", "dist", "bin", "next"],
  eslint: ["eslint", "bin", "eslint.js"],
  prettier: ["prettier", "bin", "prettier.cjs"],
  tsc: ["typescript", "bin", "tsc"],
  jest: ["jest", "bin", "jest.js"],
  playwright: ["@playwright", "test", "cli.js"],
  depcruise: ["dependency-cruiser", "bin", "dependency-cruise.mjs"],
};

const digest = (text) => createHash("sha256").update(text).digest("hex");

function stamp(name, value, work) {
  const file = inProject(".cache", name);
  const known = existsSync(file) ? readFileSync(file, "utf8") : "";
  if (known === value) return;
  work();
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, value);
}

/** Installs the packages where they are missing or the lockfile has changed since. */
export function ensureInstalled() {
  const lock = digest(readFileSync(inProject("package-lock.json")));
  if (existsSync(inProject("node_modules")) && !existsSync(inProject(".cache", "installed"))) {
    // Installed by hand: trust it if the native module loads.
    if (run(process.execPath, ["-e", "require('better-sqlite3')(':memory:')"], { check: false, out: "ignore" }) === 0)
      stamp("installed", lock, () => {});
  }
  stamp("installed", lock, () => {
    console.error("Installing packages (a few minutes the first time: one of them is compiled here) …");
    run("npm", ["ci", "--no-fund", "--no-audit", "--include=dev"]);
  });
}

function newest(folder) {
  let latest = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    latest = Math.max(latest, entry.isDirectory() ? newest(path) : statSync(path).mtimeMs);
  }
  return latest;
}

/** The process that works through files and copies beside the server, in one piece: it starts in a quarter of the time that its sources take. */
const BACKGROUND = inProject(".next", "background.cjs");

/** Whether there is a build, and nothing of its source is newer. */
export function buildIsCurrent() {
  const built = inProject(".next", "BUILD_ID");
  if (!existsSync(BACKGROUND)) return false;
  const sources = Math.max(
    newest(inProject("src")),
    ...["package-lock.json", "next.config.mjs"].map((f) => statSync(inProject(f)).mtimeMs),
  );
  return existsSync(built) && statSync(built).mtimeMs > sources;
}

/** Builds for production where there is no build or the source is newer. */
export function ensureBuilt() {
  if (buildIsCurrent()) return;
  console.error("Building …");
  run(process.execPath, [inProject("scripts", "build.mjs")]);
}

/** Where a person's records are kept, unless CAREFUL_GAUGE_DATA says otherwise. */
export function dataFolder() {
  if (process.env.CAREFUL_GAUGE_DATA) return resolve(process.env.CAREFUL_GAUGE_DATA);
  if (process.platform === "darwin") return join(homedir(), "Library", "Application Support", "Careful Gauge");
  if (process.platform === "win32") return join(process.env.APPDATA ?? homedir(), "Careful Gauge");
  return join(process.env.XDG_DATA_HOME ?? join(homedir(), ".local", "share"), "careful-gauge");
}

/** The address to listen on: this machine alone unless told otherwise. */
export const address = () => ({ host: process.env.CAREFUL_GAUGE_HOST ?? "127.0.0.1", port: process.env.PORT ?? "3000" });
