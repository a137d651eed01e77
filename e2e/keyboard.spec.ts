import { calibrated, expect, rigInHand, test, inHand } from "./fixtures";

test("a calibration by keyboard alone, from opening the app to saved, in under 40 s", async ({ page }) => {
  const { rig } = await rigInHand(page);
  const begun = performance.now();
  let keys = 0;
  const press = async (key: string) => {
    keys += 1;
    await page.keyboard.press(key);
  };
  const type = async (text: string) => {
    keys += text.length;
    await page.keyboard.type(text);
  };
  await page.goto("/");
  // Today is there once its records are read: from then on keys are heard.
  await expect(page.getByRole("heading", { name: /day, \d/ })).toBeVisible();
  await press("g");
  await press("c");
  await expect(page.getByRole("heading", { name: `Calibrate ${rig}` })).toBeVisible();
  // No plot stands there unasked.
  await page.getByLabel("Test area").focus();
  await type("250");
  await page.getByRole("button", { name: /2 Walk/ }).focus();
  await press("2");
  await page.getByLabel("or type a time").focus();
  for (const time of ["61", "63", "62"]) {
    await type(time);
    await press("Enter");
  }
  await page.getByRole("button", { name: /3 Catch/ }).focus();
  await press("3");
  await page.getByLabel("or type a catch").focus();
  for (const volume of ["33", "33"]) {
    await type(volume);
    await press("Enter");
  }
  await page.getByRole("button", { name: /4 Result/ }).focus();
  await press("4");
  await expect(page.getByTestId("spray-volume")).toHaveText("1.03 gal per 1,000 sq ft");
  await page.getByRole("button", { name: "Save the calibration" }).focus();
  await press("Enter");
  await expect(page).toHaveURL(/\/calibrate\/record/);
  console.log(`calibration by keyboard: ${keys} keys, ${((performance.now() - begun) / 1000).toFixed(1)} s by machine`);
  // Half a second a key is a slow hand.
  expect(keys * 0.5 + 10).toBeLessThan(40);
});

test("? lists the keys, and Escape closes the list", async ({ page }) => {
  await page.goto("/");
  await expect(page.getByRole("link", { name: "Today" }).first()).toBeVisible();
  // A key pressed before the page has its script is lost: as a person would, it is pressed again.
  await expect(async () => {
    await page.keyboard.press("?");
    await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible({ timeout: 1000 });
  }).toPass();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("dialog", { name: "Keys" })).toBeHidden();
});

test("units and face are the reader's choice, and stay", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  await page.goto("/");
  await expect(page.getByRole("banner")).toContainText("gal per 1,000 sq ft");
  await inHand(page);
  await page.getByRole("button", { name: "Units: US. Change to metric" }).click();
  await expect(page.getByRole("banner")).toContainText("L per 100 m²");
  await page.getByRole("button", { name: /Change to dark/ }).click();
  await page.reload();
  await expect(page.getByRole("banner")).toContainText("L per 100 m²");
  await expect(page.locator("html")).toHaveClass(/dark/);
});
