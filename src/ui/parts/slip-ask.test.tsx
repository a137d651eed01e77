import { fireEvent, screen } from "@testing-library/react";
import { useState } from "react";
import type { Slip } from "@/core/slips/slip";
import { show } from "../testing/show";
import { SlipAsk, SlipKeeper, type Dismissed } from "./slip-ask";

const SLIPS: Slip[] = [
  { code: "acre-for-1000", says: "oz per acre was probably meant", corrected: "13 oz/ac" },
  { code: "decimal-point", says: "the decimal point is probably one place off", corrected: "1.3 oz/1000 ft2" },
];
const take = jest.fn();
const kept = jest.fn();
function Asked({ typed = "13", slips = SLIPS }: { typed?: string; slips?: readonly Slip[] }) {
  const [dismissed, setDismissed] = useState<readonly Dismissed[]>([]);
  return (
    <SlipKeeper
      dismissed={dismissed}
      dismiss={(more) => {
        kept(more);
        setDismissed([...dismissed, ...more]);
      }}
    >
      <SlipAsk field="rate" typed={typed} slips={slips} onTake={take} />
    </SlipKeeper>
  );
}
beforeEach(() => {
  take.mockReset();
  kept.mockReset();
});

test("says what probably happened and offers each corrected value", () => {
  show(<Asked />);
  expect(screen.getByRole("alert")).toHaveTextContent("Oz per acre was probably meant.");
  fireEvent.click(screen.getByRole("button", { name: "Take 1.3 oz/1000 ft2" }));
  expect(take).toHaveBeenCalledWith("1.3 oz/1000 ft2");
});

test("is only put aside with a reason, which is kept; and then never asked again", () => {
  show(<Asked />);
  fireEvent.click(screen.getByRole("button", { name: "It is meant" }));
  expect(screen.getByRole("button", { name: "Keep it" })).toBeDisabled();
  fireEvent.change(screen.getByLabelText("Why it is meant"), { target: { value: " spot rate " } });
  fireEvent.keyDown(screen.getByLabelText("Why it is meant"), { key: "Enter" });
  expect(kept).toHaveBeenCalledWith([
    { field: "rate", slip: "acre-for-1000", typed: "13", reason: "spot rate" },
    { field: "rate", slip: "decimal-point", typed: "13", reason: "spot rate" },
  ]);
  expect(screen.queryByRole("alert")).toBeNull();
});

test("a slip with nothing to offer is told all the same; no slip says nothing", () => {
  const { rerender } = show(<Asked slips={[{ code: "between-marks", says: "read between the marks", corrected: null }]} />);
  expect(screen.getByRole("alert")).toHaveTextContent("Read between the marks.");
  expect(screen.queryByRole("button", { name: /^Take/ })).toBeNull();
  rerender(<Asked slips={[]} />);
  expect(screen.queryByRole("alert")).toBeNull();
});
