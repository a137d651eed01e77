/** How a day has come along: fills and stops, replayed in the order in which they were told. Volumes in mL. */

export const STOP_EVENTS = ["done", "skipped", "back", "order"] as const;

export interface StopEvent {
  /** Goes up with every event. */
  readonly id: number;
  readonly what: (typeof STOP_EVENTS)[number];
  /** The site's name; empty for a new order. */
  readonly site: string;
  /** What the tank still held afterwards, where somebody looked. */
  readonly left: number | null;
  /** The ground that was done there, as entered, where that wasn't what was planned. */
  readonly covered?: string | null;
  readonly order: readonly string[] | null;
}

export interface DoneFill {
  readonly number: number;
  readonly fillTo: number;
  readonly adds: number;
  /** The id of the last event before it. */
  readonly after: number;
}

export interface StopState {
  readonly site: string;
  readonly state: "todo" | "done" | "skipped";
  /** What went out there, as read or as planned; null while it isn't done. */
  readonly used: number | null;
  /** Used over planned, where the tank was read. */
  readonly ratio: number | null;
  /** What the tank held before and after it, and the ground that was done, where the tank was read. */
  readonly read: { readonly began: number; readonly left: number; readonly covered: string | null } | null;
}

export interface RunState {
  /** In the order of the day: what is behind, then what is still to do. */
  readonly stops: readonly StopState[];
  readonly inTank: number;
  readonly filled: readonly DoneFill[];
}

const untold = (site: string, state: "todo" | "skipped"): StopState => ({ site, state, used: null, ratio: null, read: null });

/**
 * Replays a day.
 * @param planned what each site takes, in the order in which the day was planned
 * @param fills those that stand, in their order
 */
export function runState(
  planned: readonly { readonly site: string; readonly spray: number }[],
  events: readonly StopEvent[],
  fills: readonly DoneFill[],
): RunState {
  const stops = new Map<string, StopState>(planned.map(({ site }) => [site, untold(site, "todo")]));
  let order = planned.map((p) => p.site);
  let inTank = 0;
  let next = 0;
  const fillUpTo = (id: number) => {
    for (; next < fills.length && fills[next]!.after < id; next++) inTank += fills[next]!.adds;
  };
  const set = (stop: StopState) => {
    if (stops.has(stop.site)) stops.set(stop.site, stop);
  };
  for (const { id, what, site, left, covered = null, order: to } of events) {
    fillUpTo(id);
    const before = stops.get(site);
    const spray = planned.find((p) => p.site === site)?.spray ?? 0;
    if (what === "order") {
      const wanted = (to ?? []).filter((name) => stops.get(name)?.state === "todo");
      const others = order.filter((name) => !wanted.includes(name));
      // What is behind keeps its place before what is to come.
      order = [
        ...others.filter((name) => stops.get(name)!.state !== "todo"),
        ...wanted,
        ...others.filter((name) => stops.get(name)!.state === "todo"),
      ];
    } else if (what === "done" && before?.state !== "done") {
      const used = left === null ? spray : Math.max(0, inTank - left);
      const ratio = left === null || spray === 0 ? null : used / spray;
      const read = left === null ? null : { began: inTank, left, covered };
      set({ site, state: "done", used, ratio, read });
      inTank = left ?? Math.max(0, inTank - spray);
    } else if (what === "skipped") {
      inTank += before?.used ?? 0;
      set(untold(site, "skipped"));
    } else if (what === "back") {
      inTank += before?.used ?? 0;
      set(untold(site, "todo"));
    }
  }
  fillUpTo(Infinity);
  return { stops: order.map((name) => stops.get(name)!), inTank, filled: fills };
}
