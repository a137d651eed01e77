import { calibrated, expect, fresh, gearOn, label, rigInHand, site, test } from "./fixtures";

test("a windy morning waited out: no container is opened while the wind is over the label's, what was seen goes on the record", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const product = fresh("Granule");
  // First by name: the list of sites shows its first page.
  const green = fresh("Airy green");
  await label(page, product, "dry", "0.3");
  await label(page, fresh("Other"), "dry", "0.3");
  await site(page, green, "3,500");
  await page.goto("/mix");
  await page.getByLabel("Site", { exact: true }).selectOption({ label: green });
  await page.getByLabel("Add a product").selectOption({ label: product });
  await page.getByRole("button", { name: "Save the sheet and pour" }).click();
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
  await look("KFRY 101653Z 22014G22KT 9999 FEW040 22/12 Q1016");
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
  await weather.getByLabel("A station's report (METAR)").fill("KFRY 101853Z 22006KT 9999 FEW040 22/12 Q1016");
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
