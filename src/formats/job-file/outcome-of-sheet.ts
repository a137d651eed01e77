import { good, type Result } from "@/core/issue";
import { outcomeOf, type Outcome } from "./outcome";
import { readJob } from "./read";
import type { JobFile, OutcomeText } from "./types";

/** What really went down on the sites of a sheet. */
export type SitesTold = Pick<Outcome, "sites">;

/**
 * What became of a sheet's loads, as it is kept: their amounts were ticked. A day is told stop by stop, each by what the tank held before and after it:
 * whichever loads that came from, it was all of one strength.
 */
export function outcomeOfSheet(file: JobFile, entries: readonly OutcomeText[]): Result<SitesTold> {
  if (file.run !== "day") {
    const read = readJob({ ...file, outcome: entries });
    return read.ok ? outcomeOf(read.value, read.value.file.outcome, true) : read;
  }
  const { run: _, "x-places": _p, ...rest } = file;
  const sites: Outcome["sites"][number][] = [];
  for (const entry of entries) {
    const site = file.sites?.filter((one) => one.name === entry.site) ?? [];
    const read = readJob({ ...rest, sites: site, outcome: [{ ...entry, load: 1 }] });
    const told = read.ok ? outcomeOf(read.value, read.value.file.outcome) : read;
    if (!told.ok) return told;
    sites.push(...told.value.sites);
  }
  return good({ sites });
}
