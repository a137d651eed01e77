import type { RigEntry } from "@/formats/entries";
import { EMPTY_DRAFT, headFor } from "./draft";
import { rigAsSet } from "./work-mix";

/** How a head is set for a mix stays with its rig: it blocks no other, through reloads too. */
const head = { kind: "dial", setting: "4 fl oz/gal" } as const;
const rig = (id: string, kind: "hose-end" | "backpack"): RigEntry =>
  ({
    id,
    retired: false,
    rig: {
      name: id,
      kind,
      tanks: [{ name: "main", usable: "32 fl oz" }],
      ...(kind === "hose-end" && { head: { kind: "dial", setting: "2 fl oz/gal" } }),
    },
  }) as unknown as RigEntry;

test("it is the setting of the rig that it was chosen for", () => {
  const kept = JSON.parse(JSON.stringify({ ...EMPTY_DRAFT, head, headRig: "blue" })) as typeof EMPTY_DRAFT;
  expect(headFor(kept, rig("blue", "hose-end"))).toEqual(head);
  expect(rigAsSet(rig("blue", "hose-end"), kept).head).toEqual(head);
  for (const other of [rig("red", "hose-end"), rig("pack", "backpack")]) {
    expect(headFor(kept, other)).toBeUndefined();
    expect(rigAsSet(other, kept)).toBe(other.rig);
  }
  // What a draft of before kept without its rig is nobody's.
  expect(headFor({ head }, rig("blue", "hose-end"))).toBeUndefined();
});
