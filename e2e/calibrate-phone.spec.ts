import { expect, rigInHand, test } from "./fixtures";
import { now } from "./harness/clock";

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test("a backpack by stopwatch: 100 sq ft in 36 s, 9 fl oz in 36 s are 90 fl oz per 1,000", async ({ page }) => {
  const begins = now();
  await page.clock.install({ time: begins });
  const { rig } = await rigInHand(page);
  await page.goto("/calibrate");
  await expect(page.getByRole("heading", { name: `Calibrate ${rig}` })).toBeVisible();
  await page.getByLabel("Test area").fill("100");
  await page.getByLabel("Effective swath").fill("5 ft");
  await expect(page.getByRole("img", { name: /Mark out 10 ft wide and 10 ft long/ })).toBeVisible();
  await page.getByRole("button", { name: /2 Walk/ }).click();

  await page.clock.pauseAt(begins + 60_000);
  const time = async (seconds: number) => {
    await page.getByRole("button", { name: "Start the watch" }).tap();
    await page.clock.fastForward(seconds * 1000);
    await page.getByRole("button", { name: "Stop the watch" }).tap();
  };
  await time(36);
  await time(36);
  const tape = page.getByRole("list", { name: "Walk tape" });
  await expect(tape.getByRole("listitem")).toHaveCount(2);
  await expect(tape.getByText("36.00 s")).toHaveCount(2);

  // A run that went wrong is struck with a reason, and the striking can be undone.
  await time(51.5);
  await tape.getByLabel("Strike walk 3").selectOption("stumbled or stopped");
  await expect(tape.getByText("✕ stumbled or stopped")).toBeVisible();
  await tape.getByRole("button", { name: "Undo striking walk 3" }).click();
  await tape.getByLabel("Strike walk 3").selectOption("missed the line");

  // A reload in the middle of a run goes on counting.
  await page.getByRole("button", { name: "Start the watch" }).tap();
  await page.clock.fastForward(10_000);
  await page.reload();
  await expect(page.getByRole("button", { name: "Stop the watch" })).toBeVisible();
  await page.clock.fastForward(26_000);
  await page.getByRole("button", { name: "Stop the watch" }).tap();
  await expect(tape.getByRole("listitem")).toHaveCount(4);
  const fourth = await tape.getByRole("listitem").nth(3).textContent();
  expect(Number(/(\d+\.\d\d) s/.exec(fourth!)![1])).toBeCloseTo(36, 0);
  await tape.getByLabel("Strike walk 4").selectOption("watch pressed late");

  // The catch counts down from the walk's mean, and ends by itself.
  await page.getByRole("button", { name: /3 Catch/ }).click();
  const start = page.getByRole("button", { name: "Start the catch" });
  await expect(start).toContainText("36.0");
  await start.tap();
  await page.clock.runFor(37_000);
  await expect(page.getByText("Caught for 36.00 s. Read the vessel")).toBeVisible();
  // A reload now loses nothing either.
  await page.reload();
  await page.getByLabel("Caught in 36.00 s").fill("9");
  await page.getByRole("button", { name: "Add" }).click();
  await expect(page.getByRole("list", { name: "Catch tape" })).toContainText("9 fl oz in 36.00 s");

  await page.getByRole("button", { name: /4 Result/ }).click();
  await expect(page.getByTestId("spray-volume")).toHaveText("0.703 gal per 1,000 sq ft");
  await expect(page.getByText("One catch only")).toBeVisible();
  await expect(page.getByRole("group", { name: /give 0.703 gal per 1,000 sq ft/ })).toBeVisible();
  await page.getByRole("button", { name: "Show the math", exact: true }).click();
  await expect(page.getByRole("region", { name: "The math" })).toContainText("÷ 100 sq ft");
  await page.getByRole("button", { name: "Close the math" }).click();

  await page.clock.resume();
  await page.getByRole("button", { name: "Save the calibration" }).click();
  await expect(page).toHaveURL(/\/calibrate\/record\?id=/);
  await expect(page.getByTestId("spray-volume")).toHaveText("0.703 gal per 1,000 sq ft");
  await expect(page.getByText("Struck: walk 51.50 s (missed the line)")).toBeVisible();
  await page.reload();
  await expect(page.getByTestId("spray-volume")).toHaveText("0.703 gal per 1,000 sq ft");
});

test("the stopwatch counts from the press, within 20 ms of the driven clock", async ({ page }) => {
  const begins = now();
  await page.clock.install({ time: begins });
  await rigInHand(page);
  await page.goto("/calibrate");
  await page.getByLabel("Test area").fill("250");
  await page.getByRole("button", { name: /2 Walk/ }).click();
  await page.clock.pauseAt(begins + 60_000);
  const errors: number[] = [];
  for (const seconds of [10, 17.3, 36, 61.77, 248]) {
    await page.keyboard.press("Space");
    await page.clock.fastForward(seconds * 1000);
    await page.keyboard.press("Space");
    const text = await page.getByRole("list", { name: "Walk tape" }).getByRole("listitem").last().textContent();
    errors.push(Math.abs(Number(/([\d.]+) s/.exec(text!)![1]) - seconds));
  }
  console.log(`stopwatch against a driven clock: worst error ${(Math.max(...errors) * 1000).toFixed(1)} ms`);
  expect(Math.max(...errors)).toBeLessThan(0.02);
});
