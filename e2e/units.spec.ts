import type { Page } from "@playwright/test";
import { calibrated, expect, hasRead, inMix, label, rigInHand, site, test, mixWhere, mixProducts, slice } from "./fixtures";

/**
 * Every field of every form that has a unit, in both systems: typed bare, with the cursor left in it, and after a reload, and after the units
 * were switched, it holds the same quantity in the unit that it showed.
 */

type System = "us" | "metric";
/** Units as a screen writes them → as a text has them. */
const plain = (unit: string) =>
  unit.replace(" per ", "/").replaceAll("sq ft", "ft2").replaceAll("²", "2").replaceAll("1,000 ft2", "1000 ft2");

const inUnits = (page: Page, system: System) =>
  page.evaluate((next) => {
    const hand = JSON.parse(localStorage.getItem("in-hand") ?? "{}") as object;
    localStorage.setItem("in-hand", JSON.stringify({ ...hand, system: next }));
  }, system);

async function openEverything(page: Page) {
  await hasRead(page);
  await page.evaluate(() => document.querySelectorAll("details").forEach((one) => (one.open = true)));
}

/** The empty fields that show a unit: which each is, among all, and the unit. */
const emptyFields = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLInputElement>("main input")].flatMap((input, at) => {
      const told = (input.getAttribute("aria-describedby") ?? "")
        .split(" ")
        .map((id) => document.getElementById(id)?.textContent ?? "");
      const unit = told.map((text) => / ?(.+) if no unit$/.exec(text)?.[1]).find((one) => one !== undefined);
      return unit === undefined || input.value !== "" || input.disabled
        ? []
        : [{ at, unit, name: input.getAttribute("aria-label") ?? input.labels?.[0]?.textContent ?? "" }];
    }),
  );

const ROOMS: readonly (readonly [room: string, open: (page: Page) => Promise<void>, count: number])[] = [
  [
    "a rig",
    async (page) => {
      await page.goto("/rigs?id=new");
      await openEverything(page);
      for (const more of ["Add to the scales", "Add to the vessels", "Add a marked cup"])
        await page.getByRole("button", { name: more }).click();
    },
    14,
  ],
  ["a tip", (page) => page.goto("/rigs?tip=new").then(() => undefined), 2],
  [
    "a rig's kit",
    async (page) => {
      const [rig] = await slice(page.request, "rigs", {});
      await page.goto(`/rigs?id=${rig!.id}`);
    },
    6,
  ],
  ["a card", (page) => page.goto("/labels?id=new").then(() => undefined), 18],
  ["a site and the rules of places", (page) => page.goto("/sites").then(() => undefined), 7],
  ["the program", (page) => page.goto("/sites/program").then(() => undefined), 1],
  ["a run sheet", (page) => page.goto("/calibrate").then(() => undefined), 3],
  ["tips", (page) => page.goto("/calibrate/plan").then(() => undefined), 2],
  ["a first mix", (page) => page.goto("/mix/quick").then(() => undefined), 7],
  ["paces", (page) => page.goto("/calibrate/practice").then(() => undefined), 1],
  ["the log", (page) => page.goto("/log?id=new").then(() => undefined), 4],
];

for (const [system, other] of [
  ["us", "metric"],
  ["metric", "us"],
] as const)
  for (const [room, open, count] of ROOMS)
    test(`what is typed is what is meant, in every field of ${room} that shows a unit: ${system}`, async ({ page }) => {
      const hand = await rigInHand(page);
      await calibrated(page, hand);
      await page.goto("/");
      await inUnits(page, system);
      await open(page);
      let empty: Awaited<ReturnType<typeof emptyFields>> = [];
      await expect(async () => {
        await openEverything(page);
        empty = await emptyFields(page);
        // Counted, so that none falls out unseen.
        expect(empty.map(({ name }) => name)).toHaveLength(count);
      }).toPass();
      const inputs = page.locator("main input");
      for (const { at } of empty) {
        // A fold that nothing stands in yet closes again when its form is drawn anew.
        if (!(await inputs.nth(at).isVisible())) await openEverything(page);
        await inputs.nth(at).fill("3");
      }
      const held = async () =>
        page.evaluate(
          (places) => places.map((at) => document.querySelectorAll<HTMLInputElement>("main input")[at]?.value),
          empty.map(({ at }) => at),
        );
      const meant = empty.map(({ unit }) => (unit === ":1" ? "3:1" : `3 ${plain(unit)}`));
      // The last one has the cursor in it still: its box shows what was typed.
      expect(await held()).toEqual([...meant.slice(0, -1), "3"]);
      for (const next of [other, system]) {
        await inUnits(page, next);
        await page.reload();
        await expect(async () => {
          await openEverything(page);
          expect([next, ...(await held())]).toEqual([next, ...meant]);
        }).toPass();
      }
    });

test("a card of a metric reader: bare limits are in the units that its fields show", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/labels?id=new");
  await inUnits(page, "metric");
  await page.reload();
  for (const [field, text] of [
    ["Product", "Metrikon"],
    ["Label rate", "10"],
    ["Most at once", "12,5"],
    ["Most a year", "30"],
    ["Carrier at least", "4"],
  ] as const)
    await page.getByLabel(field, { exact: true }).fill(text);
  await page.getByText("Weather", { exact: true }).click();
  await page.getByLabel("Wind at most", { exact: true }).fill("16");
  await page.getByLabel("Air at most", { exact: true }).fill("29");
  await page.getByRole("button", { name: "Add label" }).click();
  await expect(page.getByRole("article", { name: "Card of Metrikon" })).toBeVisible();
  const read = await page.request.get(`/api/read/labels?q=${encodeURIComponent("{}")}`);
  const { value } = (await read.json()) as { value: { rows?: unknown } & unknown[] };
  expect(JSON.stringify(value)).toContain('"perYear":"30 g/100 m2"');
  expect(JSON.stringify(value)).toContain('"perApplication":"12.5 g/100 m2"');
  expect(JSON.stringify(value)).toContain('"carrierAtLeast":"4 L/100 m2","');
  expect(JSON.stringify(value)).toMatch(/"wind":"16 km\/h","airMost":"29 °C"/);
});

test("a rate in a mix that is typed without its area is for the area of the reader", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  await label(page, "Areal", "dry", "5 g/100 m2");
  await site(page, "Ferry lawn", "400 m2");
  await page.goto("/mix");
  await inUnits(page, "metric");
  await page.reload();
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: "Ferry lawn" });
  await inMix(page, "Areal");
  await page.getByLabel("Rate of Areal").fill("4 g");
  await page.reload();
  await mixProducts(page);
  await expect(page.getByLabel("Rate of Areal")).toHaveValue("4 g/100 m2");
});
