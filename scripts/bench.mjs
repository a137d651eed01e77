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
  "/calibrate/crew",
  "/calibrate/tag",
  "/labels",
  "/log",
  "/sites",
  "/mix",
  "/mix/sheet",
];
const line = (name, value, aim) => console.log(`${name.padEnd(62)} ${value.padStart(9)}   ${aim}`);
const times = (ratio) => `${ratio.toFixed(2)} ×`;

const mix = JSON.parse(
  execFileSync(process.execPath, ["--import", "tsx", inProject("scripts", "bench-mix.ts")], {
    cwd: inProject(),
    encoding: "utf8",
  }),
);
line("core: 1,000 sites × 4 products with derivations, to a bare loop", times(mix.ratio), "aim: within 10 ×");

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
  const measured = ["/api/health", "/", "/mix", "/api/book"];
  const rates = await requestRates(server, measured);
  for (const view of measured.slice(1))
    line(
      `server: ${view}, to a route that does nothing (${Math.round(rates.get("/api/health"))} a second)`,
      times(rates.get("/api/health") / rates.get(view)),
      view === "/api/book" ? "(all records, read anew)" : "aim: within 4 ×",
    );
} finally {
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
