import { fireEvent, screen, within } from "@testing-library/react";
import { mixJob, soundJob, soundPlan } from "@/formats/job-file/assemble";
import type { AppliedText, ProductText } from "@/formats/job-file/types";
import { labelEntry, RIG, show, showWith } from "../testing/show";
import { BudgetBars } from "./budget-bars";
import { CheckLoad } from "./check-load";
import { Held } from "./held";
import { LabelCautions } from "./label-cautions";

const GRANULE: ProductText = {
  name: "Granule",
  form: "dry",
  rate: "0.3 oz/1000 ft2",
  actives: [{ name: "osselfenate", fraction: "40 %" }],
  limits: { perYear: "0.8 oz/1000 ft2", yearKind: "rolling" },
};
const down = (amount: string): AppliedText => ({
  of: "Granule",
  active: "osselfenate",
  fraction: "40 %",
  amount,
  date: "2026-05-01",
});

function plan(products: readonly ProductText[], ...zones: (readonly AppliedText[])[]) {
  const job = soundJob(
    mixJob({
      rig: RIG.rig,
      calibration: { sprayVolume: "1 gal/1000 ft2" },
      products,
      sites: [{ name: "Green", zones: zones.map((applied, i) => ({ name: `zone ${"abc"[i]}`, area: "2000 ft2", applied })) }],
      loads: "full-then-part",
      date: "2026-09-02",
    }),
  );
  return soundPlan(job).plan;
}

describe("a held plan", () => {
  const use = { use: "pre-emergent" as const };
  const shelf = [
    labelEntry("1", "Granule", "dry", "0.3 oz/1000 ft2", { ...use, actives: [{ name: "osselfenate", content: "40 %" }] }),
    labelEntry("2", "Fogbell", "liquid", "0.5 fl oz/1000 ft2", { ...use, actives: [{ name: "quayrafen", content: "4 lb/gal" }] }),
    labelEntry("3", "Same", "dry", "1 oz/1000 ft2", { ...use, actives: [{ name: "Osselfenate", content: "1 %" }] }),
    labelEntry("4", "Wetter", "liquid", "6 fl oz/1000 ft2", { use: "wetting agent", actives: [{ name: "x", content: "9 %" }] }),
  ];
  test("shows no amount, the reason, the most still allowed of the tightest zone, and what else is on the shelf", () => {
    const lower = jest.fn();
    showWith(
      { labels: shelf },
      <Held plan={plan([GRANULE], [down("0.6 oz/1000 ft2")], [down("0.7 oz/1000 ft2")])} system="us" onLower={lower} />,
    );
    const held = screen.getByRole("alert");
    expect(held).toHaveTextContent("Held: no amounts");
    expect(held).toHaveTextContent("So on zone a, zone b.");
    expect(held).toHaveTextContent("Most allowed now: 0.1 oz per 1,000 sq ft");
    expect(held).toHaveTextContent("with another active: Fogbell (quayrafen). Which one");
    expect(screen.queryByText(/Fill to|Clean water/)).toBeNull();
    fireEvent.click(within(held).getByRole("button", { name: "Lower the rate to it" }));
    expect(lower).toHaveBeenCalledWith("Granule", expect.anything());
  });
  test("where nothing is left, nothing is offered", () => {
    showWith({ labels: [] }, <Held plan={plan([GRANULE], [down("0.8 oz/1000 ft2")])} system="us" onLower={jest.fn()} />);
    expect(screen.getByRole("alert")).toHaveTextContent("Most allowed now: nothing");
    expect(screen.queryByRole("button")).toBeNull();
  });
});

test("budget bars say what is down, what is planned and the limit, and that it is over", () => {
  show(<BudgetBars budgets={plan([GRANULE], [], [down("0.7 oz/1000 ft2")]).budgets} system="us" />);
  const [first, second] = screen.getAllByRole("listitem");
  expect(first).toHaveTextContent("nothing down · 0.3 oz per 1,000 sq ft planned · limit 0.8 oz per 1,000 sq ft in 12 months");
  expect(second).toHaveTextContent("✕ over · 0.7 oz per 1,000 sq ft down · 0.3 oz per 1,000 sq ft planned");
});

test("a load that somebody measured is held against its own area and rate, and against the label, in words and percent", () => {
  const liquid: ProductText = { name: "Wetter", form: "liquid", rate: "6 fl oz/1000 ft2" };
  const limited = { ...GRANULE, limits: { perApplication: "0.35 oz/1000 ft2" } };
  show(<CheckLoad plan={plan([limited, liquid], [])} system="us" />);
  const type = (name: string, value: string) =>
    fireEvent.change(screen.getByLabelText(`In the tank of ${name}`), { target: { value } });
  type("Granule", "1.2");
  expect(screen.getByText("enough for 4,000 sq ft")).toBeInTheDocument();
  expect(screen.getByText("Granule: as planned, within rounding of the 1.2 oz that this load takes.")).toBeInTheDocument();
  type("Granule", "1.35");
  expect(screen.getByText(/13 % over the 1.2 oz that this load takes. It is not what this load is for/)).toBeInTheDocument();
  // Both ten times too much: for the same area, and still nothing to spray.
  type("Granule", "12");
  type("Wetter", "240");
  expect(
    screen.getByText(
      /Granule: 10 times the 1.2 oz that this load takes, and over its label's most at once, 0.35 oz per 1,000 sq ft/,
    ),
  ).toBeInTheDocument();
  expect(screen.getByText(/Wetter: 10 times the 24 fl oz that this load takes. It is not/)).toBeInTheDocument();
  expect(screen.queryByText(/as planned/)).toBeNull();
  type("Wetter", "12 fl oz");
  expect(screen.getByText(/Wetter: 50 % under the 24 fl oz that this load takes. Too light/)).toBeInTheDocument();
  type("Granule", "1.2");
  expect(screen.getByText(/measured for different areas: Granule for 4,000 sq ft, Wetter for 2,000 sq ft/)).toBeInTheDocument();
  type("Wetter", "24 oz");
  expect(screen.getByText(/✕ .*(not be|unit|write)/)).toBeInTheDocument();
});

test("the gear and the cautions of all labels, each once, before the usual ones", () => {
  const card = (name: string, more: object): ProductText => ({ name, form: "dry", rate: "1 oz/1000 ft2", label: more });
  const gloves = { item: "gloves", type: "nitrile" };
  show(
    <LabelCautions
      sites={[]}
      products={[
        card("A", { signalWord: "danger", gear: [gloves, { item: "boots" }], reentry: "when dry", emergency: "000" }),
        card("B", { gear: [{ item: "gloves", type: "long" }], reentry: "when dry" }),
      ]}
    />,
  );
  expect(screen.getByText("DANGER").nextSibling).toHaveTextContent("A");
  expect(screen.getByText("gloves (nitrile, long) · boots")).toBeInTheDocument();
  expect(screen.getAllByText("when dry").length).toBe(1);
  expect(screen.getByText(/The label is binding, then local rules and your licence/)).toBeInTheDocument();
});
