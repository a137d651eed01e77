import { fireEvent, screen } from "@testing-library/react";
import { showWith } from "../testing/show";
import { CardView, pressed } from "./card-view";
import { CardsRoom, spreadOf } from "./cards-room";
import { isOpen } from "./use-cards";
import { boomOf } from "../pattern/faults";

const push = jest.fn();
jest.mock("next/navigation", () => ({ useRouter: () => ({ push }), usePathname: () => "/calibrate/cards" }));
beforeEach(() => {
  localStorage.clear();
  // Nothing is drawn here.
  HTMLCanvasElement.prototype.getContext = () => null;
});

const SEEN = {
  measured: {
    cover: 0.1,
    fallen: 3,
    area: 18,
    smallest: 0.2,
    told: "stains",
    coverOff: 0.01,
    stains: [
      { x: 10, y: 10, diameter: 1, split: false },
      { x: 20, y: 12, diameter: 2, split: false },
      { x: 30, y: 12, diameter: 3, split: false },
    ],
  },
} as never;
const NONE = { out: [], added: [] };

describe("a press on a card", () => {
  test("takes out the stain under it, and puts it back", () => {
    const out = pressed(SEEN, NONE, 20.4, 12);
    expect(out).toEqual({ out: [1], added: [] });
    expect(pressed(SEEN, out, 20, 12.3)).toEqual(NONE);
  });
  test("adds one as large as most where there is none, and takes it away again", () => {
    const more = pressed(SEEN, NONE, 50, 20);
    expect(more.added).toEqual([{ x: 50, y: 20, diameter: 2 }]);
    expect(pressed(SEEN, more, 50, 20)).toEqual(NONE);
  });
});

describe("a paper's spread", () => {
  test("is a number from one to six, or nothing is said of drops", () => {
    expect(["", " ", "1", "1.9", "2,1", "0.9", "7", "wide"].map(spreadOf)).toEqual([
      undefined,
      undefined,
      1,
      1.9,
      2.1,
      null,
      null,
      null,
    ]);
  });
  test("tells drops from their stains: so many times as narrow", () => {
    const seen = { ...(SEEN as object), shown: { width: 10, height: 10, rgba: new Uint8ClampedArray(400) }, rim: 0, perMm: 10 };
    const card = { seen, corrected: NONE, cut: 0.5 } as never;
    const view = (spread: number | undefined) => (
      <CardView
        number={1}
        card={card}
        busy={false}
        spread={spread}
        onCorrect={jest.fn()}
        onCut={jest.fn()}
        onDry={jest.fn()}
        onDrop={jest.fn()}
      />
    );
    const { unmount } = showWith({}, view(2));
    expect(screen.getByText(/Half of the stains are under 2,000 µm/)).toHaveTextContent(
      /Drops, by a spread of 2: half under 1,000 µm/,
    );
    unmount();
    showWith({}, view(undefined));
    expect(screen.getByText(/Half of the stains/)).not.toHaveTextContent(/Drops/);
  });
});

test("a card of one colour is no 0 %: somebody says that nothing fell on it, or leaves it out", () => {
  const onDry = jest.fn();
  const measured = { ...(SEEN as { measured: object }).measured, told: "one colour", cover: 0, fallen: 0, stains: [] };
  const seen = { measured, shown: { width: 10, height: 10, rgba: new Uint8ClampedArray(400) }, rim: 0, perMm: 10 };
  const card = { seen, cut: 0.5, corrected: NONE };
  const view = (of: object) => (
    <CardView
      number={2}
      card={of as never}
      busy={false}
      spread={undefined}
      onCorrect={jest.fn()}
      onCut={jest.fn()}
      onDry={onDry}
      onDrop={jest.fn()}
    />
  );
  const shown = showWith({}, view(card));
  expect(screen.getByText("2: all one colour")).toBeInTheDocument();
  expect(screen.queryByText(/% covered/)).toBeNull();
  fireEvent.click(screen.getByRole("button", { name: "Nothing fell on it" }));
  expect(onDry).toHaveBeenCalled();
  expect(isOpen(card as never)).toBe(true);
  shown.unmount();
  showWith({}, view({ ...card, dry: true }));
  expect(screen.getByText("2: 0 % covered")).toBeInTheDocument();
  expect(isOpen({ ...card, dry: true } as never)).toBe(false);
});

test("cards that were taken are there after a reload, one may be taken off, and they go on to the swath as what fell", () => {
  localStorage.setItem("cards", JSON.stringify({ size: "76x26", spacing: "", covers: [0.1, 0.5, 0.2, 0.05] }));
  showWith({}, <CardsRoom />);
  fireEvent.click(screen.getByRole("button", { name: "Take card 4 off the pass" }));
  const on = screen.getByRole("button", { name: "Work out the swath" });
  expect(on).toBeDisabled();
  fireEvent.change(screen.getByLabelText("They lay apart by"), { target: { value: "1 ft" } });
  fireEvent.click(on);
  expect(push).toHaveBeenCalledWith("/calibrate/pattern");
  // −ln(1 − cover), per cent of a card.
  expect(JSON.parse(localStorage.getItem("pattern")!)).toMatchObject({ spacing: "1 ft", caught: "10.54 69.31 22.31" });
});

test("a boom that is none isn't driven", () => {
  const draft = {
    outlets: "8",
    spacing: "20 in",
    height: "20 in",
    angle: "110",
    which: "3",
    gives: "0",
    drift: "0",
    yaw: "0",
  } as const;
  expect(boomOf(draft)!.gives).toEqual([1, 1, 0, 1, 1, 1, 1, 1]);
  for (const more of [{ outlets: "0" }, { outlets: "2.5" }, { outlets: "900" }, { spacing: "wide" }, { height: "" }])
    expect(boomOf({ ...draft, ...more })).toBeUndefined();
});
