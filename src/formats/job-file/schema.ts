import { RIG_KINDS } from "@/core/calibration/evidence";
import { FORMS } from "@/core/labels/label-rate";
import { LOAD_MODES } from "@/core/mixing/loads";
import { choice, date, list, object, q, quantity, text, whole, type Schema } from "../schema-parts";

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

const RIG = object(["kind"], {
  name: text(),
  kind: choice(RIG_KINDS),
  tanks: list(object(["usable"], { name: text(), usable: q("volume"), leastMix: q("volume") }), 1, 20),
  outlets: object([], { count: whole(500), spacing: q("length") }),
  tip: object([], { size: { type: "string", pattern: "^\\d{2,4}$" }, pressure: q("pressure") }),
  head: HEAD,
});

const CALIBRATION = object([], {
  sprayVolume: q("sprayVolume"),
  pace: PACE,
  flow: FLOW,
  used: { oneOf: [trial, list(trial)] },
  target: q("sprayVolume"),
  tolerance: q("share"),
});

const PRODUCT = object(["name", "form", "rate"], {
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
});

const APPLIED = object(["of", "active", "amount", "date"], {
  of: text(),
  active: text(),
  fraction: q("share"),
  strength: q("activeStrength"),
  amount: rate,
  date,
});

const SITE = object(["name", "zones"], {
  name: text(),
  zones: list(object(["area"], { name: text(), area: q("area"), applied: list(APPLIED, 0) })),
});

const OUTCOME = object(["site", "load", "left", "covered"], {
  site: text(),
  load: whole(2000),
  left: quantity(["volume"], true),
  covered: q("area"),
  again: { type: "boolean" },
  mixed: q("volume"),
  time: q("time"),
});

export const JOB_FILE_SCHEMA: Schema = {
  $schema: "https://json-schema.org/draft/2020-12/schema",
  title: "Careful Gauge job file, version 1",
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
  ...object(["format", "version"], {
    format: { const: "careful-gauge-job" },
    version: { const: 1 },
    rig: RIG,
    calibration: CALIBRATION,
    products: list(PRODUCT, 1, 50),
    sites: list(SITE),
    tank: text(),
    date,
    loads: choice(LOAD_MODES),
    run: choice(["day"]),
    outcome: list(OUTCOME, 1, 4000),
  }),
};
