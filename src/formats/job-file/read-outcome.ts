import type { Issue } from "@/core/issue";
import { beganWith, fillOf, tankOf, type Pass, type Planning } from "@/core/outcome/reconcile";
import { PARTS_AGREE, partsOff } from "@/core/outcome/zones";
import { compare, isZero } from "@/core/quantity/arithmetic";
import { showEntered } from "@/core/quantity/format";
import { good, type Result } from "@/core/issue";
import { entered, type Entered } from "@/core/quantity/parse";
import { plainNumber } from "@/core/quantity/plain";
import { valueIn } from "@/core/quantity/quantity";
import { parseField } from "@/core/quantity/ranges";
import { read } from "@/core/working/units";
import { given, type Source } from "@/core/working/rule";
import { Faults, maybe, value } from "./faults";
import type { OutcomeText } from "./types";

/**
 * What became of the loads of a plan → passes, or every fault: a load that the plan doesn't have, more left than there was,
 * a site of which nothing but second passes is told. The shape of the entries was looked at before.
 * @param zonesOf the zones of a site, with their areas
 */
export function readOutcome(
  planning: Planning,
  entries: readonly OutcomeText[],
  zonesOf: (site: string) => readonly Zone[],
): Result<Pass[]> {
  const faults = new Faults();
  // Where one load of a site is told zone by zone, the others were spread over its zones as they are large.
  const byZone = new Set(entries.flatMap((entry) => (entry.zones === undefined ? [] : [entry.site])));
  const names = planning.plan.sites.map((site) => site.name);
  const inTank = new Map<string, Source<"volume">>();
  /** The zones of a site, as large as its first passes did them: a second one goes over those. */
  const first = (site: string): Zone[] => {
    const own = zonesOf(site);
    const done = entries.flatMap((entry, i) =>
      entry.site === site && entry.again !== true ? (partsOf(entry, own, `outcome[${i}].zones`, new Faults()) ?? []) : [],
    );
    return own.flatMap(({ name }) => {
      const on = done.filter(({ zone }) => zone === name).map(({ covered }) => valueIn(covered.value, "ft2"));
      const sum = on.reduce((all, one) => all + one, 0);
      return sum > 0 ? [{ name, area: entered(`${plainNumber(sum)} ft2`, "area") }] : [];
    });
  };
  const passes = entries.map((entry, i): Pass => {
    const at = `outcome[${i}]`;
    const pass: Pass = {
      site: entry.site,
      load: entry.load,
      left: value(entry.left, "volume", true),
      covered: value(entry.covered, "area"),
      again: entry.again === true,
      mixed: maybe(entry.mixed, "volume"),
      time: maybe(entry.time, "time"),
      ...(byZone.has(entry.site) && {
        on: partsOf(entry, entry.again ? first(entry.site) : zonesOf(entry.site), `${at}.zones`, faults),
      }),
    };
    if (!names.includes(entry.site)) faults.add(`${at}.site`, "unknown-name", entry.site, names.join(", "));
    else if (!fillOf(planning, entry.site, entry.load)) faults.issues.push(noLoad(planning, pass, `${at}.load`));
    else {
      const tank = tankOf(planning, pass);
      const before = inTank.get(tank);
      if (before && pass.mixed)
        faults.add(
          `${at}.mixed`,
          "contradiction",
          `${showEntered(pass.mixed)} of a load that was told of before`,
          "only with the first entry of a load: a later one begins with what that left",
        );
      const began = beganWith(planning, pass, inTank)!;
      if (compare(pass.left.value, began.value) >= 0) faults.issues.push(moreLeft(pass, began, `${at}.left`));
      inTank.set(tank, given(pass.left, `left of load ${pass.load}`));
    }
    return pass;
  });
  entries.forEach(({ site }, i) => {
    const own = passes.filter((pass) => pass.site === site);
    if (passes.findIndex((pass) => pass.site === site) === i && own.every((pass) => pass.again))
      faults.add(
        `outcome[${i}].again`,
        "contradiction",
        `nothing but second passes on ${site}`,
        "the pass that covered the ground first",
      );
  });
  return faults.issues.length > 0 ? { ok: false, issues: faults.issues } : good(passes);
}

interface Zone {
  readonly name: string;
  readonly area: Entered<"area">;
}

/** How much of each zone an entry did. What it doesn't say itself is shared out by the zones' areas. */
function partsOf({ covered, zones: told }: OutcomeText, zones: readonly Zone[], path: string, faults: Faults): Pass["on"] {
  const ground = value(covered, "area");
  if (told === undefined) {
    const whole = zones.reduce((sum, { area }) => sum + valueIn(area.value, "ft2"), 0);
    return zones.map(({ name, area }) => {
      const part = valueIn(ground.value, "ft2") * (valueIn(area.value, "ft2") / whole);
      return { zone: name, covered: entered(`${plainNumber(part)} ft2`, "area") };
    });
  }
  const names = zones.map(({ name }) => name);
  if (typeof told !== "object" || told === null || Array.isArray(told)) {
    faults.add(path, "wrong-type", "something else", `{ "${names[0]}": "1200 ft2" }`);
    return undefined;
  }
  const parts = Object.entries(told).flatMap(([zone, text]: [string, unknown]) => {
    if (!names.includes(zone)) faults.add(`${path}.${zone}`, "unknown-name", zone, names.join(", "));
    const read = parseField("zoneArea", text, { path: `${path}.${zone}`, zero: true, dialect: "file" });
    if (!read.ok) faults.issues.push(...read.issues);
    return read.ok && names.includes(zone) && !isZero(read.value.value) ? [{ zone, covered: read.value }] : [];
  });
  const off = partsOff(
    given(ground, "covered"),
    parts.map((part) => given(part.covered, part.zone)),
  );
  if (parts.length === Object.keys(told).length && off > PARTS_AGREE)
    faults.add(
      path,
      "contradiction",
      parts.map(({ zone, covered: on }) => `${zone} ${showEntered(on)}`).join(", "),
      `together ${showEntered(ground)}, which the load covered`,
    );
  return parts;
}

function noLoad({ plan }: Planning, { site, load }: Pass, path: string): Issue {
  const numbers = plan.run
    ? plan.run.loads.filter((l) => l.pieces.some((piece) => piece.lawn.site === site)).map((l) => l.number)
    : plan.sites.find((s) => s.name === site)!.loads.map((l) => l.number);
  const [first, last] = [numbers[0], numbers.at(-1)];
  return {
    path,
    code: "out-of-range",
    received: `load ${load} of ${site}`,
    expected:
      first === undefined
        ? "a mix for the tank: this has no loads"
        : first === last
          ? `load ${first}`
          : `loads ${first} to ${last}`,
  };
}

function moreLeft({ left, load }: Pass, began: Source<"volume">, path: string): Issue {
  const words = (system: "us" | "metric") =>
    `less than the ${read(began.value, "volume", system)} that load ${load} began with: what was sprayed is what is told of`;
  return { path, code: "contradiction", received: `${showEntered(left)} left`, expected: words("us"), metric: words("metric") };
}
