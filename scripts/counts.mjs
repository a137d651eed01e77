import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import path from "node:path";
import { inProject } from "./lib/setup.mjs";

// What of the code should become less, counted without tests: none of it may grow, and what fell stays fallen.
// `--lower` writes down what it has come to.
const TOLD = inProject("scripts", "counts.json");
const all = readdirSync(inProject("src"), { recursive: true, withFileTypes: true });
const folders = all.filter((one) => one.isDirectory()).map((one) => path.join(one.parentPath, one.name));
const files = all
  .filter((one) => one.isFile() && /\.tsx?$/.test(one.name) && !/\.test\.tsx?$/.test(one.name))
  .map((one) => {
    const full = path.join(one.parentPath, one.name);
    return { name: path.relative(inProject("src"), full).split(path.sep).join("/"), text: readFileSync(full, "utf8") };
  });
const inRoom = (rooms) => files.filter(({ name }) => rooms.some((room) => name.startsWith(`${room}/`)));
const hits = (of, pattern) => of.reduce((sum, { text }) => sum + (text.match(pattern)?.length ?? 0), 0);
const RIG = "(?:backpack|hand-can|hose-end|boom|spray-truck)";
const HEADERS = /"x-(?:units|touched|server-time|content-type-options)"/;

const counts = {
  "private keys of files, outside the table of the job file's versions": hits(
    files.filter(({ name }) => name !== "formats/job-file/versions.ts"),
    new RegExp(`(?!${HEADERS.source})"x-[a-z-]+"`, "g"),
  ),
  "files outside formats and cli that import the job file's types": inRoom(["core", "records", "services", "ui", "app"]).filter(
    ({ text }) => /from "@\/formats\/job-file\/types"/.test(text),
  ).length,
  "comparisons with a kind of rig": hits(files, new RegExp(`[!=]== "${RIG}"`, "g")),
  "rates that are texts": hits(files, /\brate\??: string\b/g),
  "hand-written guards": hits(files, /\): \w+ is [A-Z]/g),
  "columns with a reader of their own": hits(
    files.filter(({ name }) => name === "records/columns.ts"),
    /^export const \w+ = (?:column|jsonText|customType)/gm,
  ),
  "English inside issue()": hits(files, /\bissue\(\s*(?:"[^"]*"|`[^`]*`),\s*"[a-z-]+",\s*["`][^"`]* [^"`]*["`]/g),
  "files of routes": files.filter(({ name }) => name.endsWith("/route.ts")).length,
  // An address is a folder of its own: those are counted by nobody.
  "folders beside those of the pages": folders.filter((folder) => !path.relative(inProject("src"), folder).startsWith("app"))
    .length,
  "folders of more than 20 files, tests included": folders.filter(
    (folder) => readdirSync(folder, { withFileTypes: true }).filter((one) => one.isFile()).length > 20,
  ).length,
};

const told = JSON.parse(readFileSync(TOLD, "utf8"));
if (process.argv.includes("--lower")) {
  for (const [what, n] of Object.entries(counts)) told[what] = Math.min(told[what] ?? n, n);
  writeFileSync(TOLD, `${JSON.stringify(told, null, 2)}\n`);
}
const grown = Object.entries(counts).filter(([what, n]) => n > (told[what] ?? 0));
const fallen = Object.entries(counts).filter(([what, n]) => n < (told[what] ?? 0));
for (const [what, n] of Object.entries(counts)) console.log(`${String(n).padStart(5)}  ${what}`);
for (const [what, n] of grown) console.error(`${what}: ${n}, and ${told[what] ?? 0} is the most: find another way.`);
for (const [what, n] of fallen)
  console.error(`${what}: ${n}, down from ${told[what]}: write it down with "node scripts/counts.mjs --lower".`);
process.exitCode = grown.length + fallen.length > 0 ? 1 : 0;
