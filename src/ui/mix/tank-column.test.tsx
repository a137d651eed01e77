import { fireEvent, screen, within } from "@testing-library/react";
import { allFillings } from "@/core/mixing/column";
import { given } from "@/core/working/rule";
import { mixJob, soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { ProductText } from "@/formats/job-file/types";
import { RIG, show } from "../testing/show";
import { sheetLine } from "./sheet-line";
import { TankColumns } from "./tank-column";
import { Totals } from "./totals";

const PRODUCTS: ProductText[] = [
  { name: "Wetter", form: "liquid", formulation: "SL", rate: "1.5 fl oz/1000 ft2" },
  {
    name: "Granule",
    form: "dry",
    formulation: "WG",
    rate: "0.3 oz/1000 ft2",
    price: { amount: 64, currency: "USD", per: "80 oz" },
  },
];

function planned(area: string) {
  const job = soundJob(
    mixJob({
      rig: RIG.rig,
      calibration: { sprayVolume: "1 gal/1000 ft2" },
      products: PRODUCTS,
      sites: [{ name: "Green", zones: [{ area }] }],
      loads: "full-then-part",
    }),
  );
  return { plan: soundPlan(job).plan, usable: given(job.tank!.usable, "usable volume") };
}

describe("tank columns", () => {
  test("pour in pouring order, with what to measure on what, down to the last load", () => {
    const { plan, usable } = planned("10,000 ft2");
    show(<TankColumns products={plan.products} fillings={allFillings(plan)} usable={usable} system="us" />);
    expect(screen.getAllByRole("region").map((r) => r.getAttribute("aria-label"))).toEqual(["Loads 1 and 2, each", "Load 3"]);
    const steps = within(screen.getByRole("region", { name: "Loads 1 and 2, each" })).getAllByRole("listitem");
    expect(steps.map((s) => s.textContent)).toEqual([
      "Clean water to2 galhalf, before anything else",
      "Granule (WG)1.2 ozby weight, on the scale · stir to a slurry in a pail first",
      "Wetter (SL)6 fl ozby volume, in the cup",
      "Rinse what you measured withinto the tankthree times, then close and agitate",
      "Fill to4 galfrom above, then agitate again",
    ]);
    expect(screen.getByRole("region", { name: "Load 3" })).toHaveTextContent("2,000 sq ft");
  });

  test("are ticked one by one, load by load", () => {
    const { plan, usable } = planned("8,000 ft2");
    const onTick = jest.fn();
    show(
      <TankColumns
        products={plan.products}
        fillings={allFillings(plan)}
        usable={usable}
        system="us"
        done={new Set(["1.1.water"])}
        onTick={onTick}
      />,
    );
    const second = within(screen.getByRole("region", { name: "Load 2" })).getAllByRole("checkbox");
    expect(within(screen.getByRole("region", { name: "Load 1" })).getAllByRole("checkbox")[0]).toBeChecked();
    fireEvent.click(second[1]!);
    expect(onTick).toHaveBeenCalledWith("1.2.product-2", true);
  });

  test("a finished load says so", () => {
    const { plan, usable } = planned("4,000 ft2");
    const all = ["water", "product-1", "product-2", "rinse", "top-up"].map((s) => `1.1.${s}`);
    show(
      <TankColumns
        products={plan.products}
        fillings={allFillings(plan)}
        usable={usable}
        system="us"
        done={new Set(all)}
        onTick={() => {}}
      />,
    );
    expect(screen.getByRole("heading", { name: "Load 1 ✓" })).toBeInTheDocument();
  });

  test("one mark's unit for half and full", () => {
    const { plan, usable } = planned("1,400 ft2");
    show(<TankColumns products={plan.products} fillings={allFillings(plan)} usable={usable} system="us" />);
    expect(screen.getByRole("region", { name: "Load 1" })).toHaveTextContent("Clean water to0.7 gal");
  });
});

test.each([
  ["3,000 ft2", "1 load · 3 gal of spray on 3,000 sq ft"],
  ["8,000 ft2", "2 loads, each 4 gal · 8 gal of spray on 8,000 sq ft"],
  ["10,000 ft2", "3 loads, the last 2 gal · 10 gal of spray on 10,000 sq ft"],
])("%s in a line: %s", (area, line) => expect(sheetLine(planned(area).plan, "us")).toBe(line));

test("totals with what they cost, in pouring order", () => {
  show(<Totals plan={planned("6,200 ft2").plan} system="us" />);
  expect(screen.getAllByRole("definition").map((d) => d.textContent)).toEqual([
    "1.86 oz · 1.49 USD",
    "0.24 USD per 1,000 sq ft",
    "0.3 oz in each gallon",
    "80 oz at 64.00 USD: enough for 43 of these",
    "9.3 fl oz",
    "1.5 fl oz in each gallon",
  ]);
});
