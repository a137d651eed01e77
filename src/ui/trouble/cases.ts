import type { NumberOf } from "@/formats/firm-numbers";
import type { IncidentKind } from "@/formats/incidents";

/**
 * What to do when something goes wrong, in the order of doing it (common practice). The label and the authorities stand above it: it
 * never says what somebody has.
 */
export interface TroubleCase {
  readonly id: IncidentKind;
  readonly steps: readonly string[];
  /** Whom to call, the first one first. */
  readonly calls: readonly NumberOf[];
  /** The label's first aid stands above the steps. */
  readonly aid?: boolean;
  /** Calling comes before doing. */
  readonly callFirst?: boolean;
}

const LABEL_IN_HAND = "Have the label in your hand when you call: its name, its number, how much, since when.";

export const CASES: readonly TroubleCase[] = [
  {
    id: "spill",
    steps: [
      "Keep people and animals away. Stand upwind.",
      "Gloves and what else the label names, before you touch anything.",
      "Stop it: pump off, valve shut, the can upright.",
      "Dam it with absorbent or earth. Keep it out of drains and water.",
      "Soak it up, shovel it into a container, mark the container.",
      "Wash the place as the label says; no hose into the drain.",
      "In a drain or in water, or more than you can contain: call at once. The state's rules say what must be reported.",
    ],
    calls: ["emergency", "office"],
  },
  {
    id: "skin",
    steps: ["Take off what is wet, at once.", "Rinse the skin with plenty of water for 15 to 20 minutes.", LABEL_IN_HAND],
    calls: ["poison", "emergency"],
    aid: true,
  },
  {
    id: "eyes",
    steps: [
      "Hold the eye open and rinse slowly with clean water for 15 to 20 minutes.",
      "Contact lenses: out after the first five minutes, then go on rinsing.",
      LABEL_IN_HAND,
    ],
    calls: ["poison", "emergency"],
    aid: true,
  },
  {
    id: "swallowed",
    steps: [
      "Call at once, before anything else.",
      "No vomiting unless they tell you to. Nothing by mouth to somebody who is not awake.",
      LABEL_IN_HAND,
    ],
    calls: ["poison", "emergency"],
    aid: true,
    callFirst: true,
  },
  {
    id: "breathed",
    steps: [
      "Into fresh air, without breathing it in yourself.",
      "Not breathing: call the emergency number, and help to breathe if you know how.",
      LABEL_IN_HAND,
    ],
    calls: ["emergency", "poison"],
    aid: true,
  },
  {
    id: "animal",
    steps: [
      "Keep it from licking itself, and away from the lawn.",
      "Rinse the coat or the paws with water, with gloves on.",
      LABEL_IN_HAND,
    ],
    calls: ["vet", "poison"],
  },
  {
    id: "drift",
    steps: [
      "Stop spraying.",
      "Note the time, the wind and from where, what you sprayed, and where they stand or what was hit.",
      "Hear them out. Nobody argues, and nobody says what harm it did: that is for the state office.",
      "Tell the firm before you go on. The sheet and the weather stay as they are on record.",
    ],
    calls: ["office"],
  },
  {
    id: "wrong",
    steps: [
      "Stop. Spray nothing over it to make it good.",
      "Note what went down, how much, where, and when.",
      "Keep people and animals off as the label says.",
      "Read what the label says of that ground; tell the firm and the owner.",
      "Put on record what went down where it went down: limits there count it.",
    ],
    calls: ["office"],
  },
  {
    id: "burst",
    steps: [
      "Pump off, then the valve. Nobody stands in the jet.",
      "Eyes and skin first, if anybody was hit.",
      "Then as a spill: dam it, keep it out of drains and water, soak it up.",
    ],
    calls: ["emergency", "office"],
  },
];
