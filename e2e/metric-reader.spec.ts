import { calibrated, expect, gearOn, hasRead, inMix, label, rigInHand, site, slice, test, mixWhere } from "./fixtures";
import { nowText } from "./harness/clock";

/** Units that a metric reader has no use for, in words and in symbols. */
const OURS = /\b(psi|gal|gallons?|acres?|mph|sq ft|ft2|fl oz|oz|ounces?|lb|pounds?|inch(es)?|feet|ft|°F)\b/;

test("a metric reader goes from the run sheet to the last container without a unit of ours", async ({ page }) => {
  test.setTimeout(120_000);
  const hand = await rigInHand(page, {
    pressure: "3 bar",
    tanks: [{ name: "main", usable: "15 L", capacity: "16 L", leastMix: "2 L" }],
  });
  await page.addInitScript(() => {
    const hand = JSON.parse(localStorage.getItem("in-hand") ?? "{}") as object;
    localStorage.setItem("in-hand", JSON.stringify({ ...hand, system: "metric" }));
  });
  await calibrated(page, hand, {
    area: "25 m2",
    swath: "1.5 m",
    target: "5 L/100 m2",
    catches: [
      { volume: "950 mL", time: "62 s" },
      { volume: "950 mL", time: "62 s" },
    ],
  });
  const product = "Metric";
  const limits = [{ perYear: "16 mL/100 m2", yearKind: "calendar", perApplication: "12 mL/100 m2" }];
  const labelId = await label(page, product, "liquid", "5 mL/100 m2 to 10 mL/100 m2", { limits, carrierAtLeast: "3 L/100 m2" });
  const lawn = "Lawn";
  const lawnId = await site(page, lawn, "400 m2");

  /** What stands on the page, on hover and in fields that are empty. */
  const noneOfOurs = async (view: string) => {
    await hasRead(page);
    for (const fold of await page.locator("main summary, main button[aria-expanded=false]").all())
      if (await fold.isVisible()) await fold.click();
    const said = await page.evaluate(() =>
      [
        ...document.body.innerText.split("\n"),
        ...[...document.querySelectorAll("[placeholder], [aria-label], [title]")].flatMap((one) =>
          ["placeholder", "aria-label", "title"].map((name) => one.getAttribute(name) ?? ""),
        ),
      ].filter((line) => line.trim() !== ""),
    );
    expect.soft([view, [...new Set(said.filter((line) => OURS.test(line)))]]).toEqual([view, []]);
  };

  await page.goto("/calibrate");
  await noneOfOurs("mark out");
  for (const step of ["2 Walk", "3 Catch"]) {
    await page.getByRole("button", { name: step }).click();
    if (step === "2 Walk") {
      await page.getByLabel("Plot that is pegged").fill("3 x 8 m");
      await page.getByLabel("or type a time").fill("9");
      await page.getByRole("button", { name: "Add" }).click();
    } else {
      await page.getByLabel("or type a catch").fill("200");
      await page.getByLabel("caught for").fill("9");
      await page.getByRole("button", { name: "Add" }).click();
    }
    await noneOfOurs(step);
  }
  await page.getByRole("button", { name: "4 Result" }).click();
  await expect(page.getByTestId("spray-volume")).toHaveText("0.833 L per 100 m²");
  await noneOfOurs("result");
  const made = (await slice(page.request, "inForce", { rig: hand.rigId, person: hand.personId }))!.entry.id;
  for (const view of [
    `/calibrate/record?id=${made}`,
    `/calibrate/tag?id=${made}`,
    "/calibrate/check",
    "/calibrate/plan",
    "/calibrate/practice",
    "/calibrate/practice/countdown",
    "/calibrate/practice/swing",
    "/calibrate/practice/lessons",
    "/calibrate/crew",
    "/mix/quick",
  ]) {
    await page.goto(view);
    await expect(page.getByRole("heading").first()).toBeVisible();
    await noneOfOurs(view);
  }
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: lawn });
  await inMix(page, product);
  await page.getByLabel(`Rate of ${product}`).fill("20");
  await expect(page.getByText("Held: no amounts")).toBeVisible();
  await noneOfOurs("held");
  await page.getByLabel(`Rate of ${product}`).fill("8");
  await expect(page.getByRole("region", { name: /^Loads? 1/ })).toBeVisible();
  await noneOfOurs("mix");
  // What a screen refuses the server refuses too, in the same units.
  const sheet = {
    id: "metric-reader-0001",
    madeAt: nowText(),
    stops: [{ siteId: lawnId }],
    ...{ rigId: hand.rigId, personId: hand.personId, calibrationId: made, dayId: null, tank: "main" },
    ...{ loads: "full-then-part", run: false, overage: "", mixedFor: "" },
    products: [{ labelId, rate: "20 mL/100 m2" }],
  };
  const refused = await page.request.post("/api/sheets", { headers: { "x-units": "metric" }, data: { sheets: [sheet] } });
  expect(refused.ok()).toBe(false);
  const { issues } = (await refused.json()) as { issues: { code: string; received: string }[] };
  expect(issues.map((one) => one.code)).toContain("held");
  for (const one of issues) expect(one.received).not.toMatch(OURS);
  await page.getByRole("button", { name: "Start mixing" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
  await gearOn(page);
  await noneOfOurs("sheet");
  const [table] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Save as CSV" }).click()]);
  const csv = await (await import("node:fs/promises")).readFile((await table.path())!, "utf8");
  expect(csv.split("\n")[0]).toBe("site,load,status,fill to (L),covers (m²),product,amount,unit,reason");
  await page.getByRole("link", { name: "Pour, step by step" }).click();
  await expect(page.getByRole("region", { name: "Step" })).toBeVisible();
  await noneOfOurs("pour");

  // Bare numbers, and a press straight from the last field.
  await page.goto("/rigs?id=new");
  const pack = "Metric pack";
  await page.getByLabel("Name", { exact: true }).fill(pack);
  await page.getByLabel("Least mix").fill("2");
  await page.getByLabel("Usable volume").fill("15");
  await page.getByRole("button", { name: "Add rig", exact: true }).click();
  await expect(page.getByText(`Added ${pack}`)).toBeVisible();
  const rigs = await slice(page.request, "rigs", {});
  expect(rigs.find((one) => one.rig.name === pack)!.rig.tanks).toEqual([{ name: "main", usable: "15 L", leastMix: "2 L" }]);
});
