import { ChakraProvider } from "@chakra-ui/react";
import { fireEvent, render, screen } from "@testing-library/react";
import type { ReactElement } from "react";
import type { Trial } from "@/formats/session";
import { system } from "../theme/system";
import { Tape } from "./tape";
import { watchText } from "./watch";

const show = (element: ReactElement) => render(<ChakraProvider value={system}>{element}</ChakraProvider>);

test.each([
  [0, 1, "0.0"],
  [36, 1, "36.0"],
  [59.99, 1, "59.9"],
  [60, 1, "1:00.0"],
  [62.34, 1, "1:02.3"],
  [605.06, 2, "10:05.06"],
  [-0.2, 1, "0.0"],
])("the watch writes %d with %d decimals as %s", (seconds, decimals, text) => expect(watchText(seconds, decimals)).toBe(text));

describe("the trial tape", () => {
  const trials: Trial[] = [{ time: "61.2 s" }, { time: "75.0 s", struck: "misread" }];

  test("strikes with a reason and keeps the reading", () => {
    const onChange = jest.fn();
    show(<Tape name="Walk" trials={trials} onChange={onChange} />);
    fireEvent.change(screen.getByLabelText("Strike walk 1"), { target: { value: "spilled" } });
    expect(onChange).toHaveBeenCalledWith([{ time: "61.2 s", struck: "spilled" }, trials[1]]);
  });

  test("undoes a striking", () => {
    const onChange = jest.fn();
    show(<Tape name="Walk" trials={trials} onChange={onChange} />);
    fireEvent.click(screen.getByLabelText("Undo striking walk 2"));
    expect(onChange).toHaveBeenCalledWith([trials[0], { time: "75.0 s" }]);
  });

  test("is not there before the first reading", () => {
    show(<Tape name="Catch" trials={[]} onChange={() => {}} />);
    expect(screen.queryByRole("list")).toBeNull();
  });
});
