import { act, fireEvent, screen } from "@testing-library/react";
import { show } from "../testing/show";
import { LoadTimer } from "./load-timer";

describe("a load on the ground", () => {
  beforeEach(() => {
    jest.useFakeTimers({ now: 1_000_000 });
    localStorage.clear();
  });
  afterEach(() => jest.useRealTimers());
  const timer = (say = jest.fn()) => {
    show(<LoadTimer name="s.1.1" number={1} lasts={90} words="1 min 30 s" course={["walk 800 ft"]} say={say} />);
    return say;
  };
  const pass = (seconds: number) => act(() => void jest.advanceTimersByTime(seconds * 1000));

  test("says how long it should last, counts down, and tells half and the end", () => {
    const say = timer();
    expect(screen.getByRole("region", { name: "Load 1 on the ground" })).toHaveTextContent("should last 1 min 30 s");
    expect(screen.getByText(/walk 800 ft/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Start spraying" }));
    // Whatever the browser's clock began at, the press is now.
    localStorage.setItem("load:s.1.1", String(Date.now()));
    act(() => void window.dispatchEvent(new StorageEvent("storage", { key: "load:s.1.1" })));
    pass(30);
    expect(screen.getByRole("timer")).toHaveTextContent("1:00");
    pass(16);
    expect(say).toHaveBeenCalledWith(expect.stringContaining("Half of the load"));
    pass(45);
    expect(say).toHaveBeenLastCalledWith("Load 1 should be empty now");
    expect(screen.getByRole("timer")).toHaveTextContent("0:00");
    expect(screen.getByText(/Empty before: too heavy/)).toBeInTheDocument();
    fireEvent.click(screen.getByRole("button", { name: "Put away" }));
    expect(screen.getByRole("button", { name: "Start spraying" })).toBeInTheDocument();
  });
  test("goes on after a reload", () => {
    localStorage.setItem("load:s.1.1", String(Date.now() - 20_000));
    timer();
    pass(1);
    expect(screen.getByRole("timer")).toHaveTextContent("1:09");
  });
});
