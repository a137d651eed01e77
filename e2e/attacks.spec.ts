import { readFileSync, rmSync, writeFileSync } from "node:fs";
import Database from "better-sqlite3";
import { fuzz } from "../scripts/attacks/fuzz";
import { killInBursts } from "../scripts/attacks/kill";
import { saveUnderLoad } from "../scripts/attacks/load";
import { freshFolder, post, startServer } from "../scripts/attacks/server";
import { expect, test } from "./fixtures";

/** Short forms of `npm run attacks`, each on a server and records of its own. */

test("kill -9 in bursts of saves loses nothing that was acknowledged", async () => {
  const killed = await killInBursts(3);
  console.log(`kill -9: ${killed.kills} kills, ${killed.acknowledged} saves acknowledged, ${killed.lost.length} lost`);
  expect(killed.acknowledged).toBeGreaterThan(20);
  expect(killed.lost).toEqual([]);
});

test("nonsense at every door is answered with what is wrong, and holds nobody up", async () => {
  const fuzzed = await fuzz(12);
  console.log(
    `fuzz: ${fuzzed.requests} requests, slowest ${fuzzed.slowest.toFixed(0)} ms (${fuzzed.slowestRoute}), longest wait beside ${fuzzed.longestWait.toFixed(0)} ms, ${fuzzed.memory} MB`,
  );
  expect(fuzzed.requests).toBeGreaterThan(500);
  expect(fuzzed.broken).toEqual([]);
  expect(fuzzed.unread).toEqual([]);
});

test("every save is answered while many read", async () => {
  const load = await saveUnderLoad(50, (saves) => saves >= 40);
  console.log(
    `load: ${load.readers} readers, ${load.savesPerSecond.toFixed(1)} saves a second, slowest per cent ${load.slowestHundredth.toFixed(0)} ms`,
  );
  expect(load.saves).toBeGreaterThanOrEqual(40);
  expect(load.lost).toBe(0);
});

test("an ordinary stop leaves everything in the one file", async () => {
  const folder = freshFolder("stop");
  for (const signal of ["SIGTERM", "SIGINT"] as const) {
    const server = await startServer(folder);
    await post(`${server.url}/api/keep/people`, { id: `person-${signal}-01`, form: { name: `Odile ${signal}` } });
    const gone = new Promise((resolve) => server.child.once("exit", resolve));
    server.child.kill(signal);
    await gone;
    // Only the main file is copied, as somebody would who doesn't know better.
    const copy = `${folder}/copy-${signal}.db`;
    writeFileSync(copy, readFileSync(`${folder}/careful-gauge.db`));
    const db = new Database(copy, { readonly: true });
    expect(db.prepare("select name from people order by name").pluck().all()).toContain(`Odile ${signal}`);
    db.close();
  }
});

test("a page elsewhere that points its own name here reads nothing, on no route", async ({ request, baseURL }) => {
  for (const path of ["/", "/mix", "/api/read/rigs", "/api/health", "/api/sheets/x", "/icon.svg", "/_next/static/nothing.js"])
    expect([path, (await request.get(path, { headers: { host: "evil.example" } })).status()]).toEqual([path, 421]);
  const { port } = new URL(baseURL!);
  for (const host of [`localhost:${port}`, "127.0.0.1", `[::1]:${port}`])
    expect((await request.get("/api/health", { headers: { host } })).status()).toBe(200);
});

test("records that can't be opened are told of on the page, and work once they are mended", async ({ page, expectErrors }) => {
  expectErrors(/503/);
  const folder = freshFolder("damaged");
  writeFileSync(`${folder}/careful-gauge.db`, "this was a database once ".repeat(500));
  const server = await startServer(folder);
  try {
    const health = await fetch(`${server.url}/api/health`);
    expect(health.status).toBe(503);
    await page.goto(`${server.url}/mix`);
    await expect(page.getByRole("alert").filter({ hasText: "The file of the records is damaged" })).toBeVisible();
    await expect(page.getByText("npm run restore")).toBeVisible();
    rmSync(`${folder}/careful-gauge.db`);
    await page.goto(server.url);
    // On records of its own, made at this moment, it begins with the one question that decides the day.
    await expect(page.getByRole("heading", { name: "Nothing on record yet" })).toBeVisible();
    await page.getByLabel("Time zone of the grounds").selectOption("America/Los_Angeles");
    await page.getByRole("button", { name: "That is right" }).click();
    await expect(page.getByRole("region", { name: "The firm's time zone" })).toHaveCount(0);
    const firm = (await (await fetch(`${server.url}/api/read/firm`)).json()) as { value: { zone: string } };
    expect(firm.value.zone).toBe("America/Los_Angeles");
  } finally {
    await server.kill();
  }
});
