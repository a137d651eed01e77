import { rmSync } from "node:fs";
import { test as base, expect, type APIRequestContext, type BrowserContext, type Page, type Request } from "@playwright/test";
import { slicePath, type Answer, type SliceName, type Slices } from "../src/formats/slices";
import { clockAhead, now, nowText } from "./harness/clock";
import { JourneyServer, type Template } from "./harness/server";

interface Journey {
  /** Which records it begins on: `test.use({ template: "town" })`. */
  template: Template;
  /** The folder of this journey's records, nobody else's. */
  records: string;
  expectErrors: (pattern: RegExp) => void;
  watched: void;
}

/**
 * A server for each worker, records for each journey. Every page is watched: an error in its console, an error thrown, or a
 * request off this host fails the test.
 */
export const test = base.extend<Journey, { server: JourneyServer }>({
  server: [
    async ({}, provide) => {
      const server = await JourneyServer.start();
      await provide(server);
      await server.stop();
    },
    { scope: "worker" },
  ],
  template: ["empty", { option: true }],
  records: [
    async ({ server, template }, provide) => {
      const folder = await server.open(template);
      await provide(folder);
      rmSync(folder, { recursive: true, force: true });
    },
    { auto: true },
  ],
  baseURL: async ({ server }, provide) => provide(server.url),
  context: async ({ context, records: _ }, provide) => {
    await underTheClock(context);
    await provide(context);
  },
  expectErrors: async ({}, provide) => {
    const patterns: RegExp[] = [];
    await provide(Object.assign((pattern: RegExp) => void patterns.push(pattern), { patterns }));
  },
  watched: [
    async ({ page, context, baseURL, expectErrors }, provide) => {
      const faults: string[] = [];
      const { hostname } = new URL(baseURL!);
      const allowed = (text: string) => (expectErrors as unknown as { patterns: RegExp[] }).patterns.some((p) => p.test(text));
      const watch = (one: Page) => {
        countRequests(one);
        one.on("console", (message) => {
          if (message.type() !== "error" || allowed(message.text())) return;
          faults.push(`${message.text()} ${message.location().url ?? ""}`);
        });
        one.on("pageerror", (error) => faults.push(error.message));
      };
      watch(page);
      context.on("page", watch);
      context.on("request", (request) => {
        if (new URL(request.url()).hostname !== hostname && !/^(data|blob):/.test(request.url()))
          faults.push(`request to ${request.url()}`);
      });
      await provide();
      expect(faults).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

/** A slice of the records, asked for as a screen does. */
export async function slice<S extends SliceName>(request: APIRequestContext, name: S, query: Slices[S]["query"]) {
  // An idle connection may be closed by the server just as it is used again: asked once more, that is no fault.
  const answer = (await (await request.get(slicePath(name, query), { maxRetries: 2 })).json()) as Answer<S>;
  return answer.value;
}

/** What a page has asked for and not been answered yet, and whether its script has begun to read the records since it was opened. */
const reads = new WeakMap<Page, { readonly underWay: Set<Request>; begun: boolean }>();

function countRequests(page: Page): void {
  const read = { underWay: new Set<Request>(), begun: false };
  reads.set(page, read);
  page.on("request", (request) => {
    read.underWay.add(request);
    if (request.isNavigationRequest() && request.frame() === page.mainFrame()) read.begun = false;
    if (new URL(request.url()).pathname.startsWith("/api/read/")) read.begun = true;
  });
  for (const end of ["requestfinished", "requestfailed"] as const)
    page.on(end as "requestfinished", (one) => void read.underWay.delete(one));
}

/**
 * Waits until a page has read what it reads: it has begun (on a busy machine its script may not have run yet), nothing is under way,
 * and what came has been drawn and asked for nothing more.
 */
export async function hasRead(page: Page): Promise<void> {
  const read = reads.get(page)!;
  await expect(async () => {
    await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
    expect({ begun: read.begun, underWay: [...read.underWay].map((request) => request.url()) }).toEqual({
      begun: true,
      underWay: [],
    });
  }).toPass({ intervals: [20] });
}

/** The clock of the tests in a browser's pages, where it isn't the machine's. */
async function underTheClock(context: BrowserContext): Promise<void> {
  if (clockAhead() !== undefined) await context.clock.install({ time: now() });
}

let count = 0;
const id = () => `test-${++count}-${Math.random().toString(36).slice(2, 12)}`;

export async function kept(request: APIRequestContext, kind: string, form: object): Promise<string> {
  const made = id();
  const response = await request.post(`/api/keep/${kind}`, { data: { id: made, form } });
  expect(await response.json()).toMatchObject({ ok: true });
  return made;
}

/** A rig and a person on record, and in this page's hand. */
export async function rigInHand(page: Page, more: object = {}) {
  const rig = "Test backpack";
  const person = "Odile Test";
  const form = {
    name: rig,
    kind: "backpack",
    outlets: "1",
    spacing: "",
    tipSize: "025",
    pressure: "40 psi",
    tanks: [{ name: "main", usable: "4 gal", leastMix: "0.5 gal" }],
    ...more,
  };
  const rigId = await kept(page.request, "rigs", form);
  const personId = await kept(page.request, "people", { name: person });
  await page.addInitScript(
    ([r, p]) => {
      if (!localStorage.getItem("in-hand")) localStorage.setItem("in-hand", JSON.stringify({ rigId: r, personId: p }));
    },
    [rigId, personId],
  );
  return { rig, person, rigId, personId };
}

/** A calibration on record: 1 gal per 1,000 sq ft, to the last digit. */
export async function calibrated(page: Page, { rigId, personId }: { rigId: string; personId: string }, more: object = {}) {
  const session = {
    id: id(),
    rigId,
    personId,
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
    catches: [
      { volume: "32 fl oz", time: "62 s" },
      { volume: "32 fl oz", time: "62 s" },
    ],
    outletTime: "",
    outlets: [""],
    used: [],
    target: "",
    fill: "",
    graduation: "",
    gravity: "",
    lever: null,
    ...more,
  };
  const response = await page.request.post("/api/calibrations", { data: { session, madeAt: nowText() } });
  expect(await response.json()).toMatchObject({ ok: true });
}

/** Another person on record. */
export async function anotherPerson(page: Page, name: string): Promise<{ id: string; name: string }> {
  return { id: await kept(page.request, "people", { name }), name };
}

/** A label on record: a rate, or the ends of a range; and whatever else its card says. */
export const label = (page: Page, name: string, form: "dry" | "liquid", rate: string, more: object = {}) => {
  const [low, high] = rate.split(" to ");
  return kept(page.request, "labels", { name, form, rates: [{ rate: low, ...(high && { to: high }) }], ...more });
};

/** Something on record as down. */
export async function wentDown(page: Page, siteId: string, labelId: string, amount: string, date: string) {
  const data = { id: id(), date, siteId, zoneId: `${siteId}.0`, labelId, amount, personId: null, note: "", corrects: null };
  const response = await page.request.post("/api/applications", { data });
  expect(await response.json()).toMatchObject({ ok: true });
}

export const site = (page: Page, name: string, ...areas: string[]) =>
  kept(page.request, "sites", { name, zones: areas.map((area, i) => ({ name: `zone ${i + 1}`, area })) });

/** A site with water to fill a truck from. */
export const wetSite = (page: Page, name: string, area: string) =>
  kept(page.request, "sites", { name, water: true, zones: [{ name: "lawn", area }] });

/** Opens one of the two lines of a mix, where it is folded away: where and when it is for, or its products. */
async function opened(page: Page, name: string | RegExp): Promise<void> {
  const box = page.getByRole("button", { name, exact: typeof name === "string" });
  await expect(box).toBeVisible();
  // It may just open by itself: what was closed by the press is opened again.
  await expect(async () => {
    if ((await box.getAttribute("aria-expanded")) === "false") await box.click();
    await expect(box).toHaveAttribute("aria-expanded", "true", { timeout: 1000 });
  }).toPass();
}

/** Opens where and when a mix is for. */
export const mixWhere = (page: Page) => opened(page, "Where and when");

/** Opens the products of a mix and their rates. */
export const mixProducts = (page: Page) => opened(page, /^Products (and rates|in the )/);

/** Opens all that is to be known of a mix or a sheet. */
export const toKnow = (page: Page) => opened(page, /^\d+ (more )?to know/);

/** Puts a product of the shelf into the mix, where it isn't in it already. */
export async function inMix(page: Page, product: string) {
  const rate = page.getByLabel(`Rate of ${product}`, { exact: true });
  const add = page.getByLabel("Add a product");
  // Granules have their products in the open.
  const box = page.getByRole("button", { name: /^Products (and rates|in the )/ });
  await expect(box.or(add).first()).toBeVisible();
  if (await box.isVisible()) await mixProducts(page);
  await expect(rate.or(add).first()).toBeVisible();
  if (!(await rate.isVisible())) await add.selectOption({ label: product });
  await expect(rate).toBeVisible();
}

/** Opens the strip's line, where what is in hand is changed. */
export const inHand = (page: Page) => opened(page, "Rig and applicator in hand");

/** Ticks the gear of a sheet, so that a container may be opened. */
export async function gearOn(page: Page) {
  const gear = page.getByRole("region", { name: "Gear" });
  // A list that hasn't come yet has no boxes to tick.
  await expect(gear).toBeVisible();
  for (const box of await gear.getByRole("checkbox").all()) await box.check();
}
