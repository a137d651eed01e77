import { calibrated, expect, inMix, label, rigInHand, site, slice, test, wentDown, mixWhere } from "./fixtures";
import { daysAgo } from "./harness/clock";

/** What really happened: closing a sheet as it was, putting a wrong entry right, an inspector's questions. */

type Page = import("@playwright/test").Page;

async function sheetFor(page: Page, of: { readonly site: string; readonly product: string }): Promise<string> {
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: of.site });
  await inMix(page, of.product);
  await page.getByRole("button", { name: "Start mixing" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
  return new URL(page.url()).searchParams.get("id")!;
}

async function town(page: Page) {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const names = { site: "Slip lawn", product: "Osselgrain" };
  await site(page, names.site, "1000");
  await label(page, names.product, "dry", "0.3");
  return { hand, ...names };
}

test("ran out early: what really went down is told at once, kept through a reload, and counts", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  const one = await town(page);
  const id = await sheetFor(page, one);
  await page.getByRole("button", { name: "Ran out early" }).click();
  await page.getByLabel("Area covered").fill("800");
  const said = page.getByRole("region", { name: "Meant and applied" });
  await expect(said).toContainText("25 % heavy");
  await expect(said).toContainText("likely cause");
  await page.reload();
  await expect(page.getByLabel("Area covered")).toHaveValue(/^800/);
  await page.getByRole("button", { name: "Put on record as it was" }).click();
  await expect(page.getByText("On record as sprayed: it is in the log.")).toBeVisible();
  await expect(said).toContainText("25 % heavy");
  const sheet = await slice(page.request, "sheet", { id });
  expect(sheet.outcome).toHaveLength(1);
  await page.goto("/log");
  await page.getByLabel("Only this product").selectOption({ label: one.product });
  // 0.3 oz were meant for 1,000 sq ft and went down on 800: 0.375.
  await expect(page.getByRole("list", { name: "Applied" })).toContainText("0.375 oz per 1,000 sq ft");
  await page.getByRole("button", { name: /^Totals from / }).click();
  await expect(page.getByRole("region", { name: "Totals" })).toContainText(`${one.product}1 record0.3 oz`);
});

test("left over, and a second pass with it: the first passes are what to mix by next", async ({ page }) => {
  const one = await town(page);
  const id = await sheetFor(page, one);
  const { job } = await slice(page.request, "sheet", { id });
  expect(job.sites).toHaveLength(1);
  await page.getByRole("button", { name: "Entered per tank" }).click();
  await page.getByLabel("Left in the tank").fill("8 fl oz");
  const said = page.getByRole("region", { name: "Meant and applied" });
  await expect(said).toContainText("is left. It goes onto ground that its label allows");
  await page.getByLabel("A second pass with what was left").check();
  await expect(said).toContainText("a second pass went over ground that was covered");
  await expect(said).not.toContainText("is left. It goes");
  await page.getByRole("button", { name: "Put on record as it was" }).click();
  await expect(page.getByText("On record as sprayed: it is in the log.")).toBeVisible();
  const loads = await slice(page.request, "sheet", { id });
  expect(loads.outcome.map((entry) => entry.again ?? false)).toEqual([false, true]);
});

test("a wrong entry is put right a week later: both are shown, one counts, and the pages for an inspector say so", async ({
  page,
}) => {
  const one = await town(page);
  await page.goto("/log?id=new");
  await page.getByLabel("Site", { exact: true }).selectOption({ label: one.site });
  await page.getByLabel("Product", { exact: true }).selectOption({ label: one.product });
  await page.getByLabel("Amount").fill("3 oz");
  await page.getByText("Times, weather, what it was against").click();
  await page.getByLabel("Began").fill("07:40");
  await page.getByLabel("Wind", { exact: true }).fill("brisk");
  await expect(page.getByText("Write e.g. 4 mph")).toBeVisible();
  await page.getByLabel("Wind", { exact: true }).fill("4");
  await page.getByRole("button", { name: "Put on record" }).click();
  await page.getByLabel("Only this product").selectOption({ label: one.product });
  const list = page.getByRole("list", { name: "Applied" });
  await expect(list).toContainText("from 07:40 · wind 4 mph");
  await list.getByRole("button", { name: /^Correct / }).click();
  const correct = page.getByRole("form", { name: "Correct a record" });
  await correct.getByLabel("Amount").fill("0.3 oz");
  await correct.getByLabel("Why", { exact: true }).fill("a slip of the point");
  await correct.getByLabel("Note").fill("read off the pad again");
  await correct.getByRole("button", { name: "Save the correction" }).click();
  await expect(list).toContainText("corrects an earlier record");
  await expect(list.getByText(/\bcorrected$/)).toBeVisible();
  const [pages] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "Pages for an inspector" }).click(),
  ]);
  expect(pages.suggestedFilename()).toMatch(/\.pdf$/);
  const [json] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "As JSON" }).click()]);
  const { readFileSync } = await import("node:fs");
  const file = JSON.parse(readFileSync((await json.path())!, "utf8")) as {
    records: { corrected: boolean; facts: { wind: string } }[];
    chain: { broken: null; outside: number; digest: string };
  };
  expect(file.records.map((record) => record.corrected).sort()).toEqual([false, true]);
  // What was told of wind and time stays with the correction.
  expect(file.records.map((record) => record.facts.wind)).toEqual(["4 mph", "4 mph"]);
  // Rows that other tests put in beside the app stand in no place of it.
  expect(file.chain).toMatchObject({ broken: null });
});

test("a restricted-use product: what the record would lack is said before it is mixed, and ends when it is noted", async ({
  page,
}) => {
  const one = await town(page);
  await page.goto("/labels");
  await page.getByRole("button", { name: one.product, exact: true }).click();
  await page.getByRole("button", { name: "Change this card" }).click();
  await page.getByText("What it is", { exact: true }).click();
  await page.getByLabel("Who may buy it").selectOption("restricted use");
  await page.getByLabel("Registration number").fill("DEMO-190");
  await page.getByRole("button", { name: "Save the change" }).click();
  // Who leaves before it is saved takes a draft along, and no label.
  await expect(page.getByRole("article", { name: `Card of ${one.product}` })).toBeVisible();
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: one.site });
  await inMix(page, one.product);
  const notice = page.getByText(/is for restricted use: missing of what the law asks for/);
  await expect(notice).toContainText("certificate number");
  const { value: people } = (await (await page.request.get("/api/read/people")).json()) as {
    value: { id: string; name: string }[];
  };
  const person = people.find((p) => p.id === one.hand.personId)!;
  await page.goto("/crew");
  await page.getByRole("button", { name: person.name, exact: true }).click();
  await page.getByText("Certificates, covers, fits").click();
  await page.getByRole("button", { name: "Add a paper" }).click();
  await page.getByLabel("Number").fill("FT-2201");
  await page.getByLabel("Holds until").fill("2099-01-01");
  await page.getByRole("button", { name: "Save the change" }).click();
  await expect(page.getByText("certificate FT-2201, until 2099-01-01")).toBeVisible();
  await page.goto("/mix");
  await expect(notice).toContainText("the crop or site");
  await expect(notice).not.toContainText("certificate number");
});

test("a needless repeat is asked about: what went down last week may still work", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const name = "Slow lawn";
  const siteId = await site(page, name, "1000");
  const product = "Wherry";
  const labelId = await label(page, product, "dry", "0.3", { visible: "after 14 days" });
  await wentDown(page, siteId, labelId, "0.3 oz", daysAgo(7));
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: name });
  await inMix(page, product);
  await expect(page.getByText(/its label says not to judge it before .*: is a repeat needed\?/)).toBeVisible();
});

test("scouted on the phone with a photo, judged when its effect can be seen: photo beside photo, and the bench asks no more", async ({
  page,
  expectErrors,
}) => {
  expectErrors(/409|422/);
  await page.setViewportSize({ width: 390, height: 844 });
  await rigInHand(page);
  const name = "Look lawn";
  const siteId = await site(page, name, "1000");
  const product = "Wherry";
  const labelId = await label(page, product, "dry", "0.3", { visible: "after 10 days", suppresses: "nutsedge" });
  // A photo as a camera would give it: drawn here, larger than what is kept.
  const drawn = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [3000, 2000];
    canvas.getContext("2d")!.fillRect(500, 500, 900, 900);
    return canvas.toDataURL("image/png").split(",")[1]!;
  });
  const photo = { name: "lawn.png", mimeType: "image/png", buffer: Buffer.from(drawn, "base64") };
  await page.goto("/log/looks?id=new");
  await page.getByLabel("Site", { exact: true }).selectOption({ label: name });
  await page.getByLabel("Zone").selectOption({ label: "zone 1" });
  await page.getByLabel("Looked at on").fill(daysAgo(20));
  await page.getByLabel("Of the ground it covers").fill("30");
  await page.getByLabel("A photo").setInputFiles({ name: "note.txt", mimeType: "text/plain", buffer: Buffer.from("x") });
  await expect(page.getByText("note.txt is no picture that this browser can read")).toBeVisible();
  await page.getByLabel("A photo").setInputFiles(photo);
  await expect(page.getByAltText("Photo 1, not saved yet")).toBeVisible();
  await page.getByRole("button", { name: "Put on record what was seen" }).click();
  await expect(page.getByLabel("What stands there")).toHaveAccessibleDescription(/target/);
  await page.reload();
  await page.getByLabel("What stands there").fill("nutsedge");
  await expect(page.getByAltText("Photo 1, not saved yet")).toBeVisible();
  await page.getByRole("button", { name: "Put on record what was seen" }).click();
  const seen = page.getByRole("list", { name: "What was seen" });
  await page.getByLabel("Only this site").selectOption({ label: name });
  await expect(seen).toContainText("nutsedge · cover 30 %");
  // The photo follows its look: the server makes it anew.
  const photos = async () => (await slice(page.request, "looks", { site: siteId })).rows[0]!.photos;
  await expect.poll(async () => (await photos()).length).toBe(1);
  const bytes = await (await page.request.get(`/api/looks/photo/${(await photos())[0]!}`)).body();
  expect([...bytes.subarray(0, 3)]).toEqual([0xff, 0xd8, 0xff]);
  expect(bytes.length).toBeLessThan(400_000);
  await wentDown(page, siteId, labelId, "0.3 oz", daysAgo(15));
  await page.goto("/");
  const due = page.getByRole("region", { name: "To look at" });
  const row = due.locator("div", { hasText: name }).last();
  await expect(row).toContainText(product);
  const asked = await slice(page.request, "toLookAt", {});
  const { recordId } = asked.find((one) => one.siteId === siteId)!;
  await page.goto(`/log/looks?record=${recordId}`);
  await expect(page.getByText("The label promises to hold back nutsedge, not to control it")).toBeVisible();
  await page.getByLabel("Looked at on").fill(daysAgo(8));
  await expect(page.getByText(/Don't judge before/)).toBeVisible();
  await page.getByLabel("Looked at on").fill(daysAgo(0));
  await expect(page.getByText(/Don't judge before/)).toBeHidden();
  await page.getByLabel("Control: how much of it is gone").fill("80");
  await page.getByLabel("A photo").setInputFiles(photo);
  await expect(page.getByAltText("Photo 1, not saved yet")).toBeVisible();
  await page.getByRole("button", { name: "Put the result on record" }).click();
  await expect(page).toHaveURL(/\/log\/looks$/);
  await page.getByLabel("Only this site").selectOption({ label: name });
  await expect(page.getByAltText(`${name}, zone 1, before, photo 1`)).toBeVisible();
  await expect(page.getByAltText(`${name}, zone 1, after, photo 1`)).toBeVisible();
  expect((await slice(page.request, "toLookAt", {})).filter((one) => one.siteId === siteId)).toEqual([]);
  await page.goto("/log");
  await page.getByLabel("Only this site").selectOption({ label: name });
  const [client] = await Promise.all([
    page.waitForEvent("download"),
    page.getByRole("button", { name: "A page for the client" }).click(),
  ]);
  expect(client.suggestedFilename()).toBe(`${name}.pdf`);
});
