import type { Issue } from "@/core/issue";
import { parseField, type Field } from "@/core/quantity/ranges";

/**
 * The two versions of the job file, as one table: what stood under a private `x-` key in version 1 has a name in version 2.
 * Version 1 is read for ever: files that were handed on, and every calibration and mix sheet that was recorded with it, which
 * are never written anew. The keys that version 1 named itself are the same in both.
 */
type PartName = "file" | "rig" | "calibration" | "product" | "site" | "zone" | "applied" | "outcome";

/** A key of version 1, the place in version 2 (within the same part, dots lead into it), and the value there where it is another. */
type Renamed = readonly [key: string, place: string, value?: (was: unknown) => unknown];

type Keys = Record<string, unknown>;
const isKeys = (value: unknown): value is Keys => typeof value === "object" && value !== null && !Array.isArray(value);

/**
 * A private key that can't be read was passed over, as somebody else's; where nothing else would refuse it, it stays behind.
 */
const readAs =
  (field: Field) =>
  (was: unknown): unknown =>
    parseField(field, was).ok ? was : undefined;
const partOnly = (was: unknown): unknown => (isKeys(was) ? was : undefined);
const textOnly = (was: unknown): unknown => (typeof was === "string" && was.trim() !== "" ? was : undefined);

export const RENAMED: Readonly<Record<PartName, readonly Renamed[]>> = {
  file: [
    ["x-any-order", "priorOrder", (was) => (was === true ? "any" : undefined)],
    ["x-overage", "overage"],
    ["x-mixed-for", "nominalSprayVolume"],
    ["x-one-less", "oneLoadLess"],
    ["x-water-first", "fillOrder"],
    ["x-person", "calibration.record.person"],
    ["x-made-at", "calibration.record.madeAt"],
    ["x-method", "calibration.record.method"],
    ["x-ground", "calibration.record.footing"],
    ["x-lever", "calibration.record.adjusts", leverOf],
  ],
  rig: [
    ["x-id", "id", textOnly],
    ["x-setup", "setup"],
    ["x-chart", "tip.chart", partOnly],
  ],
  calibration: [
    ["x-graduation", "graduation", readAs("graduation")],
    ["x-gravity", "specificGravity", readAs("gravity")],
    ["x-practice", "repeatability", partOnly],
    ["x-swath", "swath", readAs("swath")],
    ["x-own-time", "ownTimes", (was) => (was === true ? true : undefined)],
    ["x-rate", "labelRate", readAs("volumeRate")],
  ],
  product: [
    ["x-id", "id"],
    ["x-label", "label"],
    ["x-choice", "rateChoice"],
  ],
  site: [
    ["x-id", "id"],
    ["x-jurisdiction", "jurisdiction"],
    ["x-minding", "precautions"],
    ["x-access", "access"],
    ["x-notes", "notes"],
    ["x-waters", "irrigatedBy"],
    ["x-gate", "entrance"],
    ["x-water", "waterSource.fill"],
    ["x-tap-flow", "waterSource.flow"],
    ["x-tap", "waterSource.position"],
  ],
  zone: [
    ["x-id", "id"],
    ["x-ground", "continues"],
    ["x-turf", "turf"],
    ["x-seeded", "seededOn"],
    ["x-sodded", "soddedOn"],
    ["x-seeding", "seedingOn"],
    ["x-sodding", "soddingOn"],
    ["x-irrigation", "irrigationRate"],
    ["x-lies", "footing"],
    ["x-height", "mowingHeight"],
    ["x-mowed", "mowedOn"],
    ["x-measured", "measurement"],
    ["x-measured-by", "measuredBy"],
    ["x-spot", "spot.volume"],
    ["x-whole", "spot.zoneArea"],
  ],
  applied: [
    ["x-id", "id"],
    ["x-gravity", "specificGravity"],
    ["x-planned", "planned"],
    ["x-poured", "poured"],
    ["x-also-on", "alsoOn"],
    ["x-unknown", "activeUnknown"],
  ],
  outcome: [["x-zones", "zones"]],
};

function leverOf(was: unknown): unknown {
  if (!isKeys(was)) return was;
  const { name, ...rest } = was;
  return { lever: name, ...rest };
}

/** A part by its new names, in the order of its keys; what leads into another part comes last, and waits for that part to be one. */
function renamed(part: unknown, as: PartName): unknown {
  if (!isKeys(part)) return part;
  const table = new Map(RENAMED[as].map((one) => [one[0], one]));
  const inside: Renamed[] = [];
  const made: Keys = Object.fromEntries(
    Object.entries(part).flatMap(([key, value]): [string, unknown][] => {
      const to = table.get(key);
      if (!to) return [[key, value]];
      if (to[1].includes(".")) {
        inside.push(to);
        return [];
      }
      const now = to[2] ? to[2](value) : value;
      return now === undefined ? [] : [[to[1], now]];
    }),
  );
  for (const [key, place, value] of inside) {
    const now = value ? value(part[key]) : part[key];
    if (now === undefined) continue;
    const path = place.split(".");
    const last = path.pop()!;
    let at: Keys | undefined = made;
    for (const [i, step] of path.entries()) {
      // A file without a calibration has no place for who made it: the key stays, and is passed over as before.
      if (at[step] === undefined && (as !== "file" || i > 0)) at[step] = {};
      else if (isKeys(at[step])) at[step] = { ...at[step] };
      else {
        at = undefined;
        break;
      }
      at = at[step] as Keys;
    }
    if (at) at[last] = now;
    else made[key] = part[key];
  }
  return made;
}

const each = (list: unknown, one: (item: unknown) => unknown): unknown => (Array.isArray(list) ? list.map(one) : list);

/** Whether something is a job file of the first version. */
export const isVersion1 = (file: unknown): boolean => isKeys(file) && file.version === 1;

/** A job file of version 1 → the same in version 2. What has another shape than it should is left as it is. */
export function fromVersion1(file: unknown): unknown {
  if (!isKeys(file)) return file;
  const zone = (one: unknown) => {
    const made = renamed(one, "zone");
    return isKeys(made) && made.applied !== undefined
      ? { ...made, applied: each(made.applied, (entry) => renamed(entry, "applied")) }
      : made;
  };
  const site = (one: unknown) => {
    const made = renamed(one, "site");
    return isKeys(made) && made.zones !== undefined ? { ...made, zones: each(made.zones, zone) } : made;
  };
  const parts: Readonly<Record<string, (part: unknown) => unknown>> = {
    version: () => 2,
    rig: (one) => renamed(one, "rig"),
    calibration: (one) => renamed(one, "calibration"),
    products: (list) => each(list, (one) => renamed(one, "product")),
    sites: (list) => each(list, site),
    outcome: (list) => each(list, (one) => renamed(one, "outcome")),
  };
  // In version 1 a day's refills were placed only where the file said so.
  const placed = file.run === "day" && file["x-places"] === undefined ? { "x-places": false } : {};
  return renamed(
    Object.fromEntries(
      Object.entries({ ...file, ...placed }).map(([key, part]) => [key, Object.hasOwn(parts, key) ? parts[key]!(part) : part]),
    ),
    "file",
  );
}

/** An entry of what became of a load, as it was kept under either version. */
export const outcomeEntry = (entry: unknown): unknown => renamed(entry, "outcome");

/** Where a place of version 2 is in a file of version 1. */
const PARTS: readonly (readonly [RegExp, PartName])[] = [
  [/^sites\[\d+\]\.zones\[\d+\]\.applied\[\d+\]\./, "applied"],
  [/^sites\[\d+\]\.zones\[\d+\]\./, "zone"],
  [/^sites\[\d+\]\./, "site"],
  [/^products\[\d+\]\./, "product"],
  [/^outcome\[\d+\]\./, "outcome"],
  [/^rig\./, "rig"],
  [/^(?=calibration\.record\.)/, "file"],
  [/^calibration\./, "calibration"],
  [/^/, "file"],
];

function placeInVersion1(place: string): string {
  const [start, part] = PARTS.find(([pattern]) => pattern.test(place))!;
  const head = start.exec(place)![0];
  const rest = place.slice(head.length);
  const was = RENAMED[part].find(([, now]) => rest === now || rest.startsWith(`${now}.`) || rest.startsWith(`${now}[`));
  return was ? head + was[0] + rest.slice(was[1].length) : place;
}

/** Faults that were found in a file of version 1 after it was read as version 2, at the places where they stand in it. */
export const placedIn = (version: 1 | 2, issues: readonly Issue[]): Issue[] =>
  version === 2 ? [...issues] : issues.map((issue) => ({ ...issue, path: placeInVersion1(issue.path) }));

/** The keys of a part by their old names, in their order. */
function back(part: object, as: PartName): object {
  const names = new Map(RENAMED[as].map(([was, now]) => [now, was]));
  return Object.fromEntries(Object.entries(part).map(([key, value]) => [names.get(key) ?? key, value as unknown]));
}

/** An earlier application as version 1 wrote it. As with {@link inVersion1}. */
export const appliedInVersion1 = (entry: object): object => back(entry, "applied");

/** A rig and its calibration as version 1 wrote them, key by key: what an id was once taken of stays what it was. */
export function inVersion1(job: { readonly rig: object; readonly calibration: object }): object {
  const { tip, ...rig } = job.rig as Keys;
  const { chart, ...on } = (tip ?? {}) as Keys;
  const keys = Object.entries(job.rig).flatMap(([key, value]) =>
    key !== "tip" ? [[key, value as unknown]] : Object.keys(on).length > 0 || chart === undefined ? [[key, on]] : [],
  );
  return {
    ...job,
    version: 1,
    rig: { ...back(rig && Object.fromEntries(keys), "rig"), ...(chart !== undefined && { "x-chart": chart }) },
    calibration: back(job.calibration, "calibration"),
  };
}
