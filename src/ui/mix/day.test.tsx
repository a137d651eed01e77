import { act, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { runState, type RunState } from "@/core/mixing/run-state";
import { given } from "@/core/working/rule";
import type { Sheet } from "@/formats/entries";
import { mixJob, soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { JobFile } from "@/formats/job-file/types";
import { planOfSheet } from "@/formats/sheet-plan";
import { nextWords, pourSteps } from "../pour/pour-steps";
import { RIG, show } from "../testing/show";
import { DayPicture } from "./day-picture";
import { DayStops } from "./day-stops";
import { draftOf, stopsOf, tankKey, tankOf } from "./draft";
import { GearList } from "./gear-list";
import { measuresOf, soundKit } from "./measures";
import { createPreview } from "./preview";
import { sheetLine } from "./sheet-line";
import { TankColumns } from "./tank-column";

const GAL = 3785.411784;
const FILE: JobFile = mixJob({
  rig: { ...RIG.rig, kind: "spray-truck", tanks: [{ name: "main", usable: "10 gal", leastMix: "1 gal" }] },
  calibration: { sprayVolume: "1 gal/1000 ft2" },
  products: [
    { name: "Wetter", form: "liquid", formulation: "SL", rate: "1.5 fl oz/1000 ft2" },
    { name: "Granule", form: "dry", formulation: "WG", rate: "0.3 oz/1000 ft2" },
  ],
  sites: [
    { name: "Green", zones: [{ name: "green", area: "6000 ft2" }] },
    {
      name: "Court",
      waterSource: { fill: true },
      zones: [
        { name: "north", area: "2000 ft2" },
        { name: "south", area: "3000 ft2" },
      ],
    },
    { name: "Field", zones: [{ name: "field", area: "4000 ft2" }] },
  ],
  loads: "full-then-part",
  run: "day",
});
const KIT = {
  scales: [{ name: "bench scale", step: "0.01 oz", capacity: "20 oz" }],
  vessels: [{ name: "jug", graduation: "1 fl oz", capacity: "64 fl oz" }],
};
const kit = { scales: [], vessels: [] };
const spray = [6, 5, 4].map((gal, i) => ({ site: ["Green", "Court", "Field"][i]!, spray: gal * GAL }));
const state = (...args: [Parameters<typeof runState>[1]?, Parameters<typeof runState>[2]?]) =>
  runState(spray, args[0] ?? [], args[1] ?? []);
const sheetOf = (run: RunState): Sheet => ({
  id: "sheet-1",
  madeAt: "2026-09-02T10:00:00Z",
  personId: null,
  personName: null,
  tank: "main",
  calibrationMadeAt: "2026-09-01T10:00:00Z",
  rigId: RIG.id,
  state: "open",
  run,
  others: [],
  job: FILE,
  stopped: [],
  poured: false,
  done: [],
  weather: null,
  weatherHolds: [],
  clockBehind: null,
  ends: [],
  outcome: [],
});

describe("the picture of a day", () => {
  const stops = spray.map((s) => s.site);
  test("says in words where the tank is filled, to what mark, and for which stops", () => {
    const { plan, input } = planOfSheet(FILE, state());
    show(<DayPicture plan={plan} input={input} stops={stops} system="us" />);
    expect(screen.getByRole("img", { name: "The tank along the day" })).toBeInTheDocument();
    const fills = within(screen.getByRole("list", { name: "Fills of the day" })).getAllByRole("listitem");
    expect(fills.map((f) => f.textContent)).toEqual([
      "▲ Fill at the shop to 8 gal for 1 Green, 2 Court (north).",
      "● Fill at Court to 7 gal for 2 Court (south), 3 Field.",
    ]);
    expect(sheetLine(plan, "us")).toBe("2 fills, the last 7 gal · 3 stops");
  });
  test("follows a stop that is dragged, without anything else being worked out", () => {
    const { plan, input } = planOfSheet(FILE, state());
    const preview = createPreview();
    show(<DayPicture plan={plan} input={input} stops={stops} preview={preview} system="us" />);
    act(() => preview.set(["Field", "Green", "Court"]));
    const fills = () => within(screen.getByRole("list", { name: "Fills of the day" })).getAllByRole("listitem");
    expect(fills().map((f) => f.textContent)).toEqual([
      "▲ Fill at the shop to 10 gal for 1 Field, 2 Green.",
      "● Fill at Court to 5 gal for 3 Court.",
    ]);
    act(() => preview.set(undefined));
    expect(fills()[0]!.textContent).toContain("1 Green");
  });
  test("what is in the tank goes first; what is left over is said", () => {
    const fill = [{ number: 1, fillTo: 11 * GAL, adds: 11 * GAL, after: 0 }];
    const skipped = { id: 1, what: "skipped" as const, site: "Green", left: null, order: null };
    const run = state([skipped], fill);
    const { plan, input } = planOfSheet(FILE, run);
    show(<DayPicture plan={plan} input={input} stops={stops} inTank={run.inTank} system="us" />);
    const fills = within(screen.getByRole("list", { name: "Fills of the day" })).getAllByRole("listitem");
    expect(fills[0]!.textContent).toBe("What is in the tank does 2 Court, 3 Field.");
    expect(fills[1]!.textContent).toMatch(/^! 2 gal will be left over\./);
    expect(sheetLine(plan, "us")).toBe("No more fills · 2 stops");
  });
});

describe("the stops of a day", () => {
  test("are told done, read, skipped, taken back and put in another order", async () => {
    const tell = jest.fn(async () => []);
    const done = { id: 1, what: "done" as const, site: "Green", left: 3 * GAL, order: null };
    const run = state([done], [{ number: 1, fillTo: 10 * GAL, adds: 10 * GAL, after: 0 }]);
    show(<DayStops job={FILE} run={run} system="us" tell={tell} onPreview={() => {}} />);
    expect(screen.getByRole("list", { name: "Behind" })).toHaveTextContent("+17 % of what was planned");
    expect(screen.getByText(/More than 10 % off/)).toBeInTheDocument();
    fireEvent.click(await screen.findByRole("button", { name: "Court is done" }));
    fireEvent.click(screen.getByRole("button", { name: "Skip Field" }));
    fireEvent.click(screen.getByRole("button", { name: "Green is still to do" }));
    fireEvent.click(screen.getByRole("button", { name: "Field earlier" }));
    fireEvent.click(screen.getByRole("button", { name: "Read the tank after Court" }));
    fireEvent.change(screen.getByLabelText(/Left in the tank/), { target: { value: "1 gal" } });
    fireEvent.click(screen.getByRole("button", { name: "Done with that" }));
    await waitFor(() => expect(tell).toHaveBeenCalledTimes(5));
    expect(tell.mock.calls).toEqual([
      [{ what: "done", site: "Court" }, false],
      [{ what: "skipped", site: "Field" }, true],
      [{ what: "back", site: "Green" }, false],
      [{ what: "order", order: ["Field", "Court"] }, false],
      [{ what: "done", site: "Court", left: "1 gal" }, false],
    ]);
  });
  test("what the server refuses is said", async () => {
    const tell = jest.fn(async () => [
      { path: "", code: "out-of-turn" as const, received: "load 2 is half poured", expected: "finish it" },
    ]);
    show(<DayStops job={FILE} run={state()} system="us" tell={tell} onPreview={() => {}} />);
    fireEvent.click(screen.getByRole("button", { name: "Skip Court" }));
    expect(await screen.findByRole("alert")).toHaveTextContent("Load 2 is half poured, finish it.");
  });
});

describe("pouring step by step", () => {
  const steps = (run: RunState) => {
    const worked = planOfSheet(FILE, run);
    return { worked, all: pourSteps(sheetOf(run), worked, measuresOf(worked.plan, kit, "us"), "us") };
  };
  test("gear, then the fill that is next, and no further", () => {
    const { all } = steps(state());
    expect(all.map((s) => s.part)).toEqual([...Array<string>(4).fill("Gear"), ...Array<string>(5).fill("Load 1 of 2")]);
    expect(all[0]!.spoken).toBe("Put on: long sleeves and trousers");
    expect(all[5]!.spoken).toBe("Granule (WG) 2.4 ounces by weight. by weight, on the scale");
    expect(all[6]!.spoken).toBe("Wetter (SL) 12 fluid ounces. by volume, in the cup");
    expect(all.at(-1)!.text.amount).toBe("8 gal");
  });
  test("a fill that is in the tank is sprayed before the next is poured", () => {
    const { worked, all } = steps(state([], [{ number: 1, fillTo: 8 * GAL, adds: 8 * GAL, after: 0 }]));
    expect(all.at(-1)!.part).toBe("Load 1 of 2");
    expect(nextWords(worked)).toBe("Now spray Green, Court.");
  });
});

describe("how it is measured stands in the column", () => {
  const { plan, job } = soundPlanOf();
  function soundPlanOf() {
    const read = soundJob({ ...FILE, rig: { ...FILE.rig, setup: { kit: KIT } } });
    return { job: read, ...soundPlan(read) };
  }
  const { fillings } = planOfSheet(FILE, state());
  const parsed = {
    scales: [{ name: "bench scale", step: entry("0.01 oz", "mass"), capacity: entry("20 oz", "mass") }],
    vessels: [{ name: "jug", graduation: entry("1 fl oz", "volume"), capacity: entry("64 fl oz", "volume") }],
  };
  function entry<K extends "mass" | "volume">(text: string, kind: K) {
    return jest.requireActual<typeof import("@/core/quantity/parse")>("@/core/quantity/parse").entered(text, kind);
  }
  test("tool, reading and error; what the kit can't do is said with what would", () => {
    const usable = given(job.tank!.usable, "usable volume");
    show(
      <TankColumns
        products={plan.products}
        fillings={fillings}
        usable={usable}
        system="us"
        measured={measuresOf(plan, parsed, "us")}
      />,
    );
    const first = screen.getByRole("region", { name: "Load 1" });
    expect(first).toHaveTextContent("bench scale: 2.4 oz, ±0.21 %");
    expect(first).toHaveTextContent("jug: to 12 fl oz, ±4.2 %");
    expect(screen.getByRole("region", { name: "Load 2" })).toHaveTextContent(
      /This kit can't: 10\.5 fl oz needs a vessel marked every/,
    );
  });
  test("a tool that failed its proof is not measured with", () => {
    const proof = {
      id: "p",
      rigId: "rig-1",
      of: "vessel" as const,
      tool: "jug",
      madeAt: "",
      known: "",
      shown: "",
      ratio: 1.1,
      good: false,
    };
    expect(soundKit(parsed, "rig-1", [proof])).toMatchObject({
      failed: ["jug"],
      kit: { vessels: [], scales: [{ name: "bench scale" }] },
    });
    expect(soundKit(parsed, "rig-2", [proof]).failed).toEqual([]);
    expect(soundKit(parsed, "rig-1", [{ ...proof, good: true }, proof]).failed).toEqual([]);
  });
});

test("gear is ticked one by one", () => {
  const onTick = jest.fn();
  const gear = [
    { key: "gear.gloves", text: "gloves (chemical-resistant)" },
    { key: "gear.boots", text: "boots" },
  ];
  show(<GearList gear={gear} done={new Set(["gear.boots"])} onTick={onTick} />);
  fireEvent.click(screen.getByLabelText("gloves (chemical-resistant)"));
  expect(onTick).toHaveBeenCalledWith("gear.gloves", true);
  expect(screen.getByLabelText("boots")).toBeChecked();
});

describe("a draft", () => {
  const product = { labelId: "label-1", rate: "1", choice: { row: 0, point: "typed" as const } };
  test("of an earlier version is taken over whole", () => {
    const draft = draftOf({ products: [product], without: ["z1"], loads: "equal", tank: "rear" });
    expect(tankOf(draft, "rear")).toEqual({ products: [product], without: ["z1"] });
    expect(draft).toMatchObject({ purpose: "site", loads: "equal", stops: [] });
    expect(draftOf({})).toMatchObject({ tanks: {} });
  });
  test("its stops are those that a tank has a zone of", () => {
    const zones = (id: string) => (id === "a" ? ["a1", "a2"] : ["b1"]);
    const draft = draftOf({ purpose: "day", stops: ["a", "b"], tanks: { "": { products: [], without: ["b1", "a1"] } } });
    expect(stopsOf(draft, "", "b", zones)).toEqual([{ siteId: "a", without: ["a1"] }]);
    expect(stopsOf(draftOf({}), "", "b", zones)).toEqual([{ siteId: "b", without: [] }]);
    const spot = draftOf({ purpose: "spot", spot: { zoneId: "gone", volume: "1 qt" } });
    expect(stopsOf(spot, "", "a", zones)).toEqual([{ siteId: "a", spot: { zoneId: "a1", volume: "1 qt" } }]);
    expect([tankKey([{ name: "front" }, { name: "rear" }], 0), tankKey([{ name: "front" }, {}], 1)]).toEqual(["", "tank 2"]);
  });
});
