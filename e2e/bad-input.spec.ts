import type { Locator } from "@playwright/test";
import { calibrated, expect, inMix, label, rigInHand, site, test, mixWhere } from "./fixtures";

/** What goes wrong in every field where a number is typed, and a word of what is said about it. */
const WRONG: readonly (readonly [typed: string, says: RegExp])[] = [
  ["text", /does not begin with a number/],
  ["0", /is zero/],
  ["-3", /has a sign/],
  ["99999999999999999", /too large|can't be right/],
  ["1,5", /decimal comma/],
  ["1.000,5", /decimal comma/],
  ["5/0", /is a fraction/],
  ["3 furlongs", /not known/],
];

test("bad input everywhere a number is typed: it says why, and keeps what was typed", async ({ page }) => {
  test.setTimeout(400_000);
  const hand = await rigInHand(page);
  const refusedIn = async (field: Locator, also: readonly (readonly [string, RegExp])[] = [], usual = WRONG) => {
    for (const [typed, says] of [...usual, ...also]) {
      await field.fill(typed);
      await field.press("Tab");
      await expect(field).toHaveAttribute("aria-invalid", "true");
      await expect(field).toHaveAccessibleDescription(says);
      // With the unit that it was meant in.
      await expect(field).toHaveValue(new RegExp(`^${typed.replaceAll(".", "\\.")}( |$)`));
    }
  };

  await page.goto("/rigs?id=new");
  await refusedIn(page.getByLabel("Usable volume"), [
    ["4 oz", /another kind/],
    ["", /Missing/],
  ]);
  await refusedIn(page.getByLabel("Least mix"));
  await refusedIn(page.getByLabel("Pressure at the tip"));
  await page.getByLabel("Kind").selectOption("boom");
  await refusedIn(page.getByLabel("Spacing"));
  await page.getByRole("button", { name: "Add rig" }).click();
  await expect(page.getByRole("alert").first()).toBeVisible();

  // The kit's fields and those of the head: a few wrong things each.
  const few = WRONG.slice(0, 3);
  await page.getByText("Hose and pump").click();
  await refusedIn(page.getByLabel("Hose, inside"), [["3 gal", /another kind/]], few);
  await refusedIn(page.getByLabel("Pump serviced"), [["last week", /not a date/]], []);
  await page.getByText("Measuring kit").click();
  await page.getByRole("button", { name: "Add to the vessels" }).click();
  await refusedIn(page.getByLabel("Marks of"), [["1 psi", /another kind/]], few);
  await page.getByLabel("Kind").selectOption("hose-end");
  await refusedIn(page.getByLabel("Dial stands at"), [["2 oz", /./]], few);

  await page.goto("/labels?id=new");
  await refusedIn(page.getByLabel("Label rate"), [["0.3 fl oz/1000 ft2", /is a volume, but the product is dry/]]);
  await page.getByLabel("Label rate").fill("0.3");
  await refusedIn(page.getByLabel("Package of"), [["1 gal", /is a volume, but the product is dry/]], few);
  await refusedIn(page.getByLabel("Most at once"), [["0.4 fl oz/1000 ft2", /is a volume, but the product is dry/]], few);
  await refusedIn(page.getByLabel("Days between"), [["soon", /does not begin with a number/]], []);

  await page.goto("/sites?id=new");
  await refusedIn(page.getByLabel("Area"), [["5 ft", /another kind/]]);

  await page.goto("/calibrate");
  for (const label of ["Test area", "Effective swath", "Wanted spray volume"]) await refusedIn(page.getByLabel(label));
  await page.getByLabel("Effective swath").fill("");
  await page.getByLabel("Wanted spray volume").fill("");
  await page.getByLabel("Test area").fill("250");
  await page.getByRole("button", { name: /2 Walk/ }).click();
  for (const [typed, says] of [...WRONG, ["1:75", /not minutes and seconds/] as const]) {
    await page.getByLabel("or type a time").fill(typed);
    await page.keyboard.press("Enter");
    await expect(page.locator("main").getByRole("alert")).toHaveText(says);
    await expect(page.getByLabel("or type a time")).toHaveValue(new RegExp(`^${typed.replaceAll(".", "\\.")}( |$)`));
  }
  await page.getByRole("button", { name: /3 Catch/ }).click();
  for (const [typed, says] of [...WRONG, ["9 oz", /another kind/] as const]) {
    await page.getByLabel("or type a catch").fill(typed);
    await page.keyboard.press("Enter");
    await expect(page.locator("main").getByRole("alert")).toHaveText(says);
  }
  await page.getByRole("button", { name: /4 Result/ }).click();
  await expect(page.getByText("A timed walk is missing.")).toBeVisible();

  await page.goto("/calibrate/plan");
  for (const label of ["Wanted spray volume", "Travel speed", "or the flow is known"])
    await refusedIn(page.getByLabel(label), [["3 lb", /another kind/]], few);

  await calibrated(page, hand);
  await page.goto("/calibrate/check");
  for (const [typed, says] of few) {
    await page.getByLabel("or type a catch").fill(typed);
    await page.keyboard.press("Enter");
    await expect(page.locator("main").getByRole("alert")).toHaveText(says);
  }
  const green = "Green";
  await site(page, green, "3000");
  const product = "Granule";
  await label(page, product, "dry", "0.3");
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: green });
  await inMix(page, product);
  await refusedIn(page.getByLabel(`Rate of ${product}`), [
    ["0.3 in", /another kind/],
    ["0.3 mL/1000 ft2", /is a volume, but the product is dry/],
  ]);
  // No amount is shown while a rate is wrong.
  await expect(page.getByRole("region", { name: /Load/ })).toHaveCount(0);
});

test("a half-typed form is there after a reload", async ({ page }) => {
  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).fill("Half a");
  await page.getByRole("button", { name: "Add a zone" }).click();
  await page.getByLabel("Area").nth(1).fill("12 furl");
  await page.reload();
  await expect(page.getByLabel("Site", { exact: true })).toHaveValue("Half a");
  await expect(page.getByLabel("Area").nth(1)).toHaveValue("12 furl");
});

test("a lost server loses nothing: it is said, and saved when it is back", async ({ page, context, expectErrors }) => {
  expectErrors(/ERR_INTERNET_DISCONNECTED|Failed to load resource/);
  const name = "Shore";
  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).fill(name);
  await page.getByLabel("Area").fill("4000");
  await context.setOffline(true);
  await page.getByRole("button", { name: "Add site" }).click();
  await expect(page.getByText(/The server can't be reached, nothing is lost here/)).toBeVisible();
  await context.setOffline(false);
  await page.getByRole("button", { name: "Add site" }).click();
  await expect(page.getByRole("button", { name: name, exact: true })).toBeVisible();
});

test("a page of another site can't write here", async ({ request }) => {
  const data = { id: "foreign-000001", form: { name: "Stranger" } };
  const foreign = await request.post("/api/keep/people", { data, headers: { origin: "http://elsewhere.example" } });
  expect(foreign.status()).toBe(403);
  const form = await request.post("/api/keep/people", { form: { id: "x" } });
  expect(form.status()).toBe(403);
  const broken = await request.post("/api/keep/people", {
    data: Buffer.from("{"),
    headers: { "content-type": "application/json" },
  });
  expect(broken.status()).toBe(400);
});

test("a boom's outlets: a reading that can't be right says so, and is kept as typed", async ({ page }) => {
  await rigInHand(page, { kind: "boom", outlets: "3", spacing: "20 in", tipSize: "04" });
  await page.goto("/calibrate");
  await page.getByRole("button", { name: /3 Catch/ }).click();
  const outlet = page.getByLabel("Outlet 2", { exact: true });
  for (const [typed, says] of [...WRONG, ["25 oz", /another kind/] as const]) {
    await outlet.fill(typed);
    await expect(outlet).toHaveAttribute("aria-invalid", "true");
    await expect(outlet).toHaveAccessibleDescription(says);
    await expect(outlet).toHaveValue(typed);
  }
});
