import fc from "fast-check";
import { entered } from "../quantity/parse";
import { quantity, valueIn } from "../quantity/quantity";
import { times } from "../quantity/arithmetic";
import { constant, given } from "../working/rule";
import { THOUSAND } from "../working/thousand";
import { againstMark, beatOf, courseTime, marksAt, soundsBetween, type Beat } from "./beat";
import { callsBetween, CALLS, fresh, left, opened, shutOff, sprayed, stripTime } from "./countdown";
import { aimWithin, heldPace, paceRecord } from "./held";
import { LESSONS } from "./lesson-ids";
import { isRight, lessonOf } from "./lessons";
import { swingOf, wetSwath, widthAt } from "./swing";

const count = (n: number) => constant("count", quantity("count", n, ""), "beats");
const length = (text: string) => given(entered(text, "length"), text);

describe("the beat", () => {
  test("44 ft in 10 s are 3 mph (extension handbooks): at 30 in a stride 105.6 steps a minute", () => {
    const speed = given(entered("3 mph", "speed"), "speed");
    expect(valueIn(courseTime(length("44 ft"), speed).value, "s")).toBeCloseTo(10, 9);
    expect(60 / valueIn(beatOf(length("30 in"), speed, count(1)).value, "s")).toBeCloseTo(105.6, 9);
    expect(60 / valueIn(beatOf(length("30 in"), speed, count(3)).value, "s")).toBeCloseTo(316.8, 9);
  });

  const beats = fc.record({
    start: fc.double({ min: 0, max: 1e4, noNaN: true }),
    every: fc.double({ min: 0.1, max: 3, noNaN: true }),
    loud: fc.integer({ min: 1, max: 4 }),
    marks: fc.constant([] as number[]),
  });
  test("each beat falls on its own moment, none twice and none left out, however it is asked for", () => {
    fc.assert(
      fc.property(
        beats,
        fc.array(fc.double({ min: 0.01, max: 4, noNaN: true }), { minLength: 1, maxLength: 30 }),
        (beat: Beat, parts) => {
          let at = beat.start;
          const heard: number[] = [];
          for (const part of parts) {
            heard.push(...soundsBetween(beat, at, at + part).map((sound) => sound.at));
            at += part;
          }
          heard.forEach((moment, n) => expect(Math.abs(moment - (beat.start + n * beat.every))).toBeLessThan(1e-6));
          expect(Math.abs(heard.length - (at - beat.start) / beat.every)).toBeLessThanOrEqual(1 + 1e-6);
        },
      ),
    );
  });
  test("marks sound apart from the beat, the end apart from the marks; a step is louder than its swings", () => {
    const sounds = soundsBetween({ start: 0, every: 0.5, loud: 3, marks: marksAt(2, 2) }, 0, 2.1);
    expect(sounds.filter(({ kind }) => kind === "mark" || kind === "end")).toEqual([
      { at: 1, kind: "mark" },
      { at: 2, kind: "end" },
    ]);
    expect(sounds.filter(({ kind }) => kind === "loud").map(({ at }) => at)).toEqual([0, 1.5]);
  });
  test("early and late at a mark, within a twentieth on the beat", () => {
    expect(againstMark(9, 10).say).toBe("early");
    expect(againstMark(9.6, 10).say).toBe("on the beat");
    expect(againstMark(10.6, 10)).toMatchObject({ say: "late" });
  });
});

describe("whether a pace sits", () => {
  test("three in a row within 5 % of one another and of what is wanted", () => {
    expect(heldPace([12, 10.1, 10.2, 9.9], 10).sits).toBe(true);
    expect(heldPace([10.1, 10.2], 10).sits).toBe(false);
    expect(heldPace([10.1, 10.2, 10.8], 10).sits).toBe(false);
    // Even, but too slow.
    expect(heldPace([11, 11, 11], 10)).toMatchObject({ sits: false, ratio: 1.1 });
  });
  test("a drift is the slope of a straight line through the walks", () => {
    expect(heldPace([10, 10.2, 10.4, 10.6], 10).drift).toBeCloseTo(0.2 / 10.3, 9);
    expect(heldPace([10, 10], 10).drift).toBeNull();
  });
  test("over weeks: from when it sat, and when it was lost", () => {
    const days = [
      { day: "2026-04-01", times: [12, 11, 10.5], wanted: 10 },
      { day: "2026-04-08", times: [10.1, 10, 10.2], wanted: 10 },
      { day: "2026-04-20", times: [10.3], wanted: 10 },
      { day: "2026-05-20", times: [11.2, 11], wanted: 10 },
    ];
    expect(paceRecord(days.slice(0, 3)).held).toEqual({ from: "2026-04-08", to: "2026-04-20", lost: null });
    expect(paceRecord(days).held).toEqual({ from: "2026-04-08", to: "2026-04-20", lost: "2026-05-20" });
    expect(paceRecord(days.slice(0, 1)).held).toBeNull();
  });
  test("scatter within days is pooled: two days of two walks by hand", () => {
    // (10, 10.2): variance 0.02 about 10.1; (20, 20.8): 0.32 about 20.4. As parts, each with one degree of freedom.
    const made = paceRecord([
      { day: "2026-04-01", times: [10, 10.2], wanted: 10 },
      { day: "2026-04-02", times: [20, 20.8], wanted: 20 },
    ]);
    expect(made.freedom).toBe(2);
    expect(made.scatter).toBeCloseTo(Math.sqrt((0.02 / 10.1 ** 2 + 0.32 / 20.4 ** 2) / 2), 12);
    expect(made.band!.low).toBeLessThan(1);
    expect(made.band!.high).toBeGreaterThan(made.mean);
  });
  test("no aim within a label ever passes its end within the band, and none is given where it would", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 1, noNaN: true }),
        fc.double({ min: 1, max: 1.6, noNaN: true }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        fc.double({ min: 3, max: 9, noNaN: true }),
        (low, high, least, most) => {
          const aim = aimWithin({ low, high }, { least, most });
          if (aim === null) return expect(least / low).toBeGreaterThan(most / high);
          for (const rate of [aim.least, aim.most]) {
            expect(rate * high).toBeLessThanOrEqual(most * (1 + 1e-9));
            expect(rate * low).toBeGreaterThanOrEqual(least * (1 - 1e-9));
          }
        },
      ),
    );
  });
});

describe("the countdown", () => {
  test("62 s on 250 sq ft are 248 s on 1,000 (the trade's check value): a strip of 400 sq ft takes 99.2 s", () => {
    const pace = given(entered("248 s", "time"), "pace");
    expect(valueIn(stripTime(given(entered("400 ft2", "area"), "strip"), pace, THOUSAND).value, "s")).toBeCloseTo(99.2, 9);
  });
  test("what passes while it is shut off doesn't count, in whatever order it is pressed", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.boolean(), fc.double({ min: 0, max: 50, noNaN: true })), { maxLength: 20 }), (presses) => {
        let [clock, now, naive, open] = [fresh(100), 0, 0, false];
        for (const [spray, waits] of presses) {
          clock = spray ? opened(clock, now) : shutOff(clock, now);
          open = spray;
          now += waits;
          if (open) naive += waits;
        }
        expect(sprayed(clock, now)).toBeCloseTo(naive, 6);
        expect(left(clock, now)).toBeCloseTo(100 - naive, 6);
      }),
    );
  });
  test("each call falls once, and a strip of 20 s has none at 30", () => {
    const clock = opened(fresh(60), 0);
    const heard: number[] = [];
    for (let t = 0; t < 70; t += 0.7) heard.push(...callsBetween(clock, t, t + 0.7));
    expect(heard).toEqual([...CALLS]);
    const short = opened(fresh(20), 0);
    expect(callsBetween(short, 0, 25)).toEqual([10, 0]);
  });
});

describe("swing and swath", () => {
  test("30 swings in 20 s at 3 mph go forward 2.93 ft each: a fan 1 ft deep leaves strips dry", () => {
    const made = swingOf(given(entered("20 s", "time"), "time"), 30, given(entered("3 mph", "speed"), "speed"), length("1 ft"));
    expect(valueIn(made.advance.value, "ft")).toBeCloseTo(4.4 * (20 / 30), 6);
    expect(made.sweeps).toBeCloseTo(1 / (4.4 * (20 / 30)), 6);
  });
  test("a wand at three quarters of its height is three quarters as wide", () => {
    expect(valueIn(widthAt(length("6 ft"), length("20 in"), length("15 in")).value, "ft")).toBeCloseTo(4.5, 9);
  });
  test("a wet strip less both soft edges", () => {
    expect(valueIn(wetSwath([length("6 ft"), length("6.4 ft")], length("3 in")).value, "ft")).toBeCloseTo(5.7, 9);
  });
});

const SYSTEMS = ["us", "metric"] as const;

describe("lessons", () => {
  test("have answers above nought on any numbers, right themselves, and wrong by a tenth", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...LESSONS),
        fc.integer({ min: 1, max: 1_000_000 }),
        fc.constantFrom(...SYSTEMS),
        (id, seed, system) => {
          const lesson = lessonOf(id, seed, system);
          expect(lessonOf(id, seed, system)).toEqual(lesson);
          expect(isRight(lesson, lesson.answer)).toBe(true);
          expect(isRight(lesson, times(lesson.answer, 1.1))).toBe(false);
          expect(isRight(lesson, times(lesson.answer, 1.01))).toBe(true);
          expect(`${lesson.story}${lesson.why}`).not.toMatch(/NaN|undefined|Infinity/);
        },
      ),
    );
  });
  test("new numbers are other numbers", () => {
    for (const system of SYSTEMS)
      for (const id of LESSONS)
        expect(new Set([1, 2, 3, 4, 5, 6].map((seed) => lessonOf(id, seed, system).story)).size).toBeGreaterThan(2);
  });
  test("by hand: ounces by weight of a liquid of 10 lb a gallon fill 128/160 as many fluid ounces", () => {
    const lesson = Array.from({ length: 200 }, (_, seed) => lessonOf("ounces", seed + 1, "us")).find(({ story }) =>
      story.includes("of 10 lb a gallon"),
    )!;
    const weight = Number(/asks for (\d+) oz/.exec(lesson.story)![1]);
    expect(valueIn(lesson.answer as never, "fl oz" as never)).toBeCloseTo((weight * 128) / 160, 6);
  });
  test("a metric reader's lessons are in metric units throughout, on numbers that are round in them", () => {
    const ours = /\b(?:oz|fl oz|lb|gal|gallon|psi|ft|foot|sq ft|acres?|thousands?|ounces?)\b/i;
    for (const id of LESSONS) {
      const { title, about, story, question, why, unit } = lessonOf(id, 7, "metric");
      expect([title, about, story, question, why, unit].join(" ")).not.toMatch(ours);
      expect(story).not.toMatch(/\d\.\d{5}/);
    }
  });
  test("by hand: 3 L per hectare are 300 mL on 1,000 m², and a liquid of 1.25 kg a litre fills 200 mL of 250 g", () => {
    const found = (id: "acres" | "ounces", of: string) =>
      Array.from({ length: 900 }, (_, seed) => lessonOf(id, seed + 1, "metric")).find(({ story }) => story.includes(of))!;
    const acres = found("acres", "asks for 3 L per hectare. The lawn has 1,000 m²");
    expect(valueIn(acres.answer as never, "mL" as never)).toBeCloseTo(300, 6);
    const grams = found("ounces", "250 g of a made-up liquid of 1.25 kg a litre");
    expect(valueIn(grams.answer as never, "mL" as never)).toBeCloseTo(200, 6);
  });
});
