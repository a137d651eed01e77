import type { LeverValues, LeverWhy } from "../calibration/levers";
import type { Against } from "../calibration/planner";
import type { DropChange } from "../calibration/tips";
import { WALKABLE } from "../calibration/warnings";
import { inWords, type WordsOf } from "../finding";
import { writeNumber } from "../quantity/format";
import type { Quantity } from "../quantity/kinds";
import { read, readParts, type System } from "../working/units";
import { tankText } from "./values";

const pressure = (value: Quantity<"pressure">, system: System) => read(value, "pressure", system);

const DROPS = { same: "Drops stay as they are.", finer: "Finer drops, more drift.", coarser: "Coarser drops, less drift." };

/** What speaks against a setting that is planned, in words. */
export const AGAINST: Record<Against, string> = {
  "outside-pressures": "outside the tip's pressures",
  "drops-finer": "drops finer than the label's",
  "drops-coarser": "drops coarser than the label's",
  "drops-unknown": "no chart says which drops it makes",
};

/** What a change of pressure does to the drops, in words. */
export const dropText = (change: DropChange): string =>
  typeof change === "string" ? DROPS[change] : `Drops go from ${change.from} to ${change.to}.`;

const WORDS: WordsOf<LeverValues> = {
  "pressure-unknown": () => "The pressure at the tip is not known: read it while spraying.",
  "by-bucket": ({ pressure, flow, minute, dear }, system) =>
    `No number on the regulator: it takes ${writeNumber(pressure, { figures: 2 })} times the pressure for ${writeNumber(flow, { figures: 2 })} times the flow. Turn it, and catch: 60 s must give ${tankText(minute, system)}.${dear ? " A new tip, or another speed, is cheaper." : ""}`,
  "no-limit-known": ({ needs }, system) =>
    `It would take ${pressure(needs, system)}, and nobody noted what this pump and this tip bear: note it on the rig, or pull another lever.`,
  "over-most": ({ needs, most }, system) =>
    `It would take ${pressure(needs, system)}: over ${pressure(most, system)} only with the limits of pump, tip and hose noted on the rig.`,
  "over-pump": ({ needs, most }, system) =>
    `It would take ${pressure(needs, system)}: this pump gives ${pressure(most, system)} at the most.`,
  "outside-tip": ({ needs, least, most, own }, system) =>
    `It would take ${pressure(needs, system)}, outside the ${readParts(least, "pressure", system).number} to ${pressure(most, system)} that ${own ? "this tip works at" : "ordinary tips work at"}.`,
  "set-pressure": ({ to, drops, known }, system) =>
    `Flow goes with the square root of pressure: ${pressure(to, system)}. ${dropText(drops)} Measure the swath again.${known ? "" : " Only within what the pump and the tip are made for."}`,
  "flow-unmeasured": () => "The flow was not measured: catch it first.",
  "same-regulator": ({ near, on }) =>
    `The pressure isn't known. With the regulator left alone, size ${near} in place of ${on} comes nearest: catch it.`,
  "size-needs": ({ size, needs }, system) => `The nearest size, ${size}, would need ${pressure(needs, system)}.`,
  "set-size": ({ size, needs, other, same }, system) => {
    const next = other ? ` Or ${other.size} at ${pressure(other.needs, system)}.` : "";
    const on = same ? " It is the size that is on: this is the pressure lever." : "";
    return `Size ${size} gives the flow at ${pressure(needs, system)}.${next}${on} Swath again, and a new tip is a new calibration: prove it.`;
  },
  "speed-unknown": () => "The travel speed is not known: measure the swath or time a distance.",
  "go-at": ({ speed }, system) => `Go at ${read(speed, "speed", system)} and time it again.`,
  "not-walkable": ({ speed }, system) =>
    `It would take ${read(speed, "speed", system)} on foot: ${read(WALKABLE, "speed", system)} is the most.`,
  "under-carrier": ({ least }, system) => `The label asks for at least ${read(least, "sprayVolume", system)}.`,
  "tank-unknown": () => "The tank's usable volume is not known.",
  "mix-for": ({ area }, system) => `Leave it, and mix each tank for ${read(area, "area", system)}.`,
};

/** Why a lever can be pulled, or can't, in the reader's units. */
export const leverText = (why: LeverWhy, system: System): string => inWords(WORDS, why, system);
