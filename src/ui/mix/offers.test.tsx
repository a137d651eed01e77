import { fireEvent, screen, within } from "@testing-library/react";
import { useState } from "react";
import { calibrate } from "@/core/calibration/calibrate";
import { BY_STRENGTH, type ChoiceText } from "@/formats/card/choice";
import { calibrationJob, mixJob, soundJob, soundPlan } from "@/formats/job-file/assemble";
import { readProduct } from "@/formats/job-file/read-product";
import { Faults } from "@/formats/job-file/faults";
import type { HeadText, JobFile, ProductText, RigText } from "@/formats/job-file/types";
import { kitOf } from "@/formats/rig-setup";
import { labelEntry, RIG, show } from "../testing/show";
import { lastLoadsOf } from "./last-load";
import { LastLoadAsk } from "./last-load-ask";
import { HeadSetting } from "./head-setting";
import { measuresOf } from "./measures";
import { GallonAsk, TurfAsk } from "./rate-asks";
import { SpreadList } from "./spread-list";

const productOf = (text: ProductText) => {
  const read = readProduct(text, 0, new Faults());
  if (!read) throw new Error(`${text.name} can't be read`);
  return read;
};

describe("a head that is set for a mix", () => {
  const WETTER: ProductText = { name: "Wetter", form: "liquid", formulation: "SL", rate: "4 fl oz/1000 ft2" };
  /** 2.5 gal/min through the head; 60 s for 1,000 sq ft, where the pace was timed. */
  function head(of: HeadText, more: { product?: ProductText; pace?: boolean } = {}) {
    const rig: RigText = {
      kind: "hose-end",
      tanks: [{ usable: "32 fl oz" }],
      head: of,
      setup: { settings: ["1", "2", "4", "8"] },
    };
    const flow = { kind: "metered-flow" as const, whole: "2.5 gal/min" };
    const pace = { kind: "timed-area" as const, area: "1000 ft2", times: ["60 s", "60 s"] };
    const job = soundJob(calibrationJob(rig, more.pace === false ? { flow, labelRate: WETTER.rate } : { pace, flow }));
    const onSet = jest.fn();
    const products = [productOf(more.product ?? WETTER)];
    show(<HeadSetting rig={rig} made={calibrate(job.calibration)} products={products} system="us" onSet={onSet} />);
    return { panel: screen.queryByRole("region", { name: "Head and jar" })!, onSet };
  }
  test("says how far it is off, and sets the pair that is nearest to undiluted", () => {
    const { panel, onSet } = head({ kind: "dial", setting: "8 fl oz/gal" });
    // 8 fl oz/gal × 2.5 gal/min × 1 min are 20 fl oz: five times the label's 4.
    expect(panel).toHaveTextContent("Together that is 5 times the planned rate of Wetter");
    expect(panel).toHaveTextContent("walk 1,000 sq ft in 12.0 s");
    const pairs = within(panel).getAllByRole("listitem");
    expect(pairs.map((p) => p.textContent?.split(":")[0])).toEqual(["2 fl oz/gal", "4 fl oz/gal", "8 fl oz/gal"]);
    // A dial of 2 draws 5 fl oz, of which 4 are product: 25.6 of 32.
    expect(pairs[0]).toHaveTextContent("25.6 fl oz of Wetter, made up to 32 fl oz with water");
    fireEvent.click(within(pairs[0]!).getByRole("button", { name: "Set it so" }));
    expect(onSet).toHaveBeenCalledWith({
      kind: "dial",
      setting: "2 fl oz/gal",
      jar: { product: "25.6 fl oz", water: "6.4 fl oz" },
    });
  });
  test("set right, it says nothing of being off and asks for no other pace", () => {
    const { panel } = head({ kind: "dial", setting: "2 fl oz/gal", jar: { product: "25.6 fl oz", water: "6.4 fl oz" } });
    expect(panel).not.toHaveTextContent("Together that is");
    expect(panel).not.toHaveTextContent("Or leave head and jar");
    expect(within(panel).getAllByRole("listitem")[0]).toHaveTextContent("as it is set");
  });
  test("where no setting and no jar gives the rate it says so, and names the pace that would", () => {
    const { panel } = head({ kind: "metered", feed: "1 fl oz/min" });
    expect(panel).toHaveTextContent("Together that is 0.25 times");
    expect(panel).toHaveTextContent("No setting of this head and no jar gives the rate");
    expect(panel).toHaveTextContent("walk 1,000 sq ft in 240.0 s");
  });
  test("by the flow alone the seconds per 1,000 sq ft are said, and that nobody timed a pace", () => {
    const { panel } = head({ kind: "dial", setting: "1.6 fl oz/gal" }, { pace: false });
    expect(panel).toHaveTextContent("nobody's pace was timed. Cover 1,000 sq ft in 60.0 s, by the watch.");
    expect(within(panel).queryByRole("listitem")).toBeNull();
  });
  test("a product that is given by its strength sets no head", () => {
    expect(head({ kind: "dial", setting: "8 fl oz/gal" }, { product: { ...WETTER, rate: "0.25 %v/v" } }).panel).toBeNull();
  });
});

describe("one load less", () => {
  const planned = (area: string, sprayVolume = "1 gal/1000 ft2", rate = "0.3 oz/1000 ft2", less = false) => {
    const file: JobFile = mixJob({
      rig: { ...RIG.rig, tanks: [{ name: "main", usable: "4 gal", leastMix: "0.1 gal" }] },
      calibration: { sprayVolume },
      products: [{ name: "Granule", form: "dry", formulation: "WG", rate }],
      sites: [{ name: "Green", zones: [{ name: "green", area }] }],
      loads: "full-then-part",
      ...(less && { oneLoadLess: true }),
    });
    const job = soundJob(file);
    return { ...soundPlan(job), job };
  };
  const kit = kitOf({
    ...RIG.rig,
    setup: { kit: { scales: [{ name: "scale", step: "0.1 oz", capacity: "20 oz" }], vessels: [] } },
  });
  function offers(of: ReturnType<typeof planned>, said = false) {
    const choose = jest.fn();
    show(<LastLoadAsk planned={of} said={said} choose={choose} measured={(plan) => measuresOf(plan, kit, "us")!} system="us" />);
    return choose;
  }
  test("is one question with what each way does: how many loads, how much stronger and quicker", () => {
    const choose = offers(planned("4056 ft2"));
    // 4.056 gal in a 4 gal tank: 1.4 % of the spray.
    expect(screen.getByText(/Only 1.4 % of the spray is over the full tanks/)).toBeInTheDocument();
    // The rest is under the least mix: it shares with the load before it, and those are the equal loads.
    expect(screen.getAllByRole("listitem").map((li) => li.textContent)).toEqual([
      expect.stringMatching(
        /^One tank less: 4 gal for all of it\. The mix is \+1\.4 % in strength, and is put down at 0\.986 gal/,
      ),
      "✓ Fill once more: 2 × 2.03 gal",
    ]);
    fireEvent.click(screen.getByRole("button", { name: /^One tank less/ }));
    expect(choose).toHaveBeenCalledWith("less");
  });
  test("taken, it can be filled once more instead", () => {
    const choose = offers(planned("4056 ft2", undefined, undefined, true), true);
    expect(screen.getByText("✓ One tank less")).toBeInTheDocument();
    expect(screen.queryByText(/taken for you/)).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: /^Fill once more/ }));
    expect(choose).toHaveBeenCalledWith("fill");
  });
  test("what was taken without being asked for says so", () => {
    offers(planned("4056 ft2", undefined, undefined, true));
    expect(screen.getByText(/Taken for you: one tank less/)).toBeInTheDocument();
  });
  test("is not asked of a real rest, or where the tanks come out even", () => {
    offers(planned("6000 ft2", undefined, "3 oz/1000 ft2"));
    offers(planned("8000 ft2", undefined, "3 oz/1000 ft2"));
    expect(screen.queryByRole("listitem")).toBeNull();
  });
  test("equal loads, where the scale can't measure what the last one takes", () => {
    // 0.5 oz for 1,000: 2 oz for a full load; 0.5 gal of rest take 0.25 oz, less than the scale can tell.
    const choose = offers(planned("4500 ft2", "1 gal/1000 ft2", "0.5 oz/1000 ft2"));
    expect(screen.getByText(/The last load is only 64 fl oz, and the kit can't measure it/)).toBeInTheDocument();
    expect(screen.getByText(/^Even loads/).closest("li")).toHaveTextContent("Even loads: 2 × 2.25 gal");
    expect(screen.getByText(/✓ Fill once more/).closest("li")).toHaveTextContent("4 gal, then 64 fl oz");
    expect(screen.queryByRole("button", { name: "One tank less" })).toBeNull();
    fireEvent.click(screen.getByRole("button", { name: /^Even loads/ }));
    expect(choose).toHaveBeenCalledWith("equal");
  });
  test("no way that a label holds is offered where another one isn't held", () => {
    // One tank less is put down at 0.986 gal for 1,000 sq ft.
    const { file } = planned("4056 ft2").job;
    const ways = (carrierAtLeast: string) => [
      ...lastLoadsOf({ ...file, products: [{ ...file.products![0]!, carrierAtLeast }] }).keys(),
    ];
    expect(ways("0.98 gal/1000 ft2")).toEqual(["less", "fill"]);
    expect(ways("0.99 gal/1000 ft2")).toEqual(["fill"]);
  });
});

describe("what is asked before there is an amount", () => {
  const PER_GALLON: ProductText = { name: "Weed end", form: "liquid", formulation: "SL", rate: "2 tbsp/gal" };
  function Gallon({ of, said }: { of: ProductText; said: (choice: ChoiceText) => void }) {
    const [choice, setChoice] = useState<ChoiceText>({ row: 0, point: "typed" });
    const change = (next: { choice?: ChoiceText }) => {
      setChoice(next.choice!);
      said(next.choice!);
    };
    return <GallonAsk product={productOf(of)} rate={of.rate} name={of.name} choice={choice} change={change} />;
  }
  test("a rate for a gallon: whose ground it is; the answer stands and can be asked again", () => {
    const said = jest.fn();
    show(<Gallon of={PER_GALLON} said={said} />);
    fireEvent.change(screen.getByLabelText(/A gallon is for/), { target: { value: "30 min" } });
    expect(screen.getByRole("button", { name: "That is what it says" })).toBeDisabled();
    fireEvent.change(screen.getByLabelText(/A gallon is for/), { target: { value: "300 sq ft" } });
    fireEvent.click(screen.getByRole("button", { name: "That is what it says" }));
    expect(said).toHaveBeenLastCalledWith({ row: 0, point: "typed", gallon: "300 ft2" });
    expect(screen.getByText(/A gallon is for 300 ft2/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Ask again" }));
    fireEvent.click(screen.getByRole("button", { name: "No ground: the strength counts" }));
    expect(said).toHaveBeenLastCalledWith({ row: 0, point: "typed", gallon: BY_STRENGTH });
    expect(screen.getByText(/Meant as the strength of the mix/)).toBeInTheDocument();
  });
  test("a rate for an area asks nothing", () => {
    show(<Gallon of={{ ...PER_GALLON, rate: "2 tbsp/1000 ft2" }} said={jest.fn()} />);
    expect(screen.queryByLabelText(/A gallon is for/)).toBeNull();
  });

  const { card } = labelEntry("1", "Bent only", "dry", "0.3 oz/1000 ft2", {
    rates: [
      { rate: "0.3 oz/1000 ft2", turf: "bentgrass" },
      { rate: "0.5 oz/1000 ft2", turf: "ryegrass" },
    ],
  });
  test("a row for another turf: the right row in one press, or the reason for this one", () => {
    const [onRow, change] = [jest.fn(), jest.fn()];
    const choice: ChoiceText = { row: 0, point: "most" };
    const { rerender } = show(<TurfAsk card={card} choice={choice} turfs={["ryegrass"]} onRow={onRow} change={change} />);
    expect(screen.getByText(/This row is for bentgrass, the ground is ryegrass/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Take the row for ryegrass" }));
    expect(onRow).toHaveBeenCalledWith(1);
    fireEvent.change(screen.getByLabelText(/Why this row/), { target: { value: "the agronomist" } });
    expect(change).toHaveBeenCalledWith({ choice: { ...choice, reason: "the agronomist" } });
    rerender(<></>);
  });
  test("a label without a row for the ground offers none; on its own ground nothing is asked", () => {
    show(<TurfAsk card={card} choice={{ row: 0, point: "most" }} turfs={["fescue"]} onRow={jest.fn()} change={jest.fn()} />);
    expect(screen.getByText(/The label has no row for all of it/)).toBeInTheDocument();
    show(<TurfAsk card={card} choice={{ row: 0, point: "most" }} turfs={["bentgrass"]} onRow={jest.fn()} change={jest.fn()} />);
    expect(screen.getAllByText(/This row is for/)).toHaveLength(1);
  });
});

test("granules beside a tank: the weight, the bags and the ground, and nothing of a tank", () => {
  const prill: ProductText = {
    name: "Prill",
    form: "dry",
    formulation: "G",
    rate: "3 lb/1000 ft2",
    price: { amount: 40, currency: "USD", per: "50 lb" },
  };
  const job = soundJob(
    mixJob({
      rig: RIG.rig,
      calibration: { sprayVolume: "1 gal/1000 ft2" },
      products: [{ name: "Wetter", form: "liquid", formulation: "SL", rate: "1 fl oz/1000 ft2" }, prill],
      sites: [{ name: "Green", zones: [{ name: "green", area: "20000 ft2" }] }],
      loads: "full-then-part",
    }),
  );
  const { plan } = soundPlan(job);
  expect(plan.products.map((p) => p.name)).toEqual(["Wetter"]);
  show(<SpreadList items={plan.spread} system="us" />);
  expect(screen.getByRole("listitem")).toHaveTextContent(/Prill, Green60 lbon 20,000 sq ft, 2 bags of 50 lb, /);
});
