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

  const from = (kept: object) => {
    localStorage.setItem("spraying:s.1.1", JSON.stringify(kept));
    act(() => void window.dispatchEvent(new StorageEvent("storage", { key: "spraying:s.1.1" })));
  };
  const button = (name: string) => screen.getByRole("button", { name });

  test("says how long it should last, and tells half and the end without a verdict", () => {
    const say = timer();
    expect(screen.getByRole("region", { name: "Load 1 on the ground" })).toHaveTextContent("should last 1 min 30 s");
    expect(screen.getByText(/walk 800 ft/)).toBeInTheDocument();
    fireEvent.click(button("Start spraying"));
    // Whatever the browser's clock began at, the press is now.
    from({ spent: 0, since: Date.now() });
    pass(30);
    expect(screen.getByRole("timer")).toHaveTextContent("0:30");
    pass(16);
    expect(say).toHaveBeenCalledWith(expect.stringContaining("Half of the load"));
    pass(45);
    expect(say).toHaveBeenLastCalledWith("Load 1 should be empty about now. Spray on until it is");
    expect(screen.queryByText(/early|late|As planned/)).toBeNull();
    pass(30);
    fireEvent.click(button("Tank is empty"));
    expect(screen.getByText(/no second pass/)).toBeInTheDocument();
    fireEvent.click(button("Put away"));
    expect(button("Start spraying")).toBeInTheDocument();
  });
  test("turns and shut-offs don't count", () => {
    timer();
    from({ spent: 0, since: Date.now() });
    pass(40);
    from({ spent: 40_000, since: null });
    pass(300);
    expect(screen.getByRole("timer")).toHaveTextContent("0:40");
    from({ spent: 40_000, since: Date.now() });
    pass(50);
    expect(screen.getByRole("timer")).toHaveTextContent("1:30");
    from({ spent: 90_000, since: null, empty: true });
    expect(screen.getByText("As planned, within 5 %.")).toBeInTheDocument();
  });
  test("goes on after a reload", () => {
    localStorage.setItem("spraying:s.1.1", JSON.stringify({ spent: 0, since: Date.now() - 20_000 }));
    timer();
    pass(1);
    expect(screen.getByRole("timer")).toHaveTextContent("0:21");
  });
});
