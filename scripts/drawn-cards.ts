/**
 * Cards drawn for the proof (`lib/drawn-cards.ts`), read, each beside what was drawn: `node --import tsx scripts/drawn-cards.ts --count 500
 * [--first 0] [--near 1] [--table]`; printed as JSON, with `--table` a line each and how many were within their ±.
 */
import { findCards } from "@/core/cards/find";
import { lookAt, resultOf } from "@/core/cards/look";
import { inked, photographed, planned, SIZE } from "./lib/drawn-cards";

/** One card drawn, photographed and read. */
function read(seed: number) {
  const drawn = planned(seed, argument("--near", 1));
  const { ink, cover } = inked(drawn);
  const picture = photographed(drawn, ink);
  const quads = findCards(picture, SIZE);
  const seen = quads[0] && lookAt(picture, quads[0], SIZE);
  const result = seen && resultOf(seen.measured, { out: [], added: [] });
  return {
    ...drawn,
    trueCover: cover,
    found: quads.length,
    ...(seen && result && { told: seen.measured.told, read: result.cover, off: result.coverOff }),
  };
}

const argument = (name: string, usual: number) => {
  const at = process.argv.indexOf(name);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const first = argument("--first", 0);
const all = Array.from({ length: argument("--count", 60) }, (_, i) => read(first + i));
if (process.argv.includes("--table")) {
  let [held, asked] = [0, 0];
  for (const one of all) {
    const wrong = one.read === undefined ? NaN : one.read - one.trueCover;
    if (one.told !== "stains") asked += 1;
    else if (Math.abs(wrong) <= one.off!) held += 1;
    const mark = one.told !== "stains" ? (one.told ?? "not found") : Math.abs(wrong) <= one.off! ? "" : "OUT";
    console.log(
      [
        String(one.seed).padStart(4),
        `cover ${(100 * one.trueCover).toFixed(1).padStart(5)}`,
        `read ${(100 * (one.read ?? NaN)).toFixed(1).padStart(5)} ± ${(100 * (one.off ?? NaN)).toFixed(1).padStart(4)}`,
        `stain ${(one.stain * one.perMm).toFixed(1).padStart(5)} px`,
        `blur ${one.blur.toFixed(1)}`,
        `tilt ${one.tilt.toFixed(0).padStart(2)}`,
        `Q${one.quality}`,
        one.curve.slice(0, 4),
        one.shadow ? "shadow" : "",
        one.found === 1 ? "" : `FOUND ${one.found}`,
        mark,
      ].join("  "),
    );
  }
  console.log(`${held} of ${all.length - asked} within their ±; of ${asked} nothing is told`);
} else console.log(JSON.stringify(all));
