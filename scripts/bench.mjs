import { execFileSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { ensureBuilt, ensureInstalled, inProject, bin, run } from "./lib/setup.mjs";
import { answered, spawnServer } from "./lib/serve.mjs";

// Figures as ratios in one run, so that they mean the same on any machine.
ensureInstalled();
ensureBuilt();
const { default: autocannon } = await import("autocannon");
const PORT = 3229;
const URL = `http://127.0.0.1:${PORT}`;
const VIEWS = [
  "/",
  "/rigs",
  "/calibrate",
  "/calibrate/record",
  "/calibrate/check",
  "/calibrate/plan",
  "/calibrate/pattern",
  "/calibrate/cards",
  "/calibrate/practice",
  "/calibrate/practice/countdown",
  "/calibrate/practice/swing",
  "/calibrate/practice/lessons",
  "/calibrate/crew",
  "/calibrate/tag",
  "/labels",
  "/labels/shelf",
  "/log",
  "/sites",
  "/sites/program",
  "/sites/program/year",
  "/mix",
  "/mix/sheet",
  "/mix/pour",
];
const line = (name, value, aim) => console.log(`${name.padEnd(62)} ${value.padStart(9)}   ${aim}`);
const times = (ratio) => `${ratio.toFixed(2)} ×`;

const figures = (script) =>
  JSON.parse(
    execFileSync(process.execPath, ["--import", "tsx", inProject("scripts", script)], { cwd: inProject(), encoding: "utf8" }),
  );
const mix = figures("bench-mix.ts");
line("core: 1,000 sites × 4 products with derivations, to a bare loop", times(mix.ratio), "aim: within 10 ×");

const full = figures("bench-kit.ts");
line("core: the same held against its limits, to the bare loop", times(full.limits / mix.bare), "");
line("core: the same, and each amount measured with a kit of five tools", times(full.inFull / mix.bare), "aim: within 100 ×");
line("kit solver: the worst of 300 amounts on ten tools, to the bare loop", times(full.kitWorst / mix.bare), "");
line("kit solver: the worst to the median", times(full.kitWorst / full.kitMedian), "");
line("day run: 60 stops of two lawns, to the bare loop", times(full.day / mix.bare), "");

const data = mkdtempSync(join(tmpdir(), "careful-gauge-bench-"));
run(process.execPath, ["--import", "tsx", "scripts/load-demo.ts"], { env: { CAREFUL_GAUGE_DATA: data }, out: "ignore" });

/** Requests a second, the better of two rounds taken in turn, after one to warm up. */
async function requestRates(server, urls) {
  const rates = new Map(urls.map((url) => [url, []]));
  for (let round = 0; round < 3; round++)
    for (const url of urls) {
      const result = await autocannon({ url: `${URL}${url}`, connections: 8, duration: 2 });
      if (result.non2xx > 0 || result.errors > 0) throw new Error(`${url} answered with errors`);
      if (round > 0) rates.get(url).push(result.requests.average); // the first round warms up
    }
  return new Map([...rates].map(([url, list]) => [url, Math.max(...list)]));
}

/** All script that a prerendered page names, gzipped, in bytes. `app` is the folder of a built Next app. */
function scriptWeight(app, view) {
  const html = readFileSync(join(app, ".next", "server", "app", view === "/" ? "index.html" : `${view}.html`), "utf8");
  const names = new Set([...html.matchAll(/(?:src|href)="\/_next\/(static\/[^"?]+\.js)[^"]*"/g)].map((m) => m[1]));
  return [...names].reduce((bytes, name) => bytes + gzipSync(readFileSync(join(app, ".next", name))).length, 0);
}

/** An app of one empty page on the same framework, theme and fonts: what every page costs before it does anything. */
function emptyPageWeight() {
  const folder = inProject(".cache", "bench-empty");
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(join(folder, "app"), { recursive: true });
  cpSync(inProject("src", "ui", "theme"), join(folder, "theme"), { recursive: true });
  const fonts = ["b612/400", "b612/700"].map((f) => `import "@fontsource/${f}.css";`).join("\n");
  writeFileSync(
    join(folder, "app", "layout.tsx"),
    `${fonts}\nimport { Theme } from "../theme/registry";\nexport default function Layout({ children }: { children: React.ReactNode }) {\n  return <html lang="en"><body><Theme>{children}</Theme></body></html>;\n}\n`,
  );
  writeFileSync(join(folder, "app", "page.tsx"), "export default function Page() {\n  return null;\n}\n");
  writeFileSync(
    join(folder, "next.config.mjs"),
    `export default { turbopack: { root: ${JSON.stringify(inProject())} }, typescript: { ignoreBuildErrors: true }, experimental: { optimizePackageImports: ["@chakra-ui/react"] } };\n`,
  );
  run(process.execPath, [bin("next"), "build", folder], { env: { NODE_ENV: "production" }, out: "ignore" });
  const weight = scriptWeight(folder, "/");
  rmSync(folder, { recursive: true, force: true });
  return weight;
}

/** Frames while a stop of a day of 60 is dragged along the list and all is worked out anew, in a browser. */
async function framesOfDrag() {
  const { chromiumPath, ensureBrowser } = await import("./lib/browser.mjs");
  if (!ensureBrowser()) return;
  const { chromium } = await import("@playwright/test");
  const keep = (kind, id, form) =>
    fetch(`${URL}/api/keep/${kind}`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ id, form }),
    });
  const stops = [];
  for (let i = 0; i < 60; i++) {
    const zones = [0, 1].map((z) => ({ name: `lawn ${z}`, area: `${900 + ((i * 7919 + z * 977) % 30_000)}` }));
    stops.push(`bench-site-${100 + i}`);
    await keep("sites", stops[i], { name: `Bench site ${i}`, water: i % 7 === 0, zones });
  }
  const read = async (slice) => (await (await fetch(`${URL}/api/read/${slice}`)).json()).value;
  const rigId = (await read("rigs")).find((r) => r.rig.name === "Quay truck").id;
  const { personId } = (await read("standings")).find((one) => one.rigId === rigId);
  const labels = (await read("labels")).filter((l) => l.card.form === "liquid" && l.card.rates[0].rate.includes("/")).slice(0, 4);
  const products = labels.map((l) => ({ labelId: l.id, rate: l.card.rates[0].rate, choice: { row: 0, point: "least" } }));
  const draft = { purpose: "day", stops, tanks: { "": { products, without: [] } } };
  const args = JSON.parse(readFileSync(inProject("scripts", "lib", "chromium-flags.json"), "utf8"));
  const browser = await chromium.launch({ executablePath: chromiumPath(), args });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, baseURL: URL });
  await page.addInitScript(
    ([hand, mix]) => {
      localStorage.setItem("in-hand", JSON.stringify(hand));
      localStorage.setItem("mix", JSON.stringify(mix));
    },
    [{ rigId, personId }, draft],
  );
  await page.goto("/mix");
  await page.getByRole("button", { name: "Where and when" }).click();
  const handle = page.getByRole("button", { name: "Move Bench site 3", exact: true });
  await handle.scrollIntoViewIfNeeded();
  await page.waitForTimeout(1500);
  const box = await handle.boundingBox();
  await page.evaluate(() => {
    window.frames60 = [];
    let last = performance.now();
    const next = (now) => {
      window.frames60.push(now - last);
      last = now;
      requestAnimationFrame(next);
    };
    requestAnimationFrame(next);
  });
  await page.mouse.move(box.x + 10, box.y + 10);
  await page.mouse.down();
  for (let i = 1; i <= 120; i++) await page.mouse.move(box.x + 10, box.y + 10 + Math.sin(i / 20) * 300, { steps: 2 });
  const frames = (await page.evaluate(() => window.frames60)).sort((a, b) => a - b);
  await page.mouse.up();
  await browser.close();
  const at = (part) => frames[Math.min(frames.length - 1, Math.floor(part * frames.length))];
  const ms = (n) => `${n.toFixed(1)} ms`;
  line(
    `day of 60 stops while one is dragged: median ${ms(at(0.5))}, 95 % ${ms(at(0.95))}, longest`,
    ms(at(1)),
    "aim: none over 50 ms",
  );
}

const empty = emptyPageWeight();
for (const view of VIEWS) {
  const weight = scriptWeight(inProject(), view);
  line(
    `script: ${view}, ${(weight / 1024).toFixed(0)} kB, to an empty page of ${(empty / 1024).toFixed(0)} kB`,
    times(weight / empty),
    "aim: within 1.3 ×",
  );
}
const server = spawnServer("start", data, { host: "127.0.0.1", port: PORT }, "ignore");
try {
  await answered(URL, server);
  const measured = ["/api/health", "/", "/mix", "/api/read/standings", "/api/read/log"];
  const rates = await requestRates(server, measured);
  for (const view of measured.slice(1))
    line(
      `server: ${view}, to a route that does nothing (${Math.round(rates.get("/api/health"))} a second)`,
      times(rates.get("/api/health") / rates.get(view)),
      "aim: within 4 ×",
    );
  await framesOfDrag();
} finally {
  server.kill();
  rmSync(data, { recursive: true, force: true });
}

// A firm of 5,000 sites and 50,000 entries against one that has just begun, each on a server of its own, in one run.
const { measureFirm } = await import("./lib/bench-firm.mjs");
await measureFirm(line, times);
