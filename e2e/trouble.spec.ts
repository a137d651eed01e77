import { expect, hasRead, label, test } from "./fixtures";

test.use({ viewport: { width: 390, height: 844 } });

test("something went wrong: at one press, by the keyboard too, with the card and the firm's numbers, while the server is gone", async ({
  page,
  context,
  expectErrors,
}) => {
  expectErrors(/ERR_INTERNET_DISCONNECTED|Failed to load resource|Failed to fetch/);
  const card = { signalWord: "danger", firstAid: "Rinse the eye for 20 minutes.", emergency: "Ferry infirmary, 000 555 0142" };
  await label(page, "Harbour dust", "dry", "0.3 oz/1000 ft2", card);
  await page.goto("/");
  await page.getByText("Time zone, currency, a copy to take away, all records out and in").click();
  const numbers = page.getByRole("form", { name: "Numbers to call" });
  await numbers.getByLabel("Poison centre").fill("the infirmary");
  await numbers.getByRole("button", { name: "Save the numbers" }).click();
  await expect(numbers.getByLabel("Poison centre")).toHaveAttribute("aria-invalid", "true");
  await numbers.getByLabel("Poison centre").fill("000 555 0100");
  await numbers.getByRole("button", { name: "Save the numbers" }).click();
  await expect(numbers.getByRole("status")).toHaveText("Saved.");

  await page.goto("/mix");
  await hasRead(page);
  await context.setOffline(true);
  await page.getByRole("button", { name: "Trouble" }).focus();
  await page.keyboard.press("Enter");
  const trouble = page.getByRole("dialog", { name: "Something went wrong" });
  await trouble.getByRole("button", { name: "In the eyes" }).click();
  await trouble.getByLabel("Which product?").selectOption({ label: "Harbour dust" });
  await expect(trouble).toContainText("DANGER. Rinse the eye for 20 minutes.");
  await expect(trouble.getByRole("listitem").first()).toContainText("rinse slowly with clean water");
  await expect(trouble.getByRole("link", { name: "000 555 0100" })).toHaveAttribute("href", "tel:0005550100");
  await expect(trouble.getByRole("link", { name: "Ferry infirmary, 000 555 0142" })).toHaveAttribute("href", "tel:0005550142");
  await expect(trouble).toContainText("No number is noted for: Emergency.");
  await page.keyboard.press("Escape");
  await expect(trouble).toBeHidden();
  await context.setOffline(false);
});

test("when it is over it goes on record: the case and the product are there, what was typed stays through a reload, told anew it stands once", async ({
  page,
  expectErrors,
}) => {
  expectErrors(/status of 422/);
  await label(page, "Quay prill", "dry", "0.3 oz/1000 ft2");
  await page.goto("/log");
  await hasRead(page);
  await page.getByRole("button", { name: "Trouble" }).click();
  const trouble = page.getByRole("dialog", { name: "Something went wrong" });
  await trouble.getByRole("button", { name: "In the eyes" }).click();
  await trouble.getByLabel("Which product?").selectOption({ label: "Quay prill" });
  await trouble.getByRole("button", { name: "When it is over: put it on record" }).click();
  const form = trouble.getByRole("region", { name: "Put it on record" });
  await form.getByLabel("How much of it").fill("a splash");
  await form.getByRole("button", { name: "Put it on record" }).click();
  await expect(form.getByLabel("What happened")).toHaveAttribute("aria-invalid", "true");
  await expect(form.getByLabel("How much of it")).toHaveValue("a splash");
  await page.goto("/log/incidents?id=new");
  const here = page.getByRole("region", { name: "Put it on record" });
  await expect(here.getByLabel("What it was")).toHaveValue("eyes");
  await expect(here.getByLabel("How much of it")).toHaveValue("a splash");
  await here.getByLabel("What happened").fill("The wand kicked.");
  await here.getByLabel("Who was told, and when").fill("The office, at once.");
  await here.getByRole("button", { name: "Put it on record" }).click();
  await expect(page.getByRole("status").filter({ hasText: "It is on record." })).toBeVisible();
  const list = page.getByRole("list", { name: "What went wrong" });
  const mine = list.getByRole("listitem").filter({ hasText: "Quay prill" });
  await expect(mine).toHaveCount(1);
  await expect(mine).toContainText("Told: The office, at once.");
  await mine.getByRole("button", { name: "Tell it anew" }).click();
  await expect(here.getByLabel("What happened")).toHaveValue("The wand kicked.");
  await here.getByLabel("What was done").fill("Rinsed for 20 minutes.");
  await here.getByRole("button", { name: "Put it on record anew" }).click();
  await expect(mine).toContainText("Done: Rinsed for 20 minutes.");
  await expect(mine).toHaveCount(1);
  await expect(mine).toContainText("told anew");
});
