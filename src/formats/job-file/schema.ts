import { GROUNDS } from "@/core/calibration/evidence";
import { LEVERS } from "@/core/calibration/levers";
import { FORMS } from "@/core/labels/label-rate";
import { WATER_FIRST } from "@/core/mixing/column";
import { LOAD_MODES } from "@/core/mixing/loads";
import { choice, date, list, object, q, quantity, text, whole, type Schema } from "../schema-parts";
import { WATERS } from "./types";
import { METHOD_IDS } from "@/core/calibration/method-ids";
import { RIG_KINDS } from "@/rig-kinds/rules";

/**
 * The job file as a JSON Schema (draft 2020-12), made from the same catalogue of units that reads it. `docs/` holds it as
 * a file; a test keeps that file and this in step, and another holds it against the validation. What two places make
 * wrong together (a weight on a liquid, a swath that is missing) no schema says: the validation does.
 */
const rate = quantity(["rateByWeight", "rateByVolume", "strengthByWeight", "strengthByVolume"]);

const trial = object(["area"], {
  area: q("area"),
  start: q("volume"),
  remaining: quantity(["volume"], true),
  topUp: q("volume"),
});

const PACE: Schema = {
  oneOf: [
    object(["kind", "area", "times"], { kind: { const: "timed-area" }, area: q("area"), times: list(q("time")) }),
    object(["kind", "distance", "times"], {
      kind: { const: "timed-run" },
      distance: q("length"),
      swath: q("length"),
      times: list(q("time")),
    }),
    object(["kind", "speed"], { kind: { const: "speed" }, speed: q("speed"), swath: q("length") }),
  ],
};

const FLOW: Schema = {
  oneOf: [
    object(["kind", "catches"], {
      kind: { const: "timed-catch" },
      catches: list(object(["volume", "time"], { volume: q("volume"), time: q("time") })),
    }),
    object(["kind", "time", "volumes"], { kind: { const: "outlet-catches" }, time: q("time"), volumes: list(q("volume")) }),
    object(["kind"], { kind: { const: "metered-flow" }, readings: list(q("flow")), whole: q("flow") }),
    object(["kind"], { kind: { const: "tip-chart" } }),
  ],
};

const JAR = object(["product", "water"], { product: q("volume"), water: q("volume") });

const HEAD: Schema = {
  oneOf: [
    object(["kind", "feed"], { kind: { const: "metered" }, feed: q("flow"), jar: JAR }),
    object(["kind", "setting"], {
      kind: { const: "dial" },
      setting: q("strengthByVolume"),
      jar: JAR,
    }),
  ],
};

const TIP = { size: { type: "string", pattern: "^\\d{2,4}$" }, pressure: q("pressure") };

const RIG = {
  name: text(),
  kind: choice(RIG_KINDS),
  tanks: list(object(["usable"], { name: text(), usable: q("volume"), leastMix: q("volume") }), 1, 20),
  outlets: object([], { count: whole(500), spacing: q("length") }),
  head: HEAD,
};

const CALIBRATION = {
  sprayVolume: q("sprayVolume"),
  pace: PACE,
  flow: FLOW,
  used: { oneOf: [trial, list(trial)] },
  target: q("sprayVolume"),
  tolerance: q("share"),
};

const PRODUCT = {
  name: text(),
  form: choice(FORMS),
  formulation: text(40),
  rate,
  gallonCovers: q("area"),
  labelRange: list(rate, 2, 2),
  actives: list(object(["name"], { name: text(), fraction: q("share"), strength: q("activeStrength") })),
  limits: object([], {
    perApplication: rate,
    perYear: rate,
    yearKind: choice(["calendar", "rolling"]),
    applicationsPerYear: whole(366),
    intervalAtLeast: { type: "string", pattern: "^\\d{1,4} days?$" },
  }),
  carrierAtLeast: q("sprayVolume"),
  dilutionAtLeast: q("dilution"),
  price: object(["amount", "currency", "per"], {
    amount: { type: "number", exclusiveMinimum: 0, maximum: 1e9 },
    currency: { type: "string", pattern: "^[A-Z]{3}$" },
    per: quantity(["mass", "volume"]),
  }),
};

const APPLIED = {
  of: text(),
  active: text(),
  fraction: q("share"),
  strength: q("activeStrength"),
  amount: rate,
  date,
};

const ZONE = { name: text(), area: q("area") };

const OUTCOME = {
  site: text(),
  load: whole(2000),
  left: quantity(["volume"], true),
  covered: q("area"),
  again: { type: "boolean" },
  mixed: q("volume"),
  time: q("time"),
};

const flag: Schema = { type: "boolean" };
/** A part that no schema looks into: whoever reads it does. */
const part: Schema = { type: "object" };
const position: Schema = { type: "string" };
const words = text(4000);

/** What version 2 has beside; in version 1 it stood under keys that begin with x-, which no schema looks at. */
const MORE = {
  calibration: {
    graduation: quantity(["volume"]),
    specificGravity: q("gravity"),
    swath: q("length"),
    ownTimes: flag,
    repeatability: part,
    labelRate: q("rateByVolume"),
    record: object([], {
      person: text(60),
      madeAt: text(40),
      method: choice(METHOD_IDS),
      footing: choice(GROUNDS),
      adjusts: object(["lever", "setTo"], { lever: choice(LEVERS), setTo: text(60) }),
    }),
  },
  product: { id: text(), label: part, rateChoice: part },
  applied: { id: text(), specificGravity: q("gravity"), planned: flag, poured: flag, alsoOn: date, activeUnknown: flag },
  zone: {
    id: text(),
    continues: text(),
    turf: text(),
    seededOn: date,
    soddedOn: date,
    seedingOn: date,
    soddingOn: date,
    irrigationRate: q("precipitation"),
    footing: choice(GROUNDS),
    mowingHeight: q("length"),
    mowedOn: date,
    measurement: part,
    measuredBy: text(),
    spot: object([], { volume: q("volume"), zoneArea: q("area") }),
  },
  site: {
    id: text(),
    jurisdiction: text(),
    precautions: words,
    access: words,
    notes: words,
    irrigatedBy: choice(WATERS),
    entrance: position,
    waterSource: object([], { fill: flag, flow: q("flow"), position }),
  },
  rig: { id: text(), setup: part },
  tip: { chart: part },
  outcome: { zones: part },
  file: {
    priorOrder: choice(["any"]),
    overage: q("share"),
    nominalSprayVolume: q("sprayVolume"),
    oneLoadLess: flag,
    fillOrder: choice(WATER_FIRST),
  },
} satisfies Record<string, Readonly<Record<string, Schema>>>;

/** The schema of a version of the job file: what is written is version 2, and version 1 is read for ever. */
export function jobFileSchema(version: 1 | 2): Schema {
  const shape = (required: readonly string[], own: Readonly<Record<string, Schema>>, of: keyof typeof MORE) =>
    object(required, version === 1 ? own : { ...own, ...MORE[of] });
  const applied = shape(["of", "active", "amount", "date"], APPLIED, "applied");
  const zone = shape(["area"], { ...ZONE, applied: list(applied, 0) }, "zone");
  return {
    $schema: "https://json-schema.org/draft/2020-12/schema",
    title: `Careful Gauge job file, version ${version}`,
    description: "A quantity is a number (from 0.000000001 to 1,000,000,000,000), a space and a unit. See job-file.md.",
    // Granules that are spread dry need neither a rig nor its calibration.
    anyOf: [
      { required: ["rig", "calibration"] },
      {
        required: ["products"],
        properties: {
          products: {
            items: { required: ["formulation"], properties: { form: { const: "dry" }, formulation: { pattern: "^[gG]$" } } },
          },
        },
      },
    ],
    ...shape(
      ["format", "version"],
      {
        format: { const: "careful-gauge-job" },
        version: { const: version },
        rig: shape(["kind"], { ...RIG, tip: shape([], TIP, "tip") }, "rig"),
        calibration: shape([], CALIBRATION, "calibration"),
        products: list(shape(["name", "form", "rate"], PRODUCT, "product"), 1, 50),
        sites: list(shape(["name", "zones"], { name: text(), zones: list(zone) }, "site")),
        tank: text(),
        date,
        loads: choice(LOAD_MODES),
        run: choice(["day"]),
        outcome: list(shape(["site", "load", "left", "covered"], OUTCOME, "outcome"), 1, 4000),
      },
      "file",
    ),
  };
}
