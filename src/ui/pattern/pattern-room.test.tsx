import { fireEvent, screen } from "@testing-library/react";
import { showWith, RIG } from "../testing/show";
import { caughtOf, PatternRoom } from "./pattern-room";

jest.mock("./swath-chart", () => ({ SwathChart: () => null }));
beforeEach(() => localStorage.clear());

const type = (name: RegExp | string, value: string) => {
  const field = screen.getByLabelText(name);
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

test("readings are numbers apart by anything; what is none is named", () => {
  expect(caughtOf("0 2\n5;9, 10.5")).toEqual({ deposit: [0, 2, 5, 9, 10.5], strange: undefined });
  expect(caughtOf("0 -2 5")).toEqual({ deposit: [], strange: "-2" });
});

test("from what a pass threw to the widest even swath; another one is looked at, and an uneven one isn't taken", () => {
  localStorage.setItem("in-hand", JSON.stringify({ rigId: RIG.id }));
  showWith({ rigs: [RIG] }, <PatternRoom />);
  expect(screen.getByText(/Three readings or more/)).toBeInTheDocument();
  type("They lie apart by", "1");
  type(/What each caught/, "0 2 5 9 10 9 5 2 0");
  const found = screen.getByRole("region", { name: "What it comes to" });
  expect(found).toHaveTextContent("5 ft is the widest swath that is even enough");
  expect(found).toHaveTextContent(
    "At 5 ft: 14.3 % there and back, 14.3 % always the same way; the lawn gets between 83.3 % and 119 % of the mean.",
  );
  expect(screen.getByRole("button", { name: /Take 5 ft to/ })).toBeEnabled();
  fireEvent.change(screen.getByRole("slider"), { target: { value: "8" } });
  expect(found).toHaveTextContent("✕ At 8 ft:");
  expect(screen.getByRole("button", { name: /Take 8 ft to/ })).toBeDisabled();
  type(/What each caught/, "0 2 five");
  expect(screen.getByText(/"five" is no number/)).toBeInTheDocument();
});
