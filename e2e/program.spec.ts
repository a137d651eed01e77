import { expect, fresh, label, rigInHand, site, slice, test, wentDown } from "./fixtures";

test("a program of two halves: faults are told, a reload keeps what was typed, the bench says what is due, what went down is done", async ({
  page,
  expectErrors,
}) => {
  // What the server refuses is told by its status.
  expectErrors(/422/);
  await rigInHand(page);
  const product = fresh("Halfgrain");
  const lawn = fresh("Program lawn");
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
  const today = (await slice(page.request, "due", {})).date;
  await wentDown(page, siteId, labelId, "0.3 oz", today);
  const counts = async () => (await slice(page.request, "due", {})).rounds.map((round) => round.counts);
  await expect.poll(async () => (await counts())[0]!.done).toBe(1);
  expect((await counts())[1]!["too-early"]).toBe(1);
  // The program is the firm's: what other tests see is none again.
  await page.request.post("/api/settings/program", { data: { rounds: [], soil: [] } });
});
