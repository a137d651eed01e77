import { screen } from "@testing-library/react";
import { entered, parseAs, parseQuantity } from "@/core/quantity/parse";
import { emptySession } from "@/formats/session";
import { PERSON, RIG, showWith } from "../testing/show";
import { CalibrateRoom } from "./calibrate-room";
import { sessionKey } from "./session-key";

jest.mock("@/core/quantity/parse", () => {
  const real = jest.requireActual<object>("@/core/quantity/parse");
  const { parseQuantity, parseAs, entered } = real as Record<string, (...args: unknown[]) => unknown>;
  return { ...real, parseQuantity: jest.fn(parseQuantity), parseAs: jest.fn(parseAs), entered: jest.fn(entered) };
});

/** How often a text was read, whoever asked for it. */
const timesRead = (text: string) =>
  [parseQuantity, parseAs, entered]
    .flatMap((reader) => jest.mocked<jest.Mock>(reader as never).mock.calls as unknown[][])
    .filter(([typed]) => typed === text).length;

test("a reading of the watch is read once on its way to the tape, the slips, the result and the pad", async () => {
  window.localStorage.setItem(
    sessionKey(RIG.id, PERSON.id, undefined),
    JSON.stringify({
      ...emptySession("calibration-1", { rigId: RIG.id, personId: PERSON.id, outlets: 1, method: "area-catch" }),
      area: "250 ft2",
      walks: [{ time: "61.37 s" }],
      catches: [{ volume: "33.21 fl oz", time: "61.52 s" }],
    }),
  );
  showWith({ rigs: [RIG], people: [PERSON] }, <CalibrateRoom />);
  expect((await screen.findAllByText(/61\.37 s/)).length).toBeGreaterThan(1);
  expect([timesRead("61.37 s"), timesRead("61.52 s"), timesRead("33.21 fl oz")]).toEqual([1, 1, 1]);
});
