import { fireEvent, screen } from "@testing-library/react";
import { calibrate } from "@/core/calibration/calibrate";
import { calibrationJob, soundJob } from "@/formats/job-file/assemble";
import type { HeadText } from "@/formats/job-file/types";
import { labelEntry, showWith } from "../testing/show";
import type { RigEntry } from "@/formats/entries";
import { emptySession } from "@/formats/session";
import { FlowAlone, HeadFacts } from "./head-facts";
import { workedOut } from "./worked-out";

beforeEach(() => localStorage.clear());

const WETTER = labelEntry("label-1", "Wetter", "liquid", "4 fl oz/1000 ft2");
const STRENGTH = labelEntry("label-2", "Sticker", "liquid", "0.25 %v/v");
const GRANULE = labelEntry("label-3", "Granule", "dry", "0.3 oz/1000 ft2");

/** 2.5 gal/min through the head, 60 s for 1,000 sq ft. */
function head(of: HeadText) {
  const rig = { kind: "hose-end" as const, tanks: [{ usable: "32 fl oz" }], head: of };
  const job = soundJob(
    calibrationJob(rig, {
      pace: { kind: "timed-area", area: "1000 ft2", times: ["60 s", "60 s"] },
      flow: { kind: "metered-flow", whole: "2.5 gal/min" },
    }),
  );
  showWith(
    { labels: [WETTER, STRENGTH, GRANULE] },
    <HeadFacts made={calibrate(job.calibration)} input={job.calibration} tank={job.tank} system="us" />,
  );
}
const pick = (label: string, value: string) => fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe("a hose-end head (check values: common practice)", () => {
  test("a metered feed: 160 : 1, 2 min for 4 fl oz, half the label at a minute", () => {
    head({ kind: "metered", feed: "2 fl oz/min" });
    expect(screen.getByText("160:1")).toBeInTheDocument();
    pick("Product, by its label", WETTER.id);
    expect(screen.getByText("120.0 s for 1,000 sq ft")).toBeInTheDocument();
    expect(screen.getByText(/Too little: 50 % of the label rate/)).toBeInTheDocument();
    expect(screen.queryByText(/Never set the dial/)).toBeNull();
  });

  test("a dial for the pace, and the label-number mistake with its seconds and factor", () => {
    head({ kind: "dial", setting: "1.6 fl oz/gal" });
    pick("Product, by its label", WETTER.id);
    expect(screen.getByText("1 × the label rate")).toBeInTheDocument();
    expect(screen.queryByText(/Too much|Too little/)).toBeNull();
    expect(screen.getByText("1.6 fl oz per gal")).toBeInTheDocument();
    expect(screen.getByText("24 s")).toBeInTheDocument();
    expect(screen.getByText("2.5 times")).toBeInTheDocument();
  });

  test("a jar made up with water needs its dial higher", () => {
    head({ kind: "dial", setting: "2 fl oz/gal", jar: { product: "8 fl oz", water: "4 fl oz" } });
    pick("Product, by its label", WETTER.id);
    expect(screen.getByText("2.4 fl oz per gal")).toBeInTheDocument();
  });

  test("how long a jar lasts needs no label rate", () => {
    // 32 fl oz at 2 fl oz a minute.
    head({ kind: "metered", feed: "2 fl oz/min" });
    expect(screen.getByText("16 min 00 s")).toBeInTheDocument();
  });

  test("a run sheet without a label rate still says what the flow does", () => {
    const rig = { id: "rig-head-1", rig: { name: "Head", kind: "hose-end" as const, tanks: [{ usable: "32 fl oz" }], head: { kind: "dial" as const, setting: "1.6 fl oz/gal" } } }; // prettier-ignore
    const begun = emptySession("session-1", {
      rigId: rig.id,
      personId: "person-1",
      outlets: 1,
      method: "head-flow",
      system: "us",
    });
    const sheet = { ...begun, catches: [{ volume: "2.5 gal", time: "60 s" }] };
    const worked = workedOut(rig as unknown as RigEntry, sheet);
    expect(worked.reading).toMatchObject({ state: "lacking", lacks: ["rate"] });
    showWith({}, <FlowAlone {...worked.head!} flow={worked.flow!} system="us" />);
    // 1.6 fl oz for each of 2.5 gal a minute: 4 fl oz drawn, in a stream of 320.
    expect(screen.getByText("80:1")).toBeInTheDocument();
    expect(screen.getByText("8 min 00 s")).toBeInTheDocument();
  });

  test("only liquids go into a jar, and one with a strength has no pace", () => {
    head({ kind: "dial", setting: "2 fl oz/gal" });
    expect(screen.queryByRole("option", { name: "Granule" })).toBeNull();
    pick("Product, by its label", STRENGTH.id);
    expect(screen.queryByText(/the label rate$/)).toBeNull();
  });

  test.each([
    ["herbicide", "✕ Stop"],
    ["pre-emergent", "✕ Stop"],
    ["fungicide", "! Act"],
    ["biostimulant", "Note"],
  ])("what %s is told begins with %s and ends with the label", (use, sign) => {
    head({ kind: "metered", feed: "2 fl oz/min" });
    pick("What it is for", use);
    expect(screen.getByText(sign).parentElement).toHaveTextContent(/The label decides\.$/);
  });

  test("the bare tap against the head, and the draw check", () => {
    head({ kind: "dial", setting: "2 fl oz/gal" });
    const [tapTime, drawTime] = screen.getAllByLabelText("in");
    pick("Bare tap gave", "7.5 gal");
    fireEvent.change(tapTime!, { target: { value: "60" } });
    expect(screen.getByText("3 ×")).toBeInTheDocument();
    pick("The jar fell by", "4 fl oz");
    fireEvent.change(drawTime!, { target: { value: "60" } });
    // Dial 2 at 2.5 gal/min should draw 5 fl oz a minute.
    expect(screen.getByText("80 %")).toBeInTheDocument();
    expect(screen.getByText(/clean it, or go by what it draws/)).toBeInTheDocument();
  });
});
