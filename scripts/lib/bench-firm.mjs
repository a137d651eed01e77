import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import autocannon from "autocannon";
import Database from "better-sqlite3";
import { chromiumPath, ensureBrowser } from "./browser.mjs";
import { answered, spawnServer } from "./serve.mjs";
import { inProject } from "./setup.mjs";

/** Opening every room, every save, an idle poll and the memory of the server: a firm's records against a small one's. */

const ROUNDS = 5;
const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

async function begin(size, port) {
  const data = mkdtempSync(join(tmpdir(), "careful-gauge-firm-"));
  const env = { ...process.env, CAREFUL_GAUGE_DATA: data };
  const args = ["--import", "tsx", "scripts/firm.ts", size];
  const ids = JSON.parse(execFileSync(process.execPath, args, { cwd: inProject(), env, encoding: "utf8" }));
  const server = spawnServer("start", data, { host: "127.0.0.1", port }, "ignore");
  const url = `http://127.0.0.1:${port}`;
  await answered(url, server);
  return { size, data, ids, server, url };
}

const rooms = ({ ids }) => [
  ["bench", "/", "Open sheets"],
  ["rigs", "/rigs", "Backpack 1"],
  ["labels", "/labels", "Quayrafen (demo label)"],
  ["sites", "/sites", "On the round"],
  ["mix", "/mix", "Zones"],
  ["calibrate", "/calibrate", "So far"],
  ["quick check", "/calibrate/check", "The series"],
  ["plan", "/calibrate/plan", "What is wished for"],
  ["crew", "/calibrate/crew", "Training record"],
  ["record", `/calibrate/record?id=${ids.calibrationId}`, "Withdraw this calibration"],
  ["tag", `/calibrate/tag?id=${ids.calibrationId}`, "Good until"],
  ["sheet", `/mix/sheet?id=${ids.sheetId}`, "Gear"],
  ["log", "/log", "Enter what went down"],
  ["year", "/sites/program/year", "to do"],
];

/** Opens a room in a fresh page until what it is about can be seen and nothing more is asked for, ms. */
async function open(browser, { url, ids }, path, shown) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: url });
  await context.addInitScript((hand) => localStorage.setItem("in-hand", JSON.stringify(hand)), ids.hand);
  const page = await context.newPage();
  const begun = performance.now();
  await page.goto(path);
  await page.getByText(shown).filter({ visible: true }).first().waitFor();
  const took = performance.now() - begun;
  await context.close();
  return took;
}

/** Types a site's name into the search of its room until the site stands there, ms. */
async function search(browser, { url, ids }) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: url });
  const page = await context.newPage();
  await page.goto("/sites");
  const field = page.getByLabel("Search the sites");
  await field.waitFor();
  await page.waitForLoadState("networkidle");
  const begun = performance.now();
  await field.fill(ids.siteName);
  await page.getByRole("list", { name: "All sites" }).getByText(ids.siteName).waitFor();
  const list = page.getByRole("list", { name: "All sites" }).getByRole("listitem");
  while ((await list.count()) > 1) await page.waitForTimeout(2);
  const took = performance.now() - begun;
  await context.close();
  return took;
}

async function post(url, path, body) {
  const begun = performance.now();
  const response = await fetch(`${url}${path}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  const result = await response.json();
  if (!result.ok) throw new Error(`${path}: ${JSON.stringify(result.issues)}`);
  return performance.now() - begun;
}

let count = 0;
const fresh = (what) => `bench-${what}-${String(++count).padStart(6, "0")}`;

/** Everything that is saved in a day's work. */
const SAVES = {
  "a calibration": ({ url, ids }) => {
    const session = {
      id: fresh("session"),
      ...ids.hand,
      siteId: null,
      method: "area-catch",
      pace: "timed-area",
      flow: "timed-catch",
      direct: false,
      ground: "turf",
      area: "250 ft2",
      distance: "",
      swath: "",
      speed: "",
      walks: [{ time: "62 s" }, { time: "61 s" }, { time: "63 s" }],
      catches: [{ volume: "33 fl oz", time: "62 s" }],
      outletTime: "",
      outlets: [""],
      used: [],
      target: "",
      fill: "",
      graduation: "",
      gravity: "",
      lever: null,
    };
    return post(url, "/api/calibrations", { session, madeAt: new Date().toISOString() });
  },
  "a sheet": ({ url, ids }) => {
    const { siteId, ...hand } = ids.hand;
    const sheet = {
      id: fresh("sheet"),
      madeAt: new Date().toISOString(),
      stops: [{ siteId }],
      ...hand,
      calibrationId: ids.calibrationId,
      dayId: null,
      tank: "",
      loads: "full-then-part",
      run: false,
      overage: "",
      mixedFor: "",
      products: [{ labelId: ids.freeLabelId, rate: "0.001 oz/1000 ft2" }],
    };
    return post(url, "/api/sheets", { sheets: [sheet] });
  },
  "an entry of the log": ({ url, ids }) =>
    post(url, "/api/applications", {
      id: fresh("entry"),
      date: new Date().toISOString().slice(0, 10),
      siteId: ids.hand.siteId,
      zoneId: `${ids.hand.siteId}.0`,
      labelId: ids.labelId,
      amount: "0.01 oz/1000 ft2",
      personId: ids.hand.personId,
      note: "",
      corrects: null,
    }),
  "a site": ({ url }) => {
    const id = fresh("site");
    return post(url, "/api/keep/sites", { id, form: { name: id, zones: [{ name: "lawn", area: "6200" }] } });
  },
  "a person": ({ url }) => {
    const id = fresh("person");
    return post(url, "/api/keep/people", { id, form: { name: id } });
  },
};

/** What is looked for in the log, as its room asks for it. */
const LOOKS = {
  "by active": () => ({ active: "mossferry" }),
  "by person and year": ({ ids }) => ({ person: ids.hand.personId, from: YEAR[0], to: YEAR[1] }),
  "restricted use": () => ({ restricted: true }),
};
const lastYear = new Date().getFullYear() - 1;
const YEAR = [`${lastYear}-01-01`, `${lastYear}-12-31`];

const asked = (query) => encodeURIComponent(JSON.stringify(query));

async function get(url, path) {
  const begun = performance.now();
  const response = await fetch(`${url}${path}`, { headers: { "cache-control": "no-store" } });
  if (!response.ok) throw new Error(`${path}: ${response.status}`);
  const size = (await response.arrayBuffer()).byteLength;
  return { took: performance.now() - begun, size };
}

/** A year of the log out, against the same rows read and written as JSON with nothing known of them. */
async function exportYear(firm, line, times) {
  const before = memory(firm);
  const { took, size } = await get(firm.url, `/api/log?as=json&q=${asked({ from: YEAR[0], to: YEAR[1] })}`);
  const after = memory(firm);
  const db = new Database(join(firm.data, "careful-gauge.db"), { readonly: true });
  const begun = performance.now();
  const rows = db.prepare("select * from applications where date between ? and ? order by date desc").all(...YEAR);
  JSON.stringify(rows);
  const bare = performance.now() - begun;
  const all = db.prepare("select count(*) from applications").pluck().get();
  const bytes = db.pragma("page_count", { simple: true }) * db.pragma("page_size", { simple: true });
  db.close();
  line(
    `a year of the log out: ${rows.length} records, ${(size / 1e6).toFixed(1)} MB in ${took.toFixed(0)} ms, to a bare dump`,
    times(took / bare),
    "",
  );
  line(`memory of the server after it: ${after.toFixed(0)} MB, to before`, times(after / before), "aim: flat");
  line(`the database: ${(bytes / all).toFixed(0)} kB a thousand records of the log, all else included`, "", "");
}

/** Resident memory of a process, MB. */
const memory = ({ server }) => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, "utf8"))?.[1] ?? 0) / 1024;

async function idlePoll(firm, line, times) {
  const path = `/api/read/sheet?q=${encodeURIComponent(JSON.stringify({ id: firm.ids.sheetId }))}`;
  const first = await fetch(`${firm.url}${path}`);
  const tag = first.headers.get("etag");
  await first.arrayBuffer();
  const rate = async (url, headers = {}) => {
    const result = await autocannon({ url: `${firm.url}${url}`, connections: 8, duration: 3, headers });
    return result.requests.average;
  };
  await rate("/api/health");
  const [empty, poll] = [await rate("/api/health"), await rate(path, { "if-none-match": tag })];
  line(`poll of an open sheet that didn't change, to a route that does nothing`, times(empty / poll), "aim: within 1.5 ×");
  // An hour of a poll every 2.5 s, by ten screens.
  const before = memory(firm);
  const polls = Array.from({ length: 10 }, async () => {
    for (let i = 0; i < 1440; i++) await (await fetch(`${firm.url}${path}`, { headers: { "if-none-match": tag } })).arrayBuffer();
  });
  await Promise.all(polls);
  const after = memory(firm);
  line(`memory of the server after 14,400 polls: ${after.toFixed(0)} MB, to before`, times(after / before), "aim: flat");
}

export async function measureFirm(line, times) {
  const small = await begin("small", 3233);
  const large = await begin("large", 3234);
  try {
    if (ensureBrowser()) {
      const { chromium } = await import("@playwright/test");
      const args = JSON.parse(readFileSync(inProject("scripts", "lib", "chromium-flags.json"), "utf8"));
      const browser = await chromium.launch({ executablePath: chromiumPath(), args });
      const compare = async (name, measure) => {
        const took = { small: [], large: [] };
        for (let round = 0; round <= ROUNDS; round++)
          for (const firm of [small, large]) {
            const ms = await measure(firm);
            if (round > 0) took[firm.size].push(ms);
          }
        const [a, b] = [median(took.small), median(took.large)];
        line(`${name}: ${b.toFixed(0)} ms at a firm, to a small one`, times(b / a), "aim: within 1.5 ×");
      };
      for (const [i, [name]] of rooms(small).entries())
        await compare(`opening: ${name}`, (firm) => {
          const [, path, shown] = rooms(firm)[i];
          return open(browser, firm, path, shown);
        });
      await compare("searching the sites", (firm) => search(browser, firm));
      await browser.close();
    }
    for (const [name, save] of Object.entries(SAVES)) {
      const took = { small: [], large: [] };
      for (let round = 0; round < 25; round++)
        for (const firm of [small, large]) {
          const ms = await save(firm);
          if (round > 4) took[firm.size].push(ms);
        }
      const [a, b] = [median(took.small), median(took.large)];
      line(`saving ${name}: ${b.toFixed(1)} ms at a firm, to a small one`, times(b / a), "aim: within 1.5 ×");
    }
    for (const [name, query] of Object.entries(LOOKS)) {
      const took = { small: [], large: [] };
      for (let round = 0; round < 15; round++)
        for (const firm of [small, large]) {
          // Another end of the page each time: nothing is answered from memory.
          const path = `/api/read/log?q=${asked({ ...query(firm), after: [`2999-01-${10 + round}`, "x", "x"] })}`;
          const one = await get(firm.url, path);
          if (round > 2) took[firm.size].push(one.took);
        }
      const [a, b] = [median(took.small), median(took.large)];
      line(`the log ${name}: ${b.toFixed(1)} ms at a firm, to a small one`, times(b / a), "aim: within 1.5 ×");
    }
    await exportYear(large, line, times);
    await idlePoll(large, line, times);
  } finally {
    for (const { server, data } of [small, large]) {
      server.kill();
      rmSync(data, { recursive: true, force: true });
    }
  }
}
