import type { Page } from "@playwright/test";
import { expect, kept, label, rigInHand, site, slice, test, wentDown, mixWhere, mixProducts } from "./fixtures";
import { today } from "./harness/clock";

test("a program of two halves: faults are told, a reload keeps what was typed, the bench says what is due, what went down is done", async ({
  page,
  expectErrors,
}) => {
  // What the server refuses is told by its status.
  expectErrors(/409|422/);
  await rigInHand(page);
  const product = "Halfgrain";
  const lawn = "Program lawn";
  const labelId = await label(page, product, "dry", "0.3");
  const siteId = await site(page, lawn, "3,500");
  await page.goto("/sites/program");
  await page.getByRole("button", { name: "Add a round" }).click();
  const first = page.getByRole("group", { name: "Round 1" });
  await first.getByLabel("Round 1").fill("first half");
  await first.getByLabel("Product").selectOption({ label: product });
  await first.getByLabel("Opens").selectOption({ label: "a day of the year" });
  await first.getByLabel("on", { exact: true }).fill("1 January");
  await page.getByRole("button", { name: "Add a round" }).click();
  const second = page.getByRole("group", { name: "Round 2" });
  await second.getByLabel("Round 2").fill("second half");
  await second.getByLabel("Product").selectOption({ label: product });
  await second.getByLabel("After the round").selectOption({ label: "first half" });
  await second.getByLabel("at least").fill("35");
  await page.getByRole("button", { name: "Save the program" }).click();
  await expect(page.getByText(/first half, opens: /)).toBeVisible();
  await page.reload();
  await expect(first.getByLabel("on", { exact: true })).toHaveValue("1 January");
  await first.getByLabel("on", { exact: true }).fill("01-01");
  await page.getByRole("button", { name: "Save the program" }).click();
  const due = page.getByRole("region", { name: "Due today" });
  await expect(due).toContainText(`first half · ${product}`);
  await page.goto("/");
  await expect(due).toContainText(/second half · .* · 0 due · [\d,]+ wait for the round before/);
  await wentDown(page, siteId, labelId, "0.3 oz/1000 ft2", today());
  const counts = async () => (await slice(page.request, "due", {})).rounds.map((round) => round.counts);
  await expect.poll(async () => (await counts())[0]!.done).toBe(1);
  expect((await counts())[1]!["too-early"]).toBe(1);
});

const program = (page: Page, rounds: readonly object[]) =>
  page.request.post("/api/settings/program", {
    data: { rounds, soil: [], work: { perDay: "10000 ac", days: [0, 1, 2, 3, 4, 5, 6] } },
  });

test("a season moved by a cold spring: a round is moved by keys, the spring with one press, and both are taken back", async ({
  page,
}) => {
  const next = Number(today().slice(0, 4)) + 1;
  await rigInHand(page);
  const product = "Springgrain";
  const lawn = "Spring lawn";
  const labelId = await label(page, product, "dry", "0.3");
  const siteId = await site(page, lawn, "3,500");
  await program(page, [
    { name: "spring", label: labelId, rate: "0.3 oz/1000 ft2", opens: { date: "03-02" }, closes: { date: "05-15" } },
    { name: "feed", label: labelId, opens: { date: "04-06" }, closes: { date: "04-30" } },
  ]);
  await page.goto(`/sites/program/year?site=${siteId}`);
  await page.getByRole("button", { name: "Next year" }).click();
  const spring = page.getByRole("slider", { name: "spring" });
  await expect(spring).toHaveAttribute("aria-valuetext", `spring: 2 Mar ${next}`);
  await spring.focus();
  await page.keyboard.press("PageUp");
  await page.keyboard.press("ArrowRight");
  await expect(spring).toHaveAttribute("aria-valuetext", `spring: 10 Mar ${next}`);
  await page.keyboard.press("Enter");
  await expect(page.getByText("✓ Moved")).toBeVisible();
  await expect(page.getByText("10 Mar, fixed")).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Next year" }).click();
  await expect(page.getByText("10 Mar, fixed")).toBeVisible();
  await page.getByRole("button", { name: "Undo what was moved last" }).click();
  await expect(page.getByText("10 Mar, fixed")).toBeHidden();

  await page.goto("/sites/program/year");
  await page.getByRole("button", { name: "Next year" }).click();
  const late = page.getByRole("region", { name: "A late season" });
  await late.getByLabel("Days later").fill("28");
  await expect(late.getByRole("button", { name: "Move them", exact: true })).toBeDisabled();
  for (const round of await late.getByRole("checkbox").all()) await round.check();
  await late.getByRole("button", { name: "Move them", exact: true }).click();
  // The feed has closed when it would open, on every lawn.
  await expect(page.getByText(/What fits no more: .*feed: after it closes/)).toBeVisible();
  await expect(page.getByText(/28 days later than usual/).first()).toBeVisible();
  await page.getByRole("button", { name: "Undo what was moved last" }).click();
  await expect(page.getByText(/28 days later than usual/)).toHaveCount(0);

  await page.getByRole("button", { name: "Let a calendar fetch it" }).click();
  await expect(page.getByText(/The address for your calendar: http.*\/api\/calendar/)).toBeVisible();
  const calendar = await page.request.get(`/api/calendar?site=${siteId}`);
  expect(calendar.headers()["content-type"]).toContain("text/calendar");
  expect(await calendar.text()).toMatch(/^BEGIN:VCALENDAR\r\n[\s\S]*END:VCALENDAR/);
});

test("a storm after granules: what is owed stands on the bench, too much water is told, and a wrong reading is struck", async ({
  page,
}) => {
  await rigInHand(page);
  const product = "Stormgrain";
  const lawn = "Storm lawn";
  const labelId = await label(page, product, "dry", "0.3", { waterLeast: "0.25 in", waterMost: "0.5 in", waterWithin: "48 h" });
  const siteId = await site(page, lawn, "3,500");
  await wentDown(page, siteId, labelId, "1 oz", today());
  await page.goto("/");
  const after = page.getByRole("region", { name: "After the work" });
  await expect(after).toContainText(`${lawn} · ${product}`);
  await after.getByText("Rain or watering that was measured").click();
  await after.getByLabel("Where").selectOption({ label: lawn });
  await after.getByLabel("How much").fill("1.4");
  await after.getByRole("button", { name: "Keep it" }).click();
  await expect(after).toContainText("It got 1.4 in, at most 0.5 in was allowed");
  await after.getByRole("button", { name: "it was none" }).first().click();
  await expect(after).not.toContainText("It got 1.4 in");
});

test("packages that came are on hand with their lot, a fault stands at its field, and a lot that is called back finds its lawns", async ({
  page,
  expectErrors,
}) => {
  expectErrors(/409|422/);
  await rigInHand(page);
  const product = "Shelfgrain";
  const lawn = "Shelf lawn";
  const labelId = await label(page, product, "dry", "0.3");
  const siteId = await site(page, lawn, "3,500");
  await page.goto(`/labels/shelf?product=${labelId}`);
  const came = page.getByRole("region", { name: "Packages that came" });
  await came.getByLabel("A package holds").fill("10 lb");
  await came.getByRole("button", { name: "Keep it" }).click();
  await expect(came.getByText(/missing, write e\.g\. "L-4471"/i)).toBeVisible();
  await came.getByLabel("Lot").fill("SG-12");
  await came.getByLabel("How many").fill("2");
  await page.reload();
  await expect(came.getByLabel("Lot")).toHaveValue("SG-12");
  await came.getByRole("button", { name: "Keep it" }).click();
  const row = page.getByRole("list", { name: "Products" }).getByRole("listitem").filter({ hasText: product }).first();
  await expect(row).toContainText("20 lb on hand");
  await wentDown(page, siteId, labelId, "4 lb", today());
  await page.reload();
  await expect(row).toContainText("16 lb on hand");
  const back = page.getByRole("region", { name: "A lot called back" });
  await back.getByLabel("Product of the lot").selectOption({ label: product });
  await back.getByLabel("Lot that is called back").fill("sg-12");
  await expect(back).toContainText(`It may have gone down, no lot is noted, on 1 lawn:${lawn}`);
});

test("what is laid out for today goes from Today into the mix of a day, with its stops, its rate, and without other turf", async ({
  page,
}) => {
  await rigInHand(page);
  const product = "Todaygrain";
  const lawn = "Today lawn";
  const labelId = await label(page, product, "dry", "0.3");
  const turf = "ryegrass";
  const zones = [
    { name: "front", area: "2000", turf },
    { name: "rough", area: "9000", turf: "fescue" },
  ];
  await kept(page.request, "sites", { name: lawn, zones });
  await program(page, [{ name: "today's", label: labelId, rate: "0.25 oz/1000 ft2", turf }]);
  await page.goto("/");
  const work = page.getByRole("region", { name: "Scheduled today" });
  await expect(work).toContainText(lawn);
  // 2,000 sq ft of the front alone.
  await expect(work).toContainText(`${product} 0.5 oz`);
  await work.getByRole("button", { name: "Mix today's for its lawn" }).click();
  await expect(page.getByRole("heading", { name: "Mix for the day, 1 stop" })).toBeVisible();
  await mixWhere(page);
  await expect(page.getByRole("list", { name: "Stops" })).toContainText(lawn);
  await mixProducts(page);
  await expect(page.getByLabel(`Rate of ${product}`)).toHaveValue("0.25 oz/1000 ft2");
  await expect(page.getByRole("list", { name: "Stops" })).toContainText("2,000 sq ft");
});
