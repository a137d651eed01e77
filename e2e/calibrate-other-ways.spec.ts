import { calibrated, expect, inMix, label, rigInHand, site, test, mixWhere } from "./fixtures";

test("a boom, outlet by outlet, digits and Enter only", async ({ page }) => {
  const { rig } = await rigInHand(page, { kind: "boom", outlets: "4", spacing: "20 in", tipSize: "04" });
  await page.goto("/calibrate");
  await expect(page.getByRole("heading", { name: `Calibrate ${rig}` })).toBeVisible();
  await page.getByRole("button", { name: /2 Drive/ }).click();
  const time = page.getByLabel("or type a time");
  for (const run of ["34.1", "34.3"]) {
    await time.fill(run);
    await page.keyboard.press("Enter");
  }
  await page.getByRole("button", { name: /3 Catch/ }).click();
  await page.getByLabel("Outlet 1").focus();
  for (const volume of ["25.6", "25.4", "25.8", "29"]) {
    await page.keyboard.type(volume);
    await page.keyboard.press("Enter");
  }
  await page.getByRole("button", { name: /4 Result/ }).click();
  // (25.6 + 25.4 + 25.8 + 29) fl oz, caught for as long as the 1/128 acre course of 204.19 ft × 6.667 ft took: 34.2 s.
  const gallons = (25.6 + 25.4 + 25.8 + 29) / 128;
  await expect(page.getByTestId("spray-volume")).toHaveText(
    `${(gallons / ((204.19 * 80) / 12 / 1000)).toPrecision(3)} gal per 1,000 sq ft`,
  );
  await expect(page.getByText("Beyond ±5 % of the mean: outlet 4.")).toBeVisible();
  await expect(page.getByText("Travel speed").first()).toBeVisible();
  await page.getByRole("button", { name: "Save the calibration" }).click();
  await expect(page.getByRole("heading", { name: rig })).toBeVisible();
});

test("what a marked area uses up: start 96, left 60 fl oz on 100 sq ft are 360 fl oz per 1,000", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/calibrate");
  await page.getByRole("button", { name: "no watch" }).click();
  await page.getByRole("button", { name: /^Refill or remainder/ }).click();
  await page.getByRole("button", { name: /2 Use up/ }).click();
  await page.getByLabel("Area 1").fill("100");
  await page.getByLabel("At the start").fill("96");
  await page.getByLabel("Left").fill("60");
  await page.getByRole("button", { name: /3 Result/ }).click();
  await expect(page.getByTestId("spray-volume")).toHaveText("2.81 gal per 1,000 sq ft");
  await expect(page.getByText("One trial only")).toBeVisible();
  await page.getByRole("button", { name: "Show the math", exact: true }).click();
  await expect(page.getByRole("region", { name: "The math" })).toContainText("96 fl oz − 60 fl oz");
});

test("trials that disagree are saved, and nothing is mixed from them", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/calibrate");
  await page.getByRole("button", { name: /2 Walk/ }).click();
  // The plot is asked for before the walk, where it wasn't before.
  await page.getByLabel("Plot that is pegged").fill("10 x 25");
  await expect(page.getByText("understood as 250 sq ft")).toBeVisible();
  for (const walk of ["55", "66"]) {
    await page.getByLabel("or type a time").fill(walk);
    await page.keyboard.press("Enter");
  }
  await page.getByRole("button", { name: /3 Catch/ }).click();
  await page.getByLabel("or type a catch").fill("33");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /4 Result/ }).click();
  await expect(page.getByText(/over 10 %: this is not a calibration yet/)).toBeVisible();
  await page.getByRole("button", { name: "Keep it as a record" }).click();
  await expect(page).toHaveURL(/record/);
  await page.getByRole("link", { name: "Mix with it →" }).click();
  await expect(page.getByText(/it is not a calibration yet. Take more/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Start mixing" })).toBeHidden();
});

test("a run sheet put away by mistake is taken back", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/calibrate");
  await page.getByLabel("Test area").fill("500");
  await page.getByRole("button", { name: "Start a new run sheet" }).click();
  // The last plot is remembered as such, and said.
  await expect(page.getByText("The plot of last time stands here: 500")).toBeVisible();
  await page.getByRole("button", { name: "Take the last run sheet back" }).click();
  await expect(page.getByLabel("Test area")).toHaveValue(/^500/);
  // It is on Today until it is saved.
  await page.goto("/");
  await expect(page.getByText("Begun on this device")).toBeVisible();
});

test("the wanted spray volume says what to expect in the vessel, and which levers there are", async ({ page }) => {
  await rigInHand(page);
  await page.goto("/calibrate");
  await page.getByLabel("Test area").fill("250");
  await page.getByLabel("Wanted spray volume").fill("2");
  await page.getByRole("button", { name: /2 Walk/ }).click();
  for (const walk of ["61", "63", "62"]) {
    await page.getByLabel("or type a time").fill(walk);
    await page.keyboard.press("Enter");
  }
  await page.getByRole("button", { name: /3 Catch/ }).click();
  await expect(page.getByText("Expect about 64 fl oz")).toBeVisible();
  await page.getByLabel("or type a catch").fill("32");
  await page.keyboard.press("Enter");
  await page.getByRole("button", { name: /4 Result/ }).click();
  await expect(page.getByText("50 % too little")).toBeVisible();
  await expect(page.getByText(/It would take 160 psi/)).toBeVisible();
  await expect(page.getByText(/mix each tank for 4,000 sq ft/)).toBeVisible();
});

test("an area in the wrong unit asks for more loads than anyone pours: no plan, and why", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const field = "Field";
  await site(page, field, "6200 ac");
  const product = "Granule";
  await label(page, product, "dry", "0.3");
  // An only label is taken by itself.
  await label(page, "Another", "dry", "0.3");
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: field });
  await inMix(page, product);
  await expect(page.getByText(/67,518 loads of 4 gal .* check the area and its unit/)).toBeVisible();
  await expect(page.getByRole("region", { name: /Load/ })).toHaveCount(0);
});

test("a bench with nothing on it says what to do first", async ({ page }) => {
  const firm = { zone: "UTC", settled: true, today: "2026-09-02" };
  const nothing: Record<string, unknown> = {
    firm,
    sites: { rows: [], next: null },
    openSheets: { rows: [], next: null },
    inForce: null,
  };
  await page.route("**/api/read/**", (route) => {
    const name = new URL(route.request().url()).pathname.split("/").at(-1)!;
    return route.fulfill({ json: { value: nothing[name] ?? [], aside: [] } });
  });
  await page.goto("/");
  await expect(page.getByRole("heading", { name: "Nothing on record yet" })).toBeVisible();
  await page.getByRole("link", { name: "Add a rig" }).click();
  await expect(page.getByRole("heading", { name: "Add the first rig" })).toBeVisible();
  await page.goto("/calibrate");
  await expect(page.getByText("Add the rig that you will calibrate first.")).toBeVisible();
});
