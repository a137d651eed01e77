import { calibrated, expect, inMix, kept, label, rigInHand, slice, test, mixWhere, toKnow } from "./fixtures";

/** Where areas come from: a tape, a map, a walk with the phone. */

test("a lawn from tape to mix: drawn while it is typed, kept through a reload, as sure as the tape is", async ({ page }) => {
  const hand = await rigInHand(page);
  await calibrated(page, hand);
  const name = "Tape lawn";
  const product = "Osselgrain";
  await label(page, product, "dry", "0.3");
  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).last().fill(name);
  await page.getByRole("button", { name: "Measure it: tape, strides, a plan" }).click();
  const measuring = page.getByRole("region", { name: /^Measuring/ });
  await measuring.getByLabel("Measured with").selectOption("strides");
  await measuring.getByLabel("One stride").fill("30 in");
  await measuring.getByLabel("Length").fill("24");
  await measuring.getByLabel("Width").fill("20 oz");
  await expect(measuring.getByText(/unit of another kind/)).toBeVisible();
  await page.reload();
  await page.getByRole("button", { name: "Measure it: tape, strides, a plan" }).click();
  await expect(measuring.getByLabel("Length")).toHaveValue(/^24/);
  await measuring.getByLabel("Width").fill("20");
  await expect(measuring.getByRole("img", { name: "The ground, to scale" })).toBeVisible();
  // 24 and 20 strides of 2.5 ft: 60 by 50 ft; less a circle of 12 ft across.
  await expect(measuring).toContainText("3,000 sq ft ±8 %");
  await measuring.getByRole("button", { name: "Subtract a bed" }).click();
  await measuring.getByRole("combobox", { name: /^Shape 1/ }).selectOption("circle");
  await measuring.getByLabel("Across").fill("12 ft");
  await expect(measuring).toContainText("2,887 sq ft");
  await expect(measuring.getByRole("list", { name: "How it was worked out" })).toContainText("60 ft × 50 ft = 3,000 sq ft");
  await measuring.getByRole("button", { name: "Use this area" }).click();
  await expect(page.getByLabel("Area")).toHaveValue("2,887 ft2");
  await page.getByText("Children, pets, bees; gate and tap; who waters; notes").click();
  await page.getByLabel("Kids, pets, bees").fill("bees along the hedge");
  await page.getByRole("button", { name: "Add site" }).click();
  await expect(page.getByRole("list", { name: /site/i }).first()).toContainText(name);
  const [kept] = (await slice(page.request, "sites", { search: name })).rows;
  expect(kept!.site.zones[0]).toMatchObject({ area: "2,887 ft2", measurement: { by: "strides", stride: "30 in" } });
  await page.goto("/mix");
  await mixWhere(page);
  await page.getByLabel("Site", { exact: true }).selectOption({ label: name });
  await inMix(page, product);
  await toKnow(page);
  await expect(page.getByText(/The ground of .* was measured by strides, ±8 %: up to .* may be left, or lacking/)).toBeVisible();
  await expect(page.getByText(`${name}: bees along the hedge.`)).toBeVisible();
  // Typed over, it is no longer measured; what it was stays on record.
  await page.goto("/sites");
  await page.getByLabel("Search the sites").fill(name.slice(0, 9));
  await page.getByRole("button", { name: name, exact: true }).click();
  await expect(page.getByText("Measured by strides, ±8 %.", { exact: false })).toBeVisible();
  await page.getByLabel("Area").fill("3,100");
  await page.getByRole("button", { name: "Save the change" }).click();
  await expect(page.getByText(`Saved ${name}`)).toBeVisible();
  await page.getByRole("button", { name: name, exact: true }).click();
  await expect(page.getByText(/^Before: 2,887 sq ft by strides until /)).toBeVisible();
});

const RING = [
  [-74, 40],
  [-73.9996, 40],
  [-73.9996, 40.0003],
  [-74, 40.0003],
] as const;
const bed = [
  [-73.9999, 40.0001],
  [-73.9998, 40.0001],
  [-73.9998, 40.0002],
  [-73.9999, 40.0001],
];

test("a map with a lawn and a bed: the bed is cut out, the plan shows it, and it goes out as it came", async ({ page }) => {
  await rigInHand(page);
  const name = "Map lawn";
  const feature = (of: string, ring: readonly unknown[]) => ({
    type: "Feature",
    properties: { name: of },
    geometry: { type: "Polygon", coordinates: [ring] },
  });
  const map = { type: "FeatureCollection", features: [feature("front", [...RING, RING[0]]), feature("bed", bed)] };
  const file = (content: object | string) => ({
    name: "map.geojson",
    mimeType: "application/json",
    buffer: Buffer.from(typeof content === "string" ? content : JSON.stringify(content)),
  });
  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).last().fill(name);
  await page.getByRole("button", { name: "Bring zones from a map or a walk" }).click();
  const region = page.getByRole("region", { name: "From a map" });
  const swapped = { type: "Polygon", coordinates: [[...RING, RING[0]].map(([x, y]) => [y, x! - 60])] };
  await page.getByLabel("Map file").setInputFiles(file(swapped));
  await expect(region.getByText(/longitude stands first, are the two swapped\?/).first()).toBeVisible();
  await page.getByLabel("Map file").setInputFiles(file(`<!DOCTYPE gpx [<!ENTITY a "b">]><gpx/>`));
  await expect(region.getByText(/document type or entities/)).toBeVisible();
  await page.getByLabel("Map file").setInputFiles(file(map));
  await expect(region.getByRole("button", { name: "Take 2 zones" })).toBeVisible();
  // The bed lies on the front: ground that would be counted twice, until it is cut out.
  await expect(region.getByText(/Zones lie on one another: front and bed by [\d,]+ sq ft/)).toBeVisible();
  await region.getByRole("combobox", { name: "It is of bed" }).selectOption({ label: "cut out of front" });
  await expect(region.getByText(/Zones lie on one another/)).toHaveCount(0);
  await region.getByRole("button", { name: "Take it as a zone" }).click();
  await page.getByRole("button", { name: "Add site" }).click();
  await page.getByLabel("Search the sites").fill(name.slice(0, 8));
  await page.getByRole("button", { name: name, exact: true }).click();
  await expect(page.getByRole("img", { name: `${name} from above, north up` })).toBeVisible();
  const [out] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "Save as GeoJSON" }).click()]);
  const { readFileSync } = await import("node:fs");
  const again = JSON.parse(readFileSync((await out.path())!, "utf8")) as {
    features: { geometry: { coordinates: unknown[][] } }[];
  };
  expect(again.features[0]!.geometry.coordinates[0]).toEqual([[...RING, RING[0]], bed]);
});

test("a map with faults: each is drawn, what may be kept is offered, a corner is dragged; the gate tells the order; two sites become one", async ({
  page,
}) => {
  await rigInHand(page);
  const name = "Fault lawn";
  const near = (dx: number, dy: number) => RING.map(([lon, lat]) => [lon + dx, lat + dy]);
  const feature = (of: string, ring: readonly unknown[]) => ({
    type: "Feature",
    properties: { name: of },
    geometry: { type: "Polygon", coordinates: [ring] },
  });
  const [a, b, c, d] = near(0, -0.001);
  const features = [feature("front", [...RING, RING[0]]), feature("open", near(0, 0.001)), feature("bow tie", [a, c, b, d, a])];
  const map = {
    name: "map.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify({ type: "FeatureCollection", features })),
  };
  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).last().fill(name);
  await page.getByRole("button", { name: "Bring zones from a map or a walk" }).click();
  await page.getByLabel("Map file").setInputFiles(map);
  const region = page.getByRole("region", { name: "From a map" });
  await expect(region.getByRole("img", { name: "Where the fault is" })).toHaveCount(2);
  await region.getByRole("button", { name: /^Keep it, closed by a straight line: 12,\d{3} sq ft$/ }).click();
  await region.getByRole("button", { name: /^Keep the larger loop of it: / }).click();
  await expect(region.getByRole("img", { name: "Where the fault is" })).toHaveCount(0);
  await region.getByLabel("Name of 2").fill("back");
  await region.getByRole("checkbox").nth(2).uncheck();
  // A corner of the front is drawn out: the area follows.
  const area = async () => Number.parseInt((await region.getByRole("group").first().textContent())!.match(/([\d,]+) sq ft/)![1]!.replace(",", ""), 10); // prettier-ignore
  const before = await area();
  const plan = region.getByRole("img", { name: "What was found, north up" });
  await plan.scrollIntoViewIfNeeded();
  const handle = (await plan.locator("circle").first().boundingBox())!;
  const [x, y] = [handle.x + handle.width / 2, handle.y + handle.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x - 12, y, { steps: 4 });
  await page.mouse.up();
  expect(await area()).toBeGreaterThan(before);
  await region.getByRole("button", { name: "Take 2 zones" }).click();
  await page.getByRole("button", { name: "Add site" }).click();
  await expect(page.getByText(`Added ${name}`)).toBeVisible();
  await page.getByLabel("Search the sites").fill(name.slice(0, 9));
  await page.getByRole("button", { name: name, exact: true }).click();
  // The gate south of the front lawn: the back is done first.
  const from = page.getByRole("img", { name: `${name} from above, north up` });
  await expect(from).toContainText("1 front");
  await page.getByRole("button", { name: "Mark the gate" }).click();
  const box = (await from.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height - 8);
  await expect(from).toContainText("2 front");
  await expect(from).toContainText("1 back");
  await page.getByRole("button", { name: "Save the change" }).click();
  await expect(page.getByText(`Saved ${name}`)).toBeVisible();
  const found = async (of: string) => (await slice(page.request, "sites", { search: of })).rows[0];
  expect((await found(name))!.site.entrance).toMatch(/^(39\.99|40\.000)\d*, -7\d/);
  // The same customer was entered before, under another name.
  const twin = "Twin lawn";
  const form = {
    name: twin,
    zones: [
      { name: "front", area: "12000" },
      { name: "strip", area: "300" },
    ],
  };
  await kept(page.request, "sites", form);
  await page.goto("/sites");
  await page.getByLabel("Search the sites").fill(name.slice(0, 9));
  await page.getByRole("button", { name: name, exact: true }).click();
  await page.getByText(`Another site is the same as ${name}`).click();
  await page.getByLabel("The other site").selectOption({ label: twin });
  const one = page.getByRole("button", { name: "Make them one site" });
  await expect(one).toBeDisabled();
  await page.getByLabel("strip, 300 sq ft").selectOption({ label: "it comes as a zone of its own" });
  // The two fronts are of different sizes: why they are one is asked.
  await page.getByLabel("Why are they one ground?").fill("one of them was paced");
  await one.click();
  await expect.poll(async () => (await found(name))!.site.zones.map((zone) => zone.name)).toEqual(["front", "back", "strip"]);
  expect(await found(twin)).toBeUndefined();
});

test("a walked perimeter on the phone: fixes that can't be right are told, a tape is advised, the lawn is kept", async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await rigInHand(page);
  const name = "Walk lawn";
  await page.goto("/sites?id=new");
  await page.getByLabel("Site", { exact: true }).last().fill(name);
  await page.getByRole("button", { name: "Bring zones from a map or a walk" }).click();
  const walk = page.getByRole("region", { name: "Walk around it" });
  await walk.getByRole("button", { name: "A simulated walk" }).click();
  await expect(walk).toContainText("2 left out");
  await expect(walk).toContainText(/8\d fixes/);
  await walk.getByRole("button", { name: "Back at start" }).click();
  const region = page.getByRole("region", { name: "From a map" });
  await expect(region).toContainText("points of jitter left out");
  await expect(region).toContainText("A lawn of this size is measured better with a tape.");
  await region.getByRole("button", { name: "Take it as a zone" }).click();
  await page.getByRole("button", { name: "Add site" }).click();
  await expect(page.getByText(`Added ${name}`)).toBeVisible();
  const [kept] = (await slice(page.request, "sites", { search: name })).rows;
  expect(kept!.site.zones[0]).toMatchObject({ name: "lawn", measurement: { by: "walk" } });
  const area = Number.parseFloat(kept!.site.zones[0]!.area.replace(",", ""));
  expect(area / 6458).toBeGreaterThan(0.85);
  expect(area / 6458).toBeLessThan(1.15);
});

test("a thousand sites from a table with twelve faults: each told at its line, mended all come in, and the same file brings nothing", async ({
  page,
}) => {
  await rigInHand(page);
  const town = "Row";
  const line = (i: number) => `${town} lawn ${String(i).padStart(4, "0")},front,"${1000 + i}",ryegrass,Osselby`;
  const good = Array.from({ length: 1000 }, (_, i) => line(i));
  const wrong = new Map<number, string>([
    [3, `,front,1000,,`],
    [40, `${town} a,front,,,`],
    [77, `${town} b,front,5 oz,,`],
    [120, `${town} c,front,12.5.1,,`],
    [200, `${town} d,front,-4,,`],
    [310, `${town} lawn 0002,front,900,,`],
    [400, `${town} e,front,many,,`],
    [512, `${town} f,front,0,,`],
    [640, `,back,1200,,`],
    [700, `${town} g,front,5 gal,,`],
    [801, `${town} h,front,6 furlongs,,`],
    [999, `${town} i,front,"1,00",,`],
  ]);
  const table = (lines: readonly string[]) => `Property,Lawn,Area (sq ft),Grass,County\n${lines.join("\n")}\n`;
  const file = (content: string) => ({ name: "round.csv", mimeType: "text/csv", buffer: Buffer.from(content) });
  await page.goto("/sites");
  const input = page.getByLabel("Sites as CSV");
  // A column that nobody knows by its heading is asked about, and remembered.
  const heading = "Route";
  const odd = `Property,${heading},Area\n${town} odd,7,900\n`;
  await input.setInputFiles(file(odd));
  await expect(page.getByRole("button", { name: "Bring it in", exact: true })).toHaveCount(0);
  await page.getByLabel(heading, { exact: true }).selectOption({ label: "passed over" });
  await page.getByLabel("Areas that have no unit are in").selectOption({ label: "m²" });
  await page.getByRole("button", { name: "Go on" }).click();
  await page.getByRole("button", { name: "Bring it in", exact: true }).click();
  await expect(page.getByText(`round.csv: site ${town} odd added.`)).toBeVisible();
  expect((await slice(page.request, "sites", { search: `${town} odd` })).rows[0]!.site.zones[0]!.area).toBe("900 m2");
  await input.setInputFiles(file(odd));
  await expect(page.getByLabel(heading, { exact: true })).toHaveCount(1);
  await expect(page.getByLabel("Areas that have no unit are in")).toBeVisible();
  await input.setInputFiles(file(table(good.map((text, i) => wrong.get(i) ?? text))));
  const told = page.getByText(/line \d+\.(site|area|zone): /);
  await expect(told.first()).toBeVisible({ timeout: 60_000 });
  expect(await told.count()).toBe(12);
  await expect(page.getByText("line 5.site: missing", { exact: false })).toBeVisible();
  expect((await slice(page.request, "sites", { search: town })).rows).toHaveLength(1);
  await input.setInputFiles(file(table(good)));
  await expect(page.getByRole("region", { name: "What round.csv would bring" })).toBeVisible({ timeout: 120_000 });
  await page.getByRole("button", { name: "Bring it in", exact: true }).click();
  await expect(page.getByText("round.csv: 1,000 sites added.")).toBeVisible({ timeout: 120_000 });
  await page.getByText("By turf, local rules, area, or how long nothing went down").click();
  await page.getByLabel("Under the rules of").fill("Elsewhere");
  await expect(page.getByText("There is no such site.")).toBeVisible();
  await page.getByLabel("Under the rules of").fill("osselby");
  await expect(page.getByText(`${town} lawn 0000`).first()).toBeVisible();
  await page.getByLabel("Under the rules of").fill("");
  await input.setInputFiles(file(table(good)));
  await expect(page.getByText(/nothing new in it/).first()).toBeVisible({ timeout: 120_000 });
});
