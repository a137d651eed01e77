import { limitsOfCards } from "../air-seen";
import { goodSpans, hoursOf, momentOfReport, whenAt } from "./hours";
import { simulatedStation } from "@/standins/station";

const NOW = Date.parse("2026-03-02T18:30:00Z");
const utcHour = (at: number) => whenAt(new Date(at).getUTCHours());
const iso = (at: number | undefined) => at && new Date(at).toISOString();

test("a report's day is the last one that was: of this month, or of the one before", () => {
  expect(iso(momentOfReport("021753Z", NOW))).toBe("2026-03-02T17:53:00.000Z");
  expect(iso(momentOfReport("281753Z", NOW))).toBe("2026-02-28T17:53:00.000Z");
  expect(iso(momentOfReport("030000Z", NOW))).toBe("2026-02-03T00:00:00.000Z");
  expect(momentOfReport("1753Z", NOW)).toBeUndefined();
});

test("each hour by its own wind; the spans in which every report said go", () => {
  const text = [
    "KFRY 021053Z 24005KT 9999 SKC 18/12 Q1018",
    "KFRY 021153Z 24006KT 9999 SKC 19/12 Q1018",
    "KFRY 021253Z 24012G19KT 9999 SKC 20/12 Q1018",
    "nothing of the kind",
    "KFRY 021353Z 24004KT 9999 SKC 20/12 Q1018",
  ].join("\n");
  const { hours, unread } = hoursOf(text, limitsOfCards([]), NOW, utcHour);
  expect(hours.map(({ judged }) => judged.verdict)).toEqual(["go", "go", "no", "go"]);
  expect(goodSpans(hours).map((span) => span.map(iso))).toEqual([
    ["2026-03-02T10:53:00.000Z", "2026-03-02T11:53:00.000Z"],
    ["2026-03-02T13:53:00.000Z", "2026-03-02T13:53:00.000Z"],
  ]);
  expect(unread).toEqual(["nothing of the kind"]);
  // A label that wants less wind is the stricter one.
  expect(
    hoursOf(text, limitsOfCards([{ wind: "5 mph" }, { wind: "15 mph" }]), NOW, utcHour).hours.map(({ judged }) => judged.verdict),
  ).toEqual(["no", "no", "no", "go"]);
});

test("a day of the made-up station reads whole, a night of it is no hour to spray", async () => {
  const reports = await Promise.all(Array.from({ length: 24 }, (_, i) => simulatedStation.report(new Date(NOW - i * 3_600_000))));
  const { hours, unread } = hoursOf(reports.join("\n"), limitsOfCards([]), NOW, utcHour);
  expect([hours.length, unread]).toEqual([24, []]);
  expect(hours.some(({ judged }) => judged.verdict === "go")).toBe(true);
  expect(hours.some(({ judged }) => judged.verdict !== "go")).toBe(true);
});
