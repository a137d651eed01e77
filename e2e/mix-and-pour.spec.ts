import { calibrated, expect, gearOn, inMix, rigInHand, site, test, mixWhere, mixProducts } from "./fixtures";

test("label, site and mix on the laptop; poured, reloaded, and seen on a second device", async ({ page, context }) => {
  const hand = await rigInHand(page);
  const product = "Granule";
  const green = "Green";

  // Without a calibration the amounts are locked.
  await page.goto("/mix");
  await expect(page.getByText(/Calibrate first: another person's pace won't do/)).toBeVisible();
  await calibrated(page, hand);

  await page.goto("/labels?id=new");
  await page.getByLabel("Product", { exact: true }).fill(product);
  await page.getByLabel("Formulation").fill("WG");
  await page.getByLabel("Label rate").fill("0.3 oz per 1,000 sq ft");
  await page.getByLabel("to", { exact: true }).fill("0.6");
  await page.getByLabel("Price, USD").fill("64");
  await page.getByLabel("Package of").fill("80 oz");
  await page.getByRole("button", { name: "Add label" }).click();
  await expect(page.getByRole("article", { name: `Card of ${product}` })).toBeVisible();

  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).fill(green);
  // A lone lawn needs no name; two do.
  await page.getByLabel("Area").fill("6,200");
  await page.getByRole("button", { name: "Add a zone" }).click();
  await page.getByLabel("Zone 1").fill("north");
  await page.getByLabel("Zone 2").fill("south");
  await page.getByLabel("Area").nth(1).fill("1800 sq ft");
  await page.getByRole("button", { name: "Add site" }).click();
  await expect(page.getByRole("list", { name: "All sites" })).toContainText(green);

  await page.goto("/mix");
  await expect(page.getByRole("heading", { name: `Mix for ${green}` })).toBeVisible();
  await inMix(page, product);
  // 8,000 sq ft at 1 gal per 1,000 are 8 gal: two full loads of 4, 1.2 oz each.
  await expect(page.getByText("2 loads, each 4 gal · 8 gal of spray on 8,000 sq ft")).toBeVisible();
  await expect(page.getByRole("region", { name: "Loads 1 and 2, each" })).toContainText("1.2 oz");
  await page.getByText(/^Whole mix: /).click();
  await expect(page.getByText("2.4 oz · 1.92 USD")).toBeVisible();
  await page.getByRole("button", { name: "Show the math", exact: true }).click();
  await expect(page.getByRole("region", { name: "The math" })).toContainText("1 gal per 1,000 sq ft × 8,000 sq ft");
  await page.getByRole("button", { name: "Close the math" }).click();
  // One amount, pressed, shows its own.
  await page.getByRole("button", { name: /1\.2 oz: show the math$/ }).click();
  await expect(page.getByRole("region", { name: "The math" })).not.toContainText("1 gal per 1,000 sq ft × 8,000 sq ft");
  await page.getByRole("button", { name: "Close the math" }).click();

  await mixWhere(page);
  await page.getByLabel("Loads", { exact: true }).selectOption("equal");
  await page.getByLabel(`Rate of ${product}`).fill("0.6");
  await expect(page.getByText("4.8 oz · 3.84 USD")).toBeVisible();
  await page.reload();
  await mixProducts(page);
  await expect(page.getByLabel(`Rate of ${product}`)).toHaveValue(/^0\.6/);

  await page.getByRole("button", { name: "Start mixing" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
  const first = page.getByRole("region", { name: "Load 1" });
  await first.getByRole("checkbox").nth(0).check();
  // No container before the gear is on.
  await expect(first.getByRole("checkbox").nth(1)).toBeDisabled();
  await gearOn(page);
  await first.getByRole("checkbox").nth(1).check();
  await expect(first.getByRole("checkbox").nth(1)).toBeChecked();
  await page.reload();
  await expect(first.getByRole("checkbox").nth(0)).toBeChecked();
  await expect(first.getByRole("checkbox").nth(2)).not.toBeChecked();

  // The phone sees the ticks, adds one, and the laptop sees that.
  const phone = await context.newPage();
  await phone.setViewportSize({ width: 390, height: 844 });
  await phone.goto(page.url());
  await expect(phone.getByRole("region", { name: "Load 1" }).getByRole("checkbox").nth(1)).toBeChecked();
  await phone.getByRole("region", { name: "Load 1" }).getByRole("checkbox").nth(2).check();
  await phone.getByRole("region", { name: "Load 1" }).getByRole("checkbox").nth(3).check();
  await expect(first.getByRole("checkbox").nth(3)).toBeChecked();
  await expect(first.getByRole("heading")).toContainText("✓");
  // A tick can be taken back.
  await first.getByRole("checkbox").nth(3).uncheck();
  await expect(phone.getByRole("region", { name: "Load 1" }).getByRole("checkbox").nth(3)).not.toBeChecked();

  // The rest is poured step by step on the phone; the laptop sees it.
  await phone.getByRole("link", { name: "Pour, step by step" }).click();
  const step = phone.getByRole("region", { name: "Step" });
  await expect(step).toContainText("Load 1 of 2");
  await expect(step).toContainText("Fill to4 gal");
  await step.getByRole("button", { name: "Poured" }).click();
  await expect(step).toContainText("Load 2 of 2");
  await phone.reload();
  await expect(step).toContainText("Clean water to2 gal");
  await step.getByRole("button", { name: "Poured" }).click();
  // The second fill falls into the middle of the lawn: it is asked once whether the tank is empty.
  await step.getByRole("button", { name: "Yes, empty" }).click();
  await expect(step).toContainText(/2\.4 oz.*by weight/);
  await step.getByRole("button", { name: "Back" }).click();
  await expect(step).toContainText("Clean water to");
  // By the keys of a keyboard, too.
  for (const next of [/2\.4 oz/, /Rinse/, /Fill to/]) {
    await expect(step.getByRole("button", { name: "Poured" })).toBeEnabled();
    await phone.keyboard.press("Space");
    await expect(step).toContainText(next);
  }
  await expect(step.getByRole("button", { name: "Poured" })).toBeEnabled();
  await phone.keyboard.press("Space");
  await expect(phone.getByText("All poured ✓")).toBeVisible();
  await expect(page.getByRole("region", { name: "Load 2" }).getByRole("heading")).toContainText("✓");

  await page.goto("/");
  await expect(page.getByRole("link", { name: green })).toBeVisible();
});

test("the job goes out as a file and comes in as one", async ({ page, expectErrors }) => {
  expectErrors(/409|422/);
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const green = "Green";
  await site(page, green, "3000");
  const product = "Liquid";
  await page.request.post("/api/keep/labels", {
    data: {
      id: `label-${product.replace(/\W/g, "-")}`,
      form: { name: product, form: "liquid", formulation: "SC", rates: [{ rate: "1.5" }] },
    },
  });
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: green });
  await inMix(page, product);
  await page.getByRole("button", { name: "Start mixing" }).click();
  const download = page.waitForEvent("download");
  await page.getByRole("button", { name: "Save as job file" }).click();
  const file = await (await download).path();
  await page.goto("/settings");
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose a file" }).click();
  await (
    await chooser
  ).setFiles({ name: "job.json", mimeType: "application/json", buffer: await (await import("node:fs/promises")).readFile(file) });
  // A job says nothing of whose pace it is: the import asks, rather than guess.
  await expect(page.getByText(/calibration.record.person: missing/)).toBeVisible();
});

test("a rig that is changed puts its calibration out of date, and says what changed", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  await page.goto("/rigs");
  await page.getByRole("button", { name: hand.rig, exact: true }).click();
  await page.getByLabel("Tip size").fill("03");
  await page.getByRole("button", { name: "Save the change" }).click();
  await expect(
    page
      .getByRole("list", { name: "All rigs" })
      .getByText(/tip 03 at 40 psi/)
      .first(),
  ).toBeVisible();
  await page.goto("/mix");
  await expect(page.getByText("The calibration is out of date: tip 03, was 025. Calibrate again.")).toBeVisible();
  await expect(page.getByRole("banner")).toContainText("out of date: tip 03, was 025");
});

test("archiving is undone with one press", async ({ page }) => {
  const green = "Green";
  await site(page, green, "3000");
  await page.goto("/sites");
  await page.getByRole("button", { name: green, exact: true }).click();
  await page.getByRole("button", { name: `Archive ${green}` }).click();
  await expect(page.getByText(`Archived ${green}.`)).toBeVisible();
  await expect(page.getByRole("button", { name: green, exact: true })).toBeHidden();
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(page.getByRole("button", { name: green, exact: true })).toBeVisible();
});
