import { reportTime } from "./harness/clock";
import { calibrated, expect, gearOn, inMix, kept, label, rigInHand, site, slice, test, mixWhere } from "./fixtures";

test("a windy morning waited out: no container is opened while the wind is over the label's, what was seen goes on the record", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const product = "Granule";
  const green = "Hythe green";
  await label(page, product, "dry", "0.3");
  await site(page, green, "3,500");
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: green });
  await inMix(page, product);
  await page.getByRole("button", { name: "Start mixing" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
  await expect(page.getByRole("region", { name: "Load 1" })).toBeVisible();
  await gearOn(page);
  const weather = page.getByRole("region", { name: "The weather now" });
  const look = async (report: string) => {
    await weather.getByText(/^Look at the weather/).click();
    await weather.getByLabel("A station's report (METAR)").fill(report);
    await weather.getByLabel("The hour").selectOption("day");
    await weather.getByRole("button", { name: "This is the weather now" }).click();
  };
  // Something that is no report is told, and kept through a reload.
  await look("nice and breezy");
  await expect(weather.getByText(/The report: /)).toBeVisible();
  await page.reload();
  await weather.getByText(/^Look at the weather/).click();
  await expect(weather.getByLabel("A station's report (METAR)")).toHaveValue("nice and breezy");
  await weather.getByText(/^Look at the weather/).click();
  await look(`KFRY ${reportTime(20)} 22014G22KT 9999 FEW040 22/12 Q1016`);
  await expect(weather.getByText(/Not now, as of .*: wind of 16 mph, 10 mph is the most/)).toBeVisible();
  await expect(weather.getByText(/Drift goes to the NE/)).toBeVisible();
  const load = page.getByRole("region", { name: "Load 1" });
  await load.getByRole("checkbox").nth(0).check();
  await expect(load.getByRole("checkbox").nth(1)).toBeDisabled();
  await expect(load.getByText("the weather says no").first()).toBeVisible();
  // The made-up station is asked; what it says is put right by hand.
  await weather.getByText("Look at the weather again").click();
  await weather.getByRole("button", { name: "Ask the simulated station" }).click();
  await expect(weather.getByLabel("A station's report (METAR)")).toHaveValue(/^KFRY \d{6}Z AUTO /);
  await weather.getByLabel("A station's report (METAR)").fill(`KFRY ${reportTime(2)} 22006KT 9999 FEW040 22/12 Q1016`);
  await weather.getByLabel("The hour").selectOption("day");
  await weather.getByRole("button", { name: "This is the weather now" }).click();
  await expect(weather.getByText(/Go, as of /)).toBeVisible();
  await load.getByRole("checkbox").nth(1).check();
  await expect(load.getByRole("checkbox").nth(1)).toBeChecked();
  for (const n of [2, 3]) await load.getByRole("checkbox").nth(n).check();
  await page.getByText("For the record: times, weather, what it was against").click();
  await expect(page.getByLabel("Wind", { exact: true }).first()).toHaveValue("6.9 mph");
  await expect(page.getByLabel("Wind from", { exact: true })).toHaveValue("SW");
  await expect(page.getByLabel("Air", { exact: true }).first()).toHaveValue("72 °F");
});

test("a rule of the place holds the container, and the lot that was read off the package is called back by its lawn", async ({
  page,
  expectErrors,
}) => {
  expectErrors(/409|422/);
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const [product, green, county] = ["Granule", "Hythe green", "County"];
  const labelId = await label(page, product, "dry", "0.3");
  await kept(page.request, "sites", { name: green, jurisdiction: county, zones: [{ name: "lawn", area: "2,000" }] });
  await page.goto("/sites");
  await page.getByText("Local rules for the weather").click();
  const rule = page.getByRole("region", { name: "Rule of everywhere" });
  await rule.getByLabel(/^Air at most/).fill("warm");
  await rule.getByLabel(/^Where, or/).fill(county);
  const own = page.getByRole("region", { name: `Rule ${county}` });
  await page.getByRole("button", { name: "Save the rules" }).click();
  await expect(own.getByText(/"warm" does not begin with a number/)).toBeVisible();
  // Nothing that was typed is lost by a reload.
  await page.reload();
  await expect(own.getByLabel(/^Air at most/)).toHaveValue("warm");
  await own.getByLabel(/^Air at most/).fill("");
  await own.getByLabel(/^Wind at most/).fill("6");
  await page.getByRole("button", { name: "Save the rules" }).click();
  await expect(page.getByText("Saved.", { exact: true })).toBeVisible();
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: green });
  await inMix(page, product);
  await page.getByRole("button", { name: "Start mixing" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
  await gearOn(page);
  await page
    .getByRole("region", { name: "Lots" })
    .getByLabel(/^Lot of/)
    .fill("Q-77");
  const weather = page.getByRole("region", { name: "The weather now" });
  const look = async (wind: string) => {
    await weather.getByText(/^Look at the weather/).click();
    await weather.getByLabel("Wind", { exact: true }).fill(wind);
    await weather.getByLabel("The hour").selectOption("day");
    await weather.getByRole("button", { name: "This is the weather now" }).click();
  };
  await look("7 mph");
  await expect(weather.getByText(`Not now, as of`)).toContainText(`7 mph, 6 mph is the most (the rule of ${county})`);
  const load = page.getByRole("region", { name: "Load 1" });
  await load.getByRole("checkbox").nth(0).check();
  await expect(load.getByRole("checkbox").nth(1)).toBeDisabled();
  await look("5 mph");
  await expect(weather.getByText(/Go, as of /)).toBeVisible();
  await load.getByRole("checkbox").nth(1).check();
  await page.getByRole("button", { name: "Came out even" }).click();
  const all = page.getByRole("button", { name: "Yes, all of it was applied" });
  await all.click();
  await expect(page.getByText("On record as sprayed: it is in the log.")).toBeVisible();
  const recall = await slice(page.request, "recall", { label: labelId, lot: "q-77" });
  expect(recall.surely.map(({ site: at, zone }) => [at, zone])).toEqual([[green, "lawn"]]);
});
