import { raw } from "@/core/quantity/kinds";
import { standingOf } from "@/core/calibration/standing";
import type { RigText } from "./job-file/types";
import { standsOn } from "./stands-on";
import { fitsHead, heldOf, isHead, isSetup, kitOf, readTip, settingsOf, setupOn } from "./rig-setup";

const PACK: RigText = {
  name: "Blue backpack",
  kind: "backpack",
  tanks: [{ name: "main", usable: "4 gal", leastMix: "0.5 gal" }],
  outlets: { count: 1 },
  tip: { size: "025", pressure: "40 psi" },
};
const SETUPS = [
  { name: "turf", size: "025", pressure: "40 psi" },
  { name: "beds", size: "015", pressure: "30 psi", nozzle: "shield on", swath: "2 ft" },
];
const set = (tip: NonNullable<RigText["tip"]>, setup: object): RigText => ({
  ...PACK,
  tip,
  setup: { setups: SETUPS, ...setup },
});

test("the measured swath is held constant: with another one what was calibrated is stale", () => {
  expect(heldOf({ ...PACK, setup: { swath: "5 ft" } })).toEqual({ swath: "5 ft" });
  const at = (swath: string) => standsOn({ ...PACK, setup: { swath } });
  expect(standingOf(at("5 ft"), at("5 ft"), 20_000, 20_001, undefined).state).not.toBe("stale");
  expect(standingOf(at("5 ft"), at("6 ft"), 20_000, 20_001, undefined)).toMatchObject({ state: "stale" });
});

describe("setups of a rig", () => {
  test("a rig stands in the setup whose tip, pressure and nozzle setting are on", () => {
    expect(setupOn(set({ size: "025", pressure: "40 psi" }, {}))?.name).toBe("turf");
    expect(setupOn(set({ size: "015", pressure: "30 psi" }, { nozzle: "shield on" }))?.name).toBe("beds");
  });
  test("and in none where one of them is another", () => {
    expect(setupOn(set({ size: "015", pressure: "30 psi" }, {}))).toBeUndefined();
    expect(setupOn(set({ size: "025", pressure: "35 psi" }, {}))).toBeUndefined();
    expect(setupOn(PACK)).toBeUndefined();
  });
  test.each([
    ["nothing", {}, true],
    ["the setups of a rig", { setups: SETUPS }, true],
    ["a setup without a name", { setups: [{ name: " " }] }, false],
    ["a tip that no maker sizes so", { setups: [{ name: "a", size: "blue" }] }, false],
    ["a pressure without a unit of pressure", { setups: [{ name: "a", pressure: "40 ft" }] }, false],
    ["a swath of the rig itself", { swath: "5 ft" }, true],
    ["one that is a volume", { swath: "5 gal" }, false],
    ["a swath of nothing", { setups: [{ name: "a", swath: "0 ft" }] }, false],
    ["more setups than anybody has", { setups: Array.from({ length: 13 }, (_, i) => ({ name: `s${i}` })) }, false],
    ["a list that holds nothing", { setups: [null] }, false],
    ["numbers of a dial", { settings: ["1", "2 fl oz/gal", "4"] }, true],
    ["words for numbers of a dial", { settings: ["low"] }, false],
    ["a key that no rig has", { colour: "blue" }, false],
    ["uses that products have", { uses: ["herbicide"] }, true],
    ["uses that none has", { uses: ["paint"] }, false],
  ])("%s: %j is read: %s", (_, setup, read) => expect(isSetup(setup)).toBe(read));
  test("a set-up that can't be read counts as none", () => {
    expect(setupOn({ ...PACK, setup: { setups: "two" } as never })).toBeUndefined();
    expect(heldOf({ ...PACK, setup: { nozzle: "stream", hose: { diameter: "1/2 in", length: "100 ft" } } })).toEqual({
      "nozzle setting": "stream",
      hose: "1/2 in × 100 ft",
    });
  });
});

describe("the head of a rig", () => {
  const dial = (settings: readonly string[]): RigText => ({
    name: "Bed head",
    kind: "hose-end",
    head: { kind: "dial", setting: "8" },
    tanks: [{ name: "jar", usable: "32 fl oz" }],
    setup: { settings },
  });
  const metered: RigText = { ...dial([]), head: { kind: "metered", feed: "16 fl oz/min" } };
  test("is set to a number that it has, in a mix of its own jar", () => {
    const jar = { product: "8 fl oz", water: "24 fl oz" };
    expect(fitsHead(dial(["1", "2", "4"]), { kind: "dial", setting: "2", jar })).toBe(true);
    expect(fitsHead(dial(["1", "2", "4"]), { kind: "dial", setting: "3" })).toBe(false);
    // What is on is always a number that it has; without a list any may be.
    expect(fitsHead(dial(["1", "2", "4"]), { kind: "dial", setting: "8" })).toBe(true);
    expect(fitsHead(dial([]), { kind: "dial", setting: "3" })).toBe(true);
    expect(settingsOf(dial(["1", "2"])).map((s) => s.text)).toEqual(["1 fl oz/gal", "2 fl oz/gal"]);
  });
  test("a fixed feed stays its own, and no rig takes a head of another kind", () => {
    expect(fitsHead(metered, { kind: "metered", feed: "16 fl oz/min" })).toBe(true);
    expect(fitsHead(metered, { kind: "metered", feed: "8 fl oz/min" })).toBe(false);
    expect(fitsHead(metered, { kind: "dial", setting: "2" })).toBe(false);
    expect(fitsHead(PACK, { kind: "dial", setting: "2" })).toBe(false);
  });
  test.each([
    [{ kind: "dial", setting: "2" }, true],
    [{ kind: "metered", feed: "12 fl oz/min", jar: { product: "8 fl oz", water: "24 fl oz" } }, true],
    [{ kind: "metered", feed: "12 psi" }, false],
    [{ kind: "siphon", setting: "2" }, false],
    [{ kind: "dial", setting: "2", jar: { product: "8 fl oz" } }, false],
    [null, false],
  ])("%j is a head: %s", (head, is) => expect(isHead(head)).toBe(is));
});

test("a cup whose marks hold for one dry product comes back as a tool for that product", () => {
  const kit = {
    scales: [{ name: "bench scale", step: "0.01 oz", capacity: "20 oz" }],
    vessels: [{ name: "jug", graduation: "1 fl oz", capacity: "64 fl oz" }],
    cups: [{ name: "prill cup", product: "Prill (demo label)", step: "0.25 oz", capacity: "4 oz" }],
  };
  expect(isSetup({ kit })).toBe(true);
  const [cup] = kitOf({ ...PACK, setup: { kit } }).cups!;
  expect(cup).toMatchObject({ name: "prill cup", product: "Prill (demo label)", step: { text: "0.25 oz" } });
  // A mass: 4 oz avoirdupois, 28.349523125 g each (NIST Handbook 44, Appendix C).
  expect(raw(cup!.capacity.value)).toBeCloseTo(4 * 28.349523125, 6);
  expect(isSetup({ kit: { ...kit, cups: [{ name: "cup", step: "0.25 oz", capacity: "4 oz" }] } })).toBe(false);
  expect(isSetup({ kit: { ...kit, cups: [{ name: "cup", product: "Prill", step: "1 fl oz", capacity: "4 oz" }] } })).toBe(false);
});

test("a chart says where it is wrong, line by line", () => {
  const row = { pressure: "40 psi", flow: "0.25 gal/min", droplet: "fine" };
  expect(readTip({ name: "Fan", size: "025", rows: [row] })).toMatchObject({ ok: true });
  const wrong = readTip({ name: "", size: "blue", angle: 400, rows: [row, { ...row, droplet: "huge" }] });
  expect(!wrong.ok && wrong.issues.map(({ path, code }) => `${path}: ${code}`)).toEqual([
    "name: missing",
    "size: not-a-choice",
    "angle: out-of-range",
    "rows[1].droplet: not-a-choice",
    "rows[1].pressure: duplicate-name",
  ]);
});
