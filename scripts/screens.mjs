import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromiumPath, ensureBrowser } from "./lib/browser.mjs";
import { ensureBuilt, ensureInstalled, fail, inProject, run } from "./lib/setup.mjs";
import { answered, spawnServer } from "./lib/serve.mjs";

// One picture of each main view, from the demo records, into docs/screenshots/.
ensureInstalled();
ensureBuilt();
if (!ensureBrowser()) fail("No pictures without a browser.");
const { chromium } = await import("@playwright/test");
const PORT = 3231;
const URL = `http://127.0.0.1:${PORT}`;
const LAPTOP = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const data = mkdtempSync(join(tmpdir(), "careful-gauge-screens-"));
run(process.execPath, ["--import", "tsx", "scripts/load-demo.ts"], { env: { CAREFUL_GAUGE_DATA: data }, out: "ignore" });
const server = spawnServer("start", data, { host: "127.0.0.1", port: PORT }, "ignore");

try {
  await answered(URL, server);
  const read = async (slice, query) =>
    (await (await fetch(`${URL}/api/read/${slice}${query ? `?q=${encodeURIComponent(JSON.stringify(query))}` : ""}`)).json())
      .value;
  const book = { rigs: await read("rigs"), people: await read("people"), sites: (await read("sites")).rows };
  const named = (list, name) => list.find((one) => (one.rig ?? one.site ?? one).name === name).id;
  const hand = {
    rigId: named(book.rigs, "Blue backpack"),
    personId: named(book.people, "Odile Marsh"),
    siteId: named(book.sites, "Bowling green"),
  };
  const newest = (await read("inForce", { rig: hand.rigId, person: hand.personId })).entry.id;
  const out = inProject("docs", "screenshots");
  mkdirSync(out, { recursive: true });
  const args = JSON.parse(readFileSync(inProject("scripts", "lib", "chromium-flags.json"), "utf8"));
  const browser = await chromium.launch({ executablePath: chromiumPath(), args });

  async function picture(name, path, viewport, { dark = false, more = {}, act = async () => {} } = {}) {
    const context = await browser.newContext({
      viewport,
      colorScheme: dark ? "dark" : "light",
      reducedMotion: "reduce",
      baseURL: URL,
    });
    await context.addInitScript(
      (h) => localStorage.getItem("in-hand") ?? localStorage.setItem("in-hand", h),
      JSON.stringify({ ...hand, ...more }),
    );
    const page = await context.newPage();
    await page.goto(path);
    await page.waitForLoadState("networkidle");
    await act(page);
    await page.waitForTimeout(300);
    await page.screenshot({ path: join(out, `${name}.png`) });
    await context.close();
    console.log(`docs/screenshots/${name}.png`);
  }

  const step = (page, name) => page.getByRole("button", { name }).click();
  const type = async (page, label, texts) => {
    for (const text of texts) {
      await page.getByLabel(label).fill(text);
      await page.keyboard.press("Enter");
    }
  };
  const take = (page, product) => page.getByLabel("Add a product").selectOption({ label: `${product} (demo label)` });

  await picture("today", "/", LAPTOP);
  await picture("quick", "/mix/quick", LAPTOP, {
    act: async (page) => {
      for (const [field, text] of [
        ["A full tank holds", "4"],
        ["Plot you spray with water", "10 x 25"],
        ["Time to spray it", "62, 63, 61"],
        ["Caught in the bucket", "33"],
        ["Label rate for 1,000 sq ft", "0.3 oz"],
        ["The label's most at once", "0.4 oz"],
        ["The lawn", "62 x 100"],
      ])
        await page.getByLabel(field, { exact: true }).fill(text);
      await page.evaluate(() => scrollTo(0, 0));
    },
  });
  await picture("labels", "/labels", LAPTOP, {
    act: async (page) => {
      await page.getByRole("button", { name: "Plantagon (demo label)", exact: true }).click();
      await page.evaluate(() => scrollTo(0, 0));
    },
  });
  await picture("log", "/log", LAPTOP);
  await picture("sites", "/sites", LAPTOP, {
    act: async (page) => {
      await page.getByRole("button", { name: "Rope museum court", exact: true }).click();
      await page.getByRole("img", { name: /from above/ }).waitFor();
      await page.getByRole("button", { name: "Measure it again" }).first().click();
      const measuring = page.getByRole("region", { name: /^Measuring/ });
      await measuring.getByLabel("Length").fill("82 ft");
      await measuring.getByLabel("Width").fill("41' 6\"");
      await page.evaluate(() => scrollTo(0, 0));
    },
  });
  await picture("calibrate-walk-phone", "/calibrate", PHONE, {
    act: async (page) => {
      await page.getByLabel("Test area").fill("10 x 25");
      await step(page, "2 Walk");
      await type(page, "or type a time", ["61.84", "62.51"]);
      await page.evaluate(() => scrollTo(0, 0));
    },
  });
  await picture("calibration", `/calibrate/record?id=${newest}`, LAPTOP);
  const truck = { rigId: named(book.rigs, "Quay truck"), personId: named(book.people, "Bram Tolliver") };
  await picture("cards", "/calibrate/cards", LAPTOP, {
    act: async (page) => {
      await page.getByRole("button", { name: "Try it on a made-up photo" }).click();
      await page.getByRole("region", { name: "Card 5" }).waitFor({ timeout: 120_000 });
      await page.evaluate(() => scrollTo(0, 150));
    },
  });
  await picture("pace-phone", "/calibrate/practice", PHONE, {
    act: async (page) => {
      await page.getByLabel("or strides over the course").fill("17");
      await page.getByRole("region", { name: "The beat" }).scrollIntoViewIfNeeded();
      await page.evaluate(() => scrollTo(0, document.querySelector('section[aria-label="The beat"]').offsetTop - 110));
    },
  });
  await picture("swath", "/calibrate/pattern", LAPTOP, {
    act: async (page) => {
      await page.getByLabel("They lie apart by").fill("0.5 ft");
      await page.getByLabel(/What each caught/).fill("0 1 3 6 8 9 10 9 9 7 4 2 1 0");
      await page.locator(".js-plotly-plot").waitFor();
    },
  });
  await picture("year", "/sites/program/year", LAPTOP, {
    act: (page) => page.getByRole("button", { name: "Next year" }).click(),
  });
  await picture("shelf", "/labels/shelf", LAPTOP);
  await picture("hose-end-phone", "/mix", PHONE, {
    more: { rigId: named(book.rigs, "Bed head"), siteId: named(book.sites, "Rope museum court") },
    act: async (page) => {
      await take(page, "Gangway Wetter");
      const panel = page.getByRole("region", { name: "Head and jar" });
      await panel.waitFor();
      await panel.evaluate((element) => scrollTo(0, element.getBoundingClientRect().top + scrollY - 150));
    },
  });
  await picture("mix", "/mix", LAPTOP, {
    more: { siteId: named(book.sites, "School field") },
    act: async (page) => {
      await take(page, "Osselgrain");
      await take(page, "Clingline");
      await step(page, "Show the loads");
      await page.evaluate(() => scrollTo(0, 0));
    },
  });
  await picture("held", "/mix", LAPTOP, {
    act: async (page) => {
      await take(page, "Osselgrain");
      await page.getByText("Held: no amounts").waitFor();
      await step(page, "Products and rates");
      await page.evaluate(() => scrollTo(0, 0));
    },
  });
  await picture("sheet", "/mix/sheet?id=demo-sheet-museum-court", LAPTOP);
  await picture("day", "/mix/sheet?id=demo-day-front", LAPTOP, {
    more: truck,
    act: (page) => page.evaluate(() => scrollTo(0, document.querySelector('section[aria-label="Stops"]').offsetTop - 60)),
  });
  await picture("pour-phone", "/mix/pour?id=demo-sheet-museum-court", PHONE);
  await picture("closing-phone-dark", "/mix/sheet?id=demo-sheet-ferry-office", PHONE, {
    dark: true,
    act: async (page) => {
      await page.getByRole("button", { name: "Ran out early" }).click();
      await page.getByLabel("Area covered").fill("2,450");
      await page.getByRole("region", { name: "Meant and applied" }).scrollIntoViewIfNeeded();
      await page.evaluate(() => scrollBy(0, 260));
    },
  });
  await browser.close();
} finally {
  server.kill();
  rmSync(data, { recursive: true, force: true });
}
