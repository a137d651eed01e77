import * as yup from "yup";
import { GROUNDS } from "@/core/calibration/evidence";
import { LEVERS } from "@/core/calibration/levers";
import type { Issue } from "@/core/issue";
import { FORMS, RATE_KINDS, type LabelRate } from "@/core/labels/label-rate";
import { WATER_FIRST } from "@/core/mixing/column";
import { LOAD_MODES, MOST_LOADS } from "@/core/mixing/loads";
import { isSpread } from "@/core/mixing/pouring-order";
import type { Kind } from "@/core/quantity/kinds";
import { parseAs } from "@/core/quantity/parse";
import { FIELDS, type Field } from "@/core/quantity/ranges";
import { withinRate } from "../forms/rate";
import {
  byKey,
  choice,
  date,
  exact,
  fault,
  faultsIn,
  flag,
  list,
  matching,
  needed,
  number,
  object,
  place,
  quantity,
  text,
  within,
} from "./shape-parts";
import { typeName } from "./shown";
import { WATERS } from "./types";
import { isVersion1 } from "./versions";
import { METHOD_IDS } from "@/core/calibration/method-ids";
import { RIG_KINDS } from "@/rig-kinds/rules";

/**
 * The shape of a job file in both of its versions, for Yup. What version 2 has beside the keys of the first stands under
 * `MORE`; in version 1 the same stood under private keys, which are passed over here. The words of a fault are made elsewhere, in one place. What depends on two places at
 * once (a liquid with a weight) is checked in `read-checked.ts`.
 */

const exampleOf: Partial<Record<Kind, string>> = {
  area: `"250 ft2"`,
  volume: `"33 fl oz"`,
  time: `"62 s"`,
  length: `"5 ft"`,
  speed: `"3 mph"`,
  share: `"40 %"`,
};
const q = (field: Field) => needed(within(field), exampleOf[FIELDS[field].kind] ?? "");
const opt = (kind: Kind) => quantity([kind]);
const times = needed(list(q("walkTime"), 1, "time", 500), `["61 s", "63 s", "62 s"]`);

const PACE: Record<string, yup.ObjectShape> = {
  "timed-area": { area: q("testArea"), times },
  "timed-run": { distance: q("course"), swath: within("swath"), times },
  speed: { speed: q("speed"), swath: within("swath") },
};

const FLOW: Record<string, yup.ObjectShape> = {
  "timed-catch": {
    catches: needed(
      list(exact({ volume: q("catchVolume"), time: q("catchTime") }), 1, "catch", 500),
      `[{ "volume": "33 fl oz", "time": "62 s" }]`,
    ),
  },
  "outlet-catches": { time: q("catchTime"), volumes: needed(list(q("catchVolume"), 1, "volume", 500), `["12 fl oz"]`) },
  "metered-flow": { readings: list(q("meterFlow"), 1, "reading", 500), whole: within("meterFlow") },
  "tip-chart": {},
};

const USED = exact({
  area: q("testArea"),
  start: within("left"),
  remaining: within("left", { zero: true }),
  topUp: within("left"),
});

const CALIBRATION = {
  sprayVolume: within("sprayVolume"),
  pace: yup.lazy((value: unknown) => (value === undefined ? yup.mixed() : byKey("kind", PACE).resolve({ value }))),
  flow: yup.lazy((value: unknown) => (value === undefined ? yup.mixed() : byKey("kind", FLOW).resolve({ value }))),
  used: yup.lazy((value: unknown) => (Array.isArray(value) ? list(USED, 1, "trial", 500) : USED)),
  target: within("sprayVolume"),
  tolerance: opt("share"),
};

/** A rate in its kind, and in that kind's range. */
const rate = () =>
  quantity(RATE_KINDS).test("rate", function (value) {
    if (value === undefined) return true;
    const read = parseAs<(typeof RATE_KINDS)[number]>(value, RATE_KINDS, { path: this.path });
    if (!read.ok) return true;
    const inside = withinRate(read.value as LabelRate, this.path);
    return inside.ok || fault(this, inside.issues[0]!);
  });
const amount = () => quantity(["mass", "volume"]);
const days = () => matching(/^\d{1,4} days?$/, "not-a-number", `"35 days"`);
const currency = () => matching(/^[A-Z]{3}$/, "not-a-choice", "USD, EUR or another ISO 4217 code");

const PRODUCT = {
  name: needed(text(), `"Demo granule"`),
  form: needed(choice(FORMS), `"dry" or "liquid"`),
  formulation: text(40),
  rate: needed(rate(), `"0.3 oz/1000 ft2"`),
  gallonCovers: within("zoneArea"),
  labelRange: list(rate(), 2, "rate", 2),
  actives: list(
    exact({ name: needed(text(), `"demo active"`), fraction: opt("share"), strength: opt("activeStrength") }),
    1,
    "active",
  ),
  limits: exact({
    perApplication: rate(),
    perYear: rate(),
    yearKind: choice(["calendar", "rolling"]),
    applicationsPerYear: number(true, 366),
    intervalAtLeast: days(),
  }),
  carrierAtLeast: opt("sprayVolume"),
  dilutionAtLeast: opt("dilution"),
  price: exact({
    amount: needed(number(false, 1e9), "64"),
    currency: needed(currency(), `"USD"`),
    per: needed(amount(), `"80 oz"`),
  }),
};

const APPLIED = {
  of: needed(text(), `"Other granule"`),
  active: needed(text(), `"demo active"`),
  fraction: opt("share"),
  strength: opt("activeStrength"),
  amount: needed(rate(), `"1.5 oz/1000 ft2"`),
  date: needed(date(), `"2026-04-14"`),
};

const ZONE = { name: text(), area: q("zoneArea") };

const JAR = exact({ product: q("jarVolume"), water: q("jarVolume") });

const HEAD = byKey("kind", {
  metered: { feed: needed(within("feed"), `"2 fl oz/min"`), jar: JAR },
  dial: { setting: needed(within("dial"), `"2 fl oz/gal"`), jar: JAR },
});

const TIP = {
  size: matching(/^\d{2,4}$/, "not-a-choice", "a size in tenths of a gallon a minute, such as 025"),
  pressure: within("pressure"),
};

const RIG = {
  name: text(),
  kind: needed(choice(RIG_KINDS), RIG_KINDS.map((k) => `"${k}"`).join(", ")),
  tanks: list(exact({ name: text(), usable: needed(within("usable"), `"4 gal"`), leastMix: within("leastMix") }), 1, "tank", 20),
  outlets: exact({ count: number(true, 500), spacing: within("spacing") }),
  head: yup.lazy((value: unknown) => (value === undefined ? yup.mixed() : HEAD.resolve({ value }))),
};

/** Passes that are told at once (ours): two for each of the most loads of a day. */
const MOST_PASSES = 4000;

/** What became of a load. "0 gal" left is a reading too. */
const OUTCOME = {
  site: needed(text(), `"Ferry green"`),
  load: needed(number(true, MOST_LOADS), "1"),
  left: needed(within("left", { zero: true }), `"0.5 gal", or "0 gal"`),
  covered: needed(within("zoneArea"), `"3500 ft2"`),
  again: flag(),
  mixed: within("left"),
  time: within("loadTime"),
};

/** Words that are shown as they are: as long as a form of ours takes. */
const words = () => text(4000);

/** What version 2 has beside. */
const MORE = {
  calibration: {
    graduation: within("graduation"),
    specificGravity: within("gravity"),
    swath: within("swath"),
    ownTimes: flag(),
    repeatability: object("what practice found of how a person's walks scatter"),
    labelRate: within("volumeRate"),
    record: exact({
      person: text(60),
      madeAt: text(40),
      method: choice(METHOD_IDS),
      footing: choice(GROUNDS),
      adjusts: exact({ lever: needed(choice(LEVERS), `"pressure"`), setTo: needed(text(60), `"46 psi"`) }),
    }),
  },
  product: { id: text(), label: object("a label as the app writes it"), rateChoice: object("how the rate was chosen") },
  applied: {
    id: text(),
    specificGravity: within("gravity"),
    planned: flag(),
    poured: flag(),
    alsoOn: date(),
    activeUnknown: flag(),
  },
  zone: {
    id: text(),
    continues: text(),
    turf: text(),
    seededOn: date(),
    soddedOn: date(),
    seedingOn: date(),
    soddingOn: date(),
    irrigationRate: within("irrigation"),
    footing: choice(GROUNDS),
    mowingHeight: within("mowing"),
    mowedOn: date(),
    measurement: object("how the area was measured, as the app writes it"),
    measuredBy: text(),
    spot: exact({ volume: within("left"), zoneArea: within("zoneArea") }),
  },
  site: {
    id: text(),
    jurisdiction: text(),
    precautions: words(),
    access: words(),
    notes: words(),
    irrigatedBy: choice(WATERS),
    entrance: place(),
    waterSource: exact({ fill: flag(), flow: within("tapFlow"), position: place() }),
  },
  rig: { id: text(), setup: object("a rig's set-up as the app writes it") },
  tip: { chart: object("the chart of a tip as the app writes it") },
  outcome: { zones: object(`{ "front": "2000 ft2" }`) },
  file: {
    priorOrder: choice(["any"]),
    overage: within("overage"),
    nominalSprayVolume: within("sprayVolume"),
    oneLoadLess: flag(),
    fillOrder: choice(WATER_FIRST),
  },
} satisfies Record<string, yup.ObjectShape>;

/** @param whole it has a rig and a calibration */
function jobShape(version: 1 | 2, whole: boolean) {
  const shape = (fields: yup.ObjectShape, part: keyof typeof MORE) =>
    exact(version === 1 ? fields : { ...fields, ...MORE[part] });
  const rig = shape({ ...RIG, tip: shape(TIP, "tip") }, "rig");
  const calibration = shape(CALIBRATION, "calibration");
  const zone = shape({ ...ZONE, applied: list(shape(APPLIED, "applied"), 0, "application") }, "zone");
  const site = shape({ name: needed(text(), `"Ferry green"`), zones: needed(list(zone, 1, "zone"), `[{ "area": "6200 ft2" }]`) }, "site"); // prettier-ignore
  return shape(
    {
      format: needed(choice(["careful-gauge-job"]), `"careful-gauge-job"`),
      version: needed(choice([1, 2]), "2"),
      rig: whole ? needed(rig, `{ "kind": "backpack", … }`) : rig,
      calibration: whole ? needed(calibration, `{ "sprayVolume": "2 gal/1000 ft2" }`) : calibration,
      products: list(shape(PRODUCT, "product"), 1, "product", 50),
      sites: list(needed(site, "a site"), 1, "site"),
      tank: text(),
      date: date(),
      loads: choice(LOAD_MODES),
      run: choice(["day"]),
      outcome: list(shape(OUTCOME, "outcome"), 1, "entry", MOST_PASSES),
    },
    "file",
  );
}

/** Granules that are spread dry need neither a rig nor its calibration. */
const SHAPES = {
  1: { job: jobShape(1, true), spread: jobShape(1, false) },
  2: { job: jobShape(2, true), spread: jobShape(2, false) },
};

/** Whether a file holds nothing but granules that are spread dry. */
export function onlySpread(file: unknown): boolean {
  const products = (file as { products?: unknown } | null)?.products;
  return (
    Array.isArray(products) &&
    products.length > 0 &&
    products.every((p: { form?: unknown; formulation?: unknown } | null) => {
      const { form, formulation } = p ?? {};
      return form === "dry" && typeof formulation === "string" && isSpread({ form, formulation });
    })
  );
}

/**
 * Every fault in the shape of a job file, in the order of the file.
 * @param spread it may do without a rig: it holds nothing but granules that are spread dry
 */
export function shapeFaults(file: unknown, spread = false): Issue[] {
  if (typeof file !== "object" || file === null || Array.isArray(file))
    return [{ path: "", code: "wrong-type", received: typeName(file), expected: "an object (the job file)" }];
  return faultsIn(SHAPES[isVersion1(file) ? 1 : 2][spread ? "spread" : "job"], file);
}
