import type { Issue } from "@/core/issue";
import { beganWith, fillOf, tankOf, type Pass, type Planning } from "@/core/outcome/reconcile";
import { compare } from "@/core/quantity/arithmetic";
import { showEntered } from "@/core/quantity/format";
import { good, type Result } from "@/core/issue";
import { read } from "@/core/working/units";
import { given, type Source } from "@/core/working/rule";
import { Faults, maybe, value } from "./faults";
import type { OutcomeText } from "./types";

/**
 * What became of the loads of a plan → passes, or every fault: a load that the plan doesn't have, more left than there was,
 * a site of which nothing but second passes is told. The shape of the entries was looked at before.
 */
export function readOutcome(planning: Planning, entries: readonly OutcomeText[]): Result<Pass[]> {
  const faults = new Faults();
  const names = planning.plan.sites.map((site) => site.name);
  const inTank = new Map<string, Source<"volume">>();
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
