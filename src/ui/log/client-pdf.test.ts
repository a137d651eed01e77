import type { ApplicationEntry, LookEntry } from "@/formats/entries";
import type { CardText } from "@/formats/card/card";
import { clientLines } from "./client-pdf";

jest.mock("../parts/pdf", () => ({ INK: "#000", savePdf: jest.fn() }));
jest.mock("@react-pdf/renderer", () => ({ StyleSheet: { create: (styles: object) => styles } }));

const CARD = {
  name: "Tollguard",
  waterLeast: "0.25 in",
  waterMost: "0.5 in",
  waterWithin: "24 h",
  keepDry: "4 h",
  reentry: "when dry",
  visible: "after 10 to 14 days",
  suppresses: "nutsedge",
} as unknown as CardText;
const record = (facts: ApplicationEntry["facts"]) =>
  ({ id: "r", date: "2026-10-20", zoneId: "z", labelId: "l", facts }) as unknown as ApplicationEntry;

describe("what a client is told of a product", () => {
  test("what its label says, where nobody said otherwise", () =>
    expect(clientLines(record(null), CARD, [])).toEqual([
      "Stay off: when dry.",
      "Water: 0.25 in to 0.5 in within 24 h.",
      "Keep it dry for 4 h: sprinklers off.",
      "Nothing can be seen before 3 Nov 2026; please don't judge it until then.",
      "It holds back nutsedge; it doesn't take it away.",
    ]));
  test("what was agreed stands in front of the label, and what was seen afterwards behind it", () => {
    const look = (more: object) =>
      ({
        kind: "inspection",
        zoneId: "z",
        labelId: "l",
        date: "2026-11-05",
        says: { control: "80 %" },
        of: { date: "2026-10-20" },
        ...more,
      }) as unknown as LookEntry;
    const told = clientLines(record({ target: "crabgrass", watering: "client, tonight", reentry: "tomorrow noon" }), CARD, [
      look({}),
      look({ zoneId: "another" }),
      look({ of: { date: "2026-05-01" } }),
    ]);
    expect(told.slice(0, 3)).toEqual(["Against crabgrass.", "Stay off: tomorrow noon.", "Water: client, tonight."]);
    expect(told.slice(6)).toEqual(["We looked again on 5 Nov 2026: control 80 %."]);
  });
  test("of a product without a card nothing is made up", () => expect(clientLines(record(null), undefined, [])).toEqual([]));
});
