import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { fromVersion1 } from "@/formats/job-file/versions";
import { run } from "./gauge";

/**
 * What the command says, byte for byte, of job files as they stood on 2 December 2026 in version 1; and of the same files in
 * version 2. What changes here on purpose is changed in `said.json`, with the reason in the commit.
 */
const CORPUS = path.join("src", "testing", "corpus");
const said = JSON.parse(readFileSync(path.join(CORPUS, "said.json"), "utf8")) as Record<
  string,
  Record<"calibrate" | "mix" | "reconcile", { out: string; err: string; exit: number }>
>;
const files = readdirSync(path.join(CORPUS, "job-files")).sort();
const demo = new Map(
  readdirSync("demo", { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith(".job.json"))
    .map((file) => [path.basename(file), readFileSync(path.join("demo", file), "utf8")]),
);

test("each file of the corpus has its words, and its like in the demo", () => {
  expect(files.length).toBeGreaterThan(40);
  expect(Object.keys(said).sort()).toEqual(files);
  expect([...demo.keys()].sort()).toEqual(files);
});

test.each(files)("%s", (file) => {
  const first = readFileSync(path.join(CORPUS, "job-files", file), "utf8");
  const second = demo.get(file)!;
  expect(first).toContain(`"version": 1`);
  expect(second).toContain(`"version": 2`);
  expect(second).not.toContain(`"x-`);
  expect(fromVersion1(JSON.parse(first))).toEqual(JSON.parse(second));
  for (const text of [first, second])
    for (const verb of ["calibrate", "mix", "reconcile"] as const) expect(run(verb, text)).toEqual(said[file]![verb]);
});
