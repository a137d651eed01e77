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
