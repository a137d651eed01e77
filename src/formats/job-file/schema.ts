import { RIG_KINDS } from "@/core/calibration/evidence";
import { FORMS } from "@/core/labels/label-rate";
import { LOAD_MODES } from "@/core/mixing/loads";
import type { Kind } from "@/core/quantity/kinds";
import { NUMBER_PATTERN } from "@/core/quantity/parse";
import { unitsOf } from "@/core/quantity/unit";
import { SHAPES, type Dimension } from "@/core/quantity/units";

/**
 * The job file as a JSON Schema (draft 2020-12), made from the same catalogue of units that reads it. `docs/` holds it as
 * a file; a test keeps that file and this in step, and another holds it against the validation. What two places make
 * wrong together (a weight on a liquid, a swath that is missing) no schema says: the validation does.
 */
type Schema = Readonly<Record<string, unknown>>;

const escaped = (text: string) => text.replace(/[/]/g, "\\/");
const oneOf = (names: readonly string[]) => `(?:${names.map(escaped).join("|")})`;

/** Units as they may be written: `fl_oz` beside `fl oz`. */
const names = (dimension: string) =>
  unitsOf(dimension as Dimension).flatMap((id) => (id === "fl oz" ? ["fl oz", "fl_oz"] : [id]));

/** The pattern of a kind's units: a unit, or one over another with a count. */
function unitPattern(kind: Kind): string {
  const [over, under] = SHAPES[kind].split("/") as [string, string?];
  if (over === "%") return "%";
  if (under === undefined) return oneOf(names(over));
  const counted = `(?:(?:\\d{1,3}(?:,\\d{3})+|[1-9]\\d{0,8}) )?`;
  const pattern = `${oneOf(names(over))} ?\\/ ?${counted}${oneOf(names(under))}`;
  return kind === "strengthByVolume" ? `(?:${pattern}|%v\\/v)` : pattern;
}

const CLOCK = "\\d{1,4}:[0-5]\\d(?:\\.\\d{1,3})?";

/** A quantity of one of several kinds: a number above zero, a space, a unit. */
function quantity(kinds: readonly Kind[], zero = false): Schema {
  if (kinds[0] === "dilution") return { type: "string", pattern: "^\\d+(?:\\.\\d+)? ?: ?1$" };
  const units = kinds.map(unitPattern).join("|");
  const written = `${zero ? "" : "(?![0.,]+ )"}(?:${NUMBER_PATTERN}) (?:${units})`;
  return {
    type: "string",
    maxLength: 120,
    pattern: kinds.includes("time") ? `^(?:${written}|(?!0+:00(?:\\.0+)?$)${CLOCK})$` : `^${written}$`,
  };
}

function object(required: readonly string[], properties: Readonly<Record<string, Schema>>): Schema {
  return { type: "object", required, properties, patternProperties: { "^x-": {} }, additionalProperties: false };
}

const list = (items: Schema, minItems = 1, maxItems = 5000): Schema => ({ type: "array", items, minItems, maxItems });
const choice = (values: readonly (string | number)[]): Schema => ({ enum: values });
const text = (maxLength = 200): Schema => ({ type: "string", pattern: "\\S", maxLength });
const whole = (maximum: number): Schema => ({ type: "integer", minimum: 1, maximum });
const date: Schema = { type: "string", pattern: "^\\d{4}-\\d{2}-\\d{2}$" };
const rate = quantity(["rateByWeight", "rateByVolume", "strengthByWeight", "strengthByVolume"]);
const q = (kind: Kind) => quantity([kind]);

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
