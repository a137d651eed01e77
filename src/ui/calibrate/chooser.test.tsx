import { fireEvent, screen } from "@testing-library/react";
import { show } from "../testing/show";
import { Chooser } from "./chooser";
import { RIG_KINDS } from "@/rig-kinds/rules";

beforeEach(() => localStorage.clear());

const ways = () =>
  screen
    .getAllByRole("button")
    .map((b) => b.querySelector("strong")?.textContent)
    .filter(Boolean);

describe("the method chooser", () => {
  test("shows a few ways, the usual one first, and the rest when asked", () => {
    show(<Chooser kind="backpack" chosen="area-catch" onChoose={() => {}} />);
    expect(ways()).toEqual(["Timed area and catch", "1/128 acre", "Straight course"]);
    fireEvent.click(screen.getByText("4 more ways"));
    expect(ways().length).toBe(7);
  });

  test("what is not at hand puts other ways first; the one chosen stays in sight, with what it lacks", () => {
    show(<Chooser kind="backpack" chosen="area-catch" onChoose={() => {}} />);
    fireEvent.click(screen.getByText("no watch"));
    expect(ways()[0]).toBe("Refill or remainder");
    expect(screen.getByRole("button", { name: /^Timed area and catch ! needs what you lack: watch/ })).toHaveAttribute(
      "aria-pressed",
      "true",
    );
    fireEvent.click(screen.getByText("no tape"));
    fireEvent.click(screen.getByText("no bucket"));
    expect(ways()[0]).toBe("Desk estimate from a tip chart");
    // What one has said is remembered: the shed doesn't grow a tape between two visits.
    expect(JSON.parse(localStorage.getItem("lacking")!)).toEqual(["watch", "tape", "bucket"]);
    fireEvent.click(screen.getByText("no tape"));
    expect(JSON.parse(localStorage.getItem("lacking")!)).toEqual(["watch", "bucket"]);
  });

  test("choosing answers with the method", () => {
    const chosen = jest.fn();
    show(<Chooser kind="boom" chosen="acre-128-boom" onChoose={chosen} />);
    fireEvent.click(screen.getByText("Speed over a distance"));
    expect(chosen).toHaveBeenCalledWith("speed-distance");
  });

  test.each(RIG_KINDS)("a %s is offered no way that isn't its own", (kind) => {
    show(<Chooser kind={kind} chosen="refill" onChoose={() => {}} />);
    const more = screen.queryByText(/more ways?$/);
    if (more) fireEvent.click(more);
    expect(ways().includes("1/128 acre, driven")).toBe(kind === "boom");
    expect(ways().includes("Timed area and catch")).toBe(kind !== "boom");
  });
});
