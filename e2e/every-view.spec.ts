import AxeBuilder from "@axe-core/playwright";
import { readFileSync } from "node:fs";
import { calibrated, expect, rigInHand, test, slice } from "./fixtures";

const TOWN = readFileSync("demo/00-town.job.json", "utf8");
const LABELS = readFileSync("demo/labels.json", "utf8");

async function openSheet(page: import("@playwright/test").Page): Promise<string> {
  await page.goto("/mix");
  await page.getByLabel("Site", { exact: true }).selectOption({ label: "Bowling green" });
  await page.getByLabel("Add a product").selectOption({ label: "Clingline (demo label)" });
  await page.getByRole("button", { name: "Save the sheet and pour" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
  return page.url();
}

for (const [width, height] of [
  [1280, 800],
  [390, 844],
] as const) {
  test(`every view, light and dark, ${width} wide`, async ({ page }) => {
    test.setTimeout(400_000);
    await page.setViewportSize({ width, height });
    /** The whole page is looked at in one face; of the other one only what a face can change. */
    const wear = async (colorScheme: "light" | "dark") => {
      await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
      await expect(page.locator("html")).toHaveClass(new RegExp(`\\b${colorScheme}\\b`));
    };
    await page.emulateMedia({ colorScheme: "light", reducedMotion: "reduce" });
    const hand = await rigInHand(page);
    await calibrated(page, hand);
    expect(await (await page.request.post("/api/cards", { data: { text: LABELS } })).json()).toMatchObject({ ok: true });
    expect(await (await page.request.post("/api/jobs", { data: { text: TOWN } })).json()).toMatchObject({ ok: true });

    const check = async (view: string) => {
      await page.waitForLoadState("networkidle");
      const light = await new AxeBuilder({ page })
        .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
        .analyze();
      await wear("dark");
      const dark = await new AxeBuilder({ page }).withRules(["color-contrast"]).analyze();
      await wear("light");
      const violations = [...light.violations, ...dark.violations];
      expect
        .soft(
          violations.map(
            (v) =>
              `${view}: ${v.id} ${v.nodes
                .map((n) => n.target.join(" "))
                .slice(0, 3)
                .join(", ")}`,
          ),
        )
        .toEqual([]);
      // Nothing runs over the side of the screen.
      const over = await page.evaluate(() =>
        document.documentElement.scrollWidth === innerWidth
          ? []
          : [...document.querySelectorAll("body *")]
              .filter((one) => one.getBoundingClientRect().right > innerWidth + 0.5)
              .map((one) => `${one.tagName} ${one.textContent.slice(0, 40)}`),
      );
      expect.soft([view, over]).toEqual([view, []]);
    };
    // A file that is looked at, with something that differs; and what is folded away on the bench.
    await page.goto("/");
    await page.getByText("Time zone, a copy to take away, all records out and in").click();
    const other = TOWN.replace("14,400 ft2", "9,900 ft2");
    expect(other).not.toBe(TOWN);
    const file = { name: "town.json", mimeType: "application/json", buffer: Buffer.from(other) };
    await page.getByLabel("Job file").setInputFiles(file);
    await expect(page.getByRole("region", { name: "What town.json would bring" })).toBeVisible();
    await page.evaluate(() => scrollTo(0, 0));
    await check("a file that is looked at");
    const made = (await slice(page.request, "inForce", { rig: hand.rigId, person: hand.personId }))!.entry.id;
    const views = [
      "/",
      "/rigs",
      "/labels",
      "/sites",
      "/sites/program",
      "/sites/program/year",
      "/labels/shelf",
      "/calibrate/check",
      "/calibrate/plan",
      "/calibrate/pattern",
      "/calibrate/cards",
      "/calibrate/practice",
      "/calibrate/practice/countdown",
      "/calibrate/practice/swing",
      "/calibrate/practice/lessons",
      "/calibrate/crew",
      "/log",
      "/log/looks",
    ];
    for (const view of [...views, `/calibrate/tag?id=${made}`, `/calibrate/record?id=${made}`, "/calibrate"]) {
      await page.goto(view);
      // The pad has a heading of its own, which stands there before the room has read its records.
      await expect(page.getByRole("heading", { level: 1 }).first()).toBeVisible();
      await check(view);
    }
    await page.goto("/mix/quick");
    await page.getByLabel("A full tank holds").fill("4");
    await page.getByLabel("Plot you spray with water").fill("10 x 25");
    await page.getByLabel("Time to spray it").fill("62, 63");
    await page.getByLabel("Caught in the bucket").fill("33");
    await page.getByLabel("Label rate for 1,000 sq ft").fill("0.3 oz");
    await page.getByLabel("The lawn", { exact: true }).fill("62 x 100");
    await expect(page.getByRole("region", { name: "Load 1" })).toBeVisible();
    await check("a first mix");
    await page.goto("/calibrate");
    for (const step of ["2 Walk", "3 Catch", "4 Result"]) {
      await page.getByRole("button", { name: step }).click();
      if (step === "2 Walk") {
        await page.getByLabel("or type a time").fill("62");
        await page.getByRole("button", { name: "Add" }).click();
      }
      if (step === "3 Catch") {
        await page.getByLabel("or type a catch").fill("33");
        await page.getByRole("button", { name: "Add" }).click();
      }
      await check(step);
    }
    await openSheet(page);
    await expect(page.getByRole("region", { name: "Load 1" })).toBeVisible();
    await check("sheet");
    await page.goto("/mix");
    await page.getByLabel("Add a product").selectOption({ label: "Tollguard (demo label)" });
    await expect(page.getByRole("region", { name: /^Loads? 1/ })).toBeVisible();
    await check("/mix");
    // Without a limit, so that the next face finds its budget whole.
    await page.getByRole("button", { name: "Take Tollguard (demo label) out" }).click();
    await page.getByLabel("Add a product").selectOption({ label: "Clingline (demo label)" });
    await page.getByLabel("Mix for").selectOption("day");
    await page.getByLabel("Add a stop").selectOption({ label: "School field" });
    await expect(page.getByRole("list", { name: "Fills of the day" })).toBeVisible();
    await check("the day");
    await page.getByRole("button", { name: "Save the sheet and pour" }).click();
    await expect(page.getByRole("region", { name: "Stops" })).toBeVisible();
    await check("day sheet");
    await page.getByRole("link", { name: "Pour, step by step" }).click();
    await expect(page.getByRole("region", { name: "Step" })).toBeVisible();
    await check("pour");
    await page.goto("/mix");
    await page.getByLabel("Add a product").selectOption({ label: "Tollguard (demo label)" });
    await page.getByLabel("Rate of Tollguard (demo label)").fill("16");
    await expect(page.getByText("Held: no amounts")).toBeVisible();
    await check("held");
    await page.goto("/labels");
    await page.getByRole("button", { name: "Tollguard (demo label)", exact: true }).click();
    await check("card");
    await page.getByRole("button", { name: "Add another label" }).click();
    await page.getByRole("button", { name: "Read it from the label's text" }).click();
    await page.getByLabel("Text of the label").fill("Apply 0.2 to 0.4 oz per 1,000 sq ft. Wear gloves.");
    await page.getByRole("button", { name: "Read it", exact: true }).click();
    await expect(page.getByText("2 found, 2 to look at.")).toBeVisible();
    await check("label reader");
  });
}
