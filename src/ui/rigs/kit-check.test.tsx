import { fireEvent, screen, within } from "@testing-library/react";
import { RIG, showWith } from "../testing/show";
import { KitCheck } from "./kit-check";

const KIT = {
  vessels: [{ name: "jug", graduation: "1 fl oz", capacity: "64 fl oz" }],
  scales: [{ name: "bench scale", step: "0.01 oz", capacity: "20 oz" }],
};
const rig = { ...RIG, rig: { ...RIG.rig, setup: { kit: KIT } } };
const proof = (more: object) => ({
  id: "proof-1",
  rigId: RIG.id,
  of: "vessel" as const,
  tool: "jug",
  madeAt: "2026-11-16T07:00:00Z",
  known: "32 fl oz",
  shown: "33.2 fl oz",
  ratio: 33.2 / 32,
  good: false,
  ...more,
});

describe("the proof of a kit", () => {
  test("is not asked of a rig without one", () => {
    const { container } = showWith({}, <KitCheck rig={RIG} />);
    expect(container).toBeEmptyDOMElement();
  });

  test("shows the newest proof of each tool, or that there is none", () => {
    showWith(
      { kitChecks: [proof({}), proof({ id: "proof-0", shown: "32 fl oz", ratio: 1, good: true })] },
      <KitCheck rig={rig} />,
    );
    const tools = within(screen.getByRole("list", { name: "Kit proofs" })).getAllByRole("listitem");
    expect(tools[0]).toHaveTextContent("jug, marks of 1 fl oz");
    expect(tools[0]).toHaveTextContent("33.2 fl oz for 32 fl oz (+3.8 %)");
    expect(within(tools[0]!).getByText("off")).toBeInTheDocument();
    expect(within(tools[1]!).getByText("not proved")).toBeInTheDocument();
  });

  test("asks for a weight on a scale and a volume in a vessel", () => {
    showWith({}, <KitCheck rig={rig} />);
    expect(screen.getAllByText("fl oz if no unit").length).toBe(2);
    fireEvent.change(screen.getByLabelText("Tool"), { target: { value: "scale:bench scale" } });
    expect(screen.getAllByText("oz if no unit").length).toBe(2);
  });
});
