import type { MixPlan } from "@/core/mixing/plan";
import { read, type System } from "@/core/working/units";
import { compare } from "@/core/quantity/arithmetic";

/** What a sheet says in one line: how many loads, how much spray, how much area, on how many sites. */
export function sheetLine(plan: MixPlan, system: System, jar = false): string {
  if (plan.products.length === 0)
    return plan.sites.map((site) => `Spread dry on ${read(site.area.value, "area", system)}`).join("\n");
  if (plan.run) {
    const { begun, loads } = plan.run;
    const sites = new Set([...begun, ...loads.flatMap((l) => l.pieces)].map((p) => p.lawn.site)).size;
    const last = loads.at(-1);
    if (!last) return sites > 0 ? `No more fills · ${sites === 1 ? "1 stop" : `${sites} stops`}` : "The day is done";
    const fills = loads.length === 1 ? "1 fill" : `${loads.length} fills, the last ${read(last.fillTo.value, "volume", system)}`;
    return `${fills} · ${sites === 1 ? "1 stop" : `${sites} stops`}`;
  }
  return plan.sites.map((_, site) => siteLine(plan, site, system, jar)).join("\n");
}

/** One site of a plan in a line. */
export function siteLine(plan: MixPlan, site: number, system: System, jar = false): string {
  const one = plan.sites[site]!;
  const count = one.loads.length;
  const last = one.loads.at(-1)!.contents;
  const first = one.loads[0]!.contents;
  const alike = compare(last.fillTo.value, first.fillTo.value) === 0;
  const loads =
    count === 1
      ? "1 load"
      : alike
        ? `${count} loads, each ${read(first.fillTo.value, "volume", system)}`
        : `${count} loads, the last ${read(last.fillTo.value, "volume", system)}`;
  return `${loads} · ${read(one.spray.value, "volume", system)} ${jar ? "from the jar" : "of spray"} on ${read(one.area.value, "area", system)}`;
}
