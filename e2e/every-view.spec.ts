import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { readFileSync } from "node:fs";
import { calibrated, expect, hasRead, inMix, rigInHand, slice, test, mixWhere } from "./fixtures";

/**
 * Each main view by itself, on the laptop and on the phone, light and dark: nothing that axe finds, nothing that runs over the
 * side of the screen. A view more is a line more here.
 */
test.use({ template: "town" });

const TOWN = readFileSync("demo/00-town.job.json", "utf8");
const BOWLING = { label: "Bowling green" };
const CLINGLINE = "Clingline (demo label)";
const TOLLGUARD = "Tollguard (demo label)";

interface View {
  readonly name: string;
  /** Brings the page there. @param made the id of the calibration in hand */
  readonly open: (page: Page, made: string) => Promise<void>;
  /** What follows on it, a step at a time, each looked at. */
  readonly then?: readonly View[];
}

const room = (path: string): View => ({ name: path, open: async (page) => void (await page.goto(path)) });

async function saveSheet(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Start mixing" }).click();
  await expect(page).toHaveURL(/\/mix\/sheet\?id=/);
}

const VIEWS: readonly View[] = [
  {
    name: "something went wrong",
    open: async (page) => {
      await page.goto("/rigs");
      await hasRead(page);
      await page.getByRole("button", { name: "Trouble" }).click();
    },
    then: [
      {
        name: "in the eyes",
        open: async (page) => {
          await page.getByRole("button", { name: "In the eyes" }).click();
          await page.getByLabel("Which product?").selectOption({ label: TOLLGUARD });
        },
      },
    ],
  },
  ...[
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
    "/crew",
    "/crew?id=new",
    "/rigs?id=new",
    "/sites?id=new",
    "/settings",
    "/all",
    "/log",
    "/log?id=new",
    "/log/looks",
    "/log/looks?id=new",
    "/log/incidents",
    "/log/incidents?id=new",
  ].map(room),
  { name: "the tag", open: async (page, made) => void (await page.goto(`/calibrate/tag?id=${made}`)) },
  { name: "a calibration on record", open: async (page, made) => void (await page.goto(`/calibrate/record?id=${made}`)) },
  {
    name: "a file that is looked at",
    open: async (page) => {
      await page.goto("/settings");
      await page.getByText("Time zone, currency, a copy to take away, all records out and in").click();
      const other = TOWN.replace("14,400 ft2", "9,900 ft2");
      expect(other).not.toBe(TOWN);
      const file = { name: "town.json", mimeType: "application/json", buffer: Buffer.from(other) };
      await page.getByLabel("Job file").setInputFiles(file);
      await expect(page.getByRole("region", { name: "What town.json would bring" })).toBeVisible();
      await page.evaluate(() => scrollTo(0, 0));
    },
  },
  {
    name: "a first mix",
    open: async (page) => {
      await page.goto("/mix/quick");
      for (const [field, text] of [
        ["A full tank holds", "4"],
        ["Plot you spray with water", "10 x 25"],
        ["Time to spray it", "62, 63"],
        ["Caught in the bucket", "33"],
        ["Label rate for 1,000 sq ft", "0.3 oz"],
        ["The lawn", "62 x 100"],
      ] as const)
        await page.getByLabel(field, { exact: true }).fill(text);
      await expect(page.getByRole("region", { name: "Load 1" })).toBeVisible();
      // What the strip lies over half of is no size of a target.
      await page.evaluate(() => scrollTo(0, 0));
    },
  },
  {
    ...room("/calibrate"),
    then: [
      {
        name: "walking",
        open: async (page) => {
          await page.getByRole("button", { name: "2 Walk" }).click();
          await page.getByLabel("or type a time").fill("62");
          await page.getByRole("button", { name: "Add" }).click();
        },
      },
      {
        name: "catching",
        open: async (page) => {
          await page.getByRole("button", { name: "3 Catch" }).click();
          await page.getByLabel("or type a catch").fill("33");
          await page.getByRole("button", { name: "Add" }).click();
        },
      },
      { name: "the result", open: (page) => page.getByRole("button", { name: "4 Result" }).click() },
    ],
  },
  {
    name: "/mix",
    open: async (page) => {
      await page.goto("/mix");
      await mixWhere(page);
      await page.getByLabel("Site", { exact: true }).selectOption(BOWLING);
      await inMix(page, CLINGLINE);
      await expect(page.getByRole("region", { name: /^Loads? 1/ })).toBeVisible();
    },
    then: [
      {
        name: "a sheet",
        open: async (page) => {
          await saveSheet(page);
          await expect(page.getByRole("region", { name: "Load 1" })).toBeVisible();
        },
      },
    ],
  },
  {
    name: "the day",
    open: async (page) => {
      await page.goto("/mix");
      await mixWhere(page);
      await page.getByLabel("Mix for").selectOption("day");
      await page.getByLabel("Add a stop").selectOption({ label: "School field" });
      await inMix(page, CLINGLINE);
      await expect(page.getByRole("list", { name: "Fills of the day" })).toBeVisible();
    },
    then: [
      {
        name: "the day's sheet",
        open: async (page) => {
          await saveSheet(page);
          await expect(page.getByRole("region", { name: "Stops" })).toBeVisible();
        },
      },
      {
        name: "pouring",
        open: async (page) => {
          await page.getByRole("link", { name: "Pour, step by step" }).click();
          await expect(page.getByRole("region", { name: "Step" })).toBeVisible();
        },
      },
    ],
  },
  {
    name: "a held plan",
    open: async (page) => {
      await page.goto("/mix");
      await mixWhere(page);
      await page.getByLabel("Site", { exact: true }).selectOption(BOWLING);
      await inMix(page, TOLLGUARD);
      await page.getByLabel(`Rate of ${TOLLGUARD}`).fill("16");
      await expect(page.getByText("Held: no amounts")).toBeVisible();
      await page.evaluate(() => scrollTo(0, 0));
    },
  },
  {
    name: "a card",
    open: async (page) => {
      await page.goto("/labels");
      await page.getByRole("button", { name: TOLLGUARD, exact: true }).click();
      await expect(page.getByRole("article", { name: `Card of ${TOLLGUARD}` })).toBeVisible();
    },
    then: [
      {
        name: "the label reader",
        open: async (page) => {
          await page.goto("/labels?id=new");
          await page.getByRole("button", { name: "Read it from the label's text" }).click();
          await page.getByLabel("Text of the label").fill("Apply 0.2 to 0.4 oz per 1,000 sq ft. Wear gloves.");
          await page.getByRole("button", { name: "Read it", exact: true }).click();
          await expect(page.getByText("2 found, 2 to look at.")).toBeVisible();
        },
      },
    ],
  },
];

/** What looks at a page, as it stands in the page itself. */
interface InPage {
  readonly run: (of: Document, options: object) => ReturnType<AxeBuilder["analyze"]>;
}

/** The whole page is looked at in one face; of the other one only what a face can change. */
async function wear(page: Page, colorScheme: "light" | "dark"): Promise<void> {
  await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
  await expect(page.locator("html")).toHaveClass(new RegExp(`\\b${colorScheme}\\b`));
}

async function look(page: Page, view: string): Promise<void> {
  // The pad has a heading of its own, which stands there before the room has read its records.
  await expect(page.getByRole("heading", { level: 1 }).first()).toBeVisible();
  await hasRead(page);
  // The page's own styles are read as they are: nothing is fetched for them once more.
  const cheaply = { preload: false, resultTypes: ["violations"] } satisfies Parameters<AxeBuilder["options"]>[0];
  const light = await new AxeBuilder({ page })
    .setLegacyMode()
    .options(cheaply)
    .withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa", "best-practice"])
    .analyze();
  await wear(page, "dark");
  // It stands in the page since.
  const dark = await page.evaluate(
    (options) => (window as unknown as { axe: InPage }).axe.run(document, { ...options, runOnly: ["color-contrast"] }),
    cheaply,
  );
  await wear(page, "light");
  const found = [...light.violations, ...dark.violations].map(
    ({ id, nodes }) => `${view}: ${id} ${nodes.slice(0, 3).map((node) => node.target.join(" ")).join(", ")}`, // prettier-ignore
  );
  expect.soft(found).toEqual([]);
  // Nothing runs over the side of the screen.
  const over = await page.evaluate(() =>
    document.documentElement.scrollWidth === innerWidth
      ? []
      : [...document.querySelectorAll("body *")]
          .filter((one) => one.getBoundingClientRect().right > innerWidth + 0.5)
          .map((one) => `${one.tagName} ${one.textContent.slice(0, 40)}`),
  );
  expect.soft([view, over]).toEqual([view, []]);
}

for (const [size, viewport] of [
  ["laptop", { width: 1280, height: 800 }],
  ["phone", { width: 390, height: 844 }],
] as const)
  test.describe(`on the ${size}`, () => {
    test.use({ viewport });
    for (const view of VIEWS)
      test([view, ...(view.then ?? [])].map(({ name }) => name).join(", then "), async ({ page }) => {
        await page.emulateMedia({ colorScheme: "light", reducedMotion: "reduce" });
        const hand = await rigInHand(page);
        await calibrated(page, hand);
        const made = (await slice(page.request, "inForce", { rig: hand.rigId, person: hand.personId }))!.entry.id;
        for (const { name, open } of [view, ...(view.then ?? [])]) {
          await open(page, made);
          await look(page, name);
        }
      });
  });
