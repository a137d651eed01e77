import { meanTime } from "@/core/calibration/pace";
import { slipsOfBound } from "@/core/slips/of-bound";
import { slipsOfForm } from "@/core/slips/of-load";
import { slipsOfRate } from "@/core/slips/of-rate";
import { slipsOfArea, slipsOfCatch, slipsOfSwath, slipsOfTank, slipsOfWalk } from "@/core/slips/of-reading";
import type { Slip } from "@/core/slips/slip";
import { spokenToWritten } from "@/core/quantity/spoken";
import { given } from "@/core/working/rule";
import type { System } from "@/core/working/units";
import { readRate } from "@/formats/forms/rate";
import { readTyped } from "@/formats/typed";
import { timesOf, type Quick } from "./quick-job";

/** What probably went wrong in a field of the one page: asked as every other room asks it. */
export interface QuickAsk {
  readonly field: "tank" | "plot" | "swath" | "times" | "caught" | "rate" | "most" | "lawn";
  readonly typed: string;
  readonly slips: readonly Slip[];
  readonly take: (text: string) => Partial<Quick>;
}

export function quickAsks(quick: Quick, system: System): QuickAsk[] {
  const asks: QuickAsk[] = [];
  const ask = (field: QuickAsk["field"], typed: string, slips: readonly Slip[], take: QuickAsk["take"]) => {
    if (slips.length > 0) asks.push({ field, typed, slips, take });
  };
  const tank = readTyped("usable", quick.tank);
  if (tank.ok) ask("tank", quick.tank, slipsOfTank(tank.value, quick.kind), (text) => ({ tank: text }));
  const plot = quick.course ? undefined : readTyped("testArea", quick.plot);
  if (plot?.ok) ask("plot", quick.plot, slipsOfArea(plot.value, "test"), (text) => ({ plot: text }));
  const swath = quick.course ? readTyped("swath", quick.swath) : undefined;
  if (swath?.ok) ask("swath", quick.swath, slipsOfSwath(swath.value, quick.kind), (text) => ({ swath: text }));
  const times = (timesOf(quick.times) ?? []).flatMap((time) => {
    const read = readTyped("walkTime", time);
    return read.ok ? [read.value] : [];
  });
  if (plot?.ok)
    times.forEach((time, i) => {
      const put = (text: string) => ({ times: times.map((one, j) => (j === i ? text : one.text)).join(", ") });
      ask("times", time.text, slipsOfWalk(time, { area: plot.value.value, rig: quick.kind }), put);
    });
  const caught = readTyped("catchVolume", quick.caught);
  const typedFor = quick.caughtFor.trim() === "" ? undefined : readTyped("catchTime", quick.caughtFor);
  const walked = times.length > 0 ? meanTime(times.map((time) => given(time, "walk"))).value : undefined;
  const caughtFor = typedFor?.ok ? typedFor.value.value : walked;
  if (caught.ok && caughtFor !== undefined)
    ask("caught", quick.caught, slipsOfCatch(caught.value, caughtFor, { rig: quick.kind, outlets: 1 }), (text) => ({
      caught: text,
    }));
  for (const field of ["rate", "most"] as const) {
    const rate = quick[field].trim() === "" ? undefined : readRate(quick[field], quick.form);
    const other = field === "rate" && quick.most.trim() !== "" ? readRate(quick.most, quick.form) : undefined;
    const context = other?.ok ? { most: other.value } : {};
    const found = rate?.ok
      ? [...slipsOfRate(rate.value, context), ...(other?.ok ? [] : slipsOfBound(rate.value, { form: quick.form }, {}, system))]
      : slipsOfForm(spokenToWritten(quick[field]), quick.form);
    ask(field, quick[field], found, (text) => ({ [field]: text }));
  }
  const lawn = readTyped("zoneArea", quick.lawn);
  if (lawn.ok) ask("lawn", quick.lawn, slipsOfArea(lawn.value), (text) => ({ lawn: text }));
  return asks;
}

/** Those that nobody answered yet: until then there are no amounts. */
export const openAsks = (quick: Quick, system: System): QuickAsk[] =>
  quickAsks(quick, system).filter(({ field, typed, slips }) =>
    slips.some(({ code }) => !(quick.dismissed ?? []).some((d) => d.field === field && d.slip === code && d.typed === typed)),
  );
