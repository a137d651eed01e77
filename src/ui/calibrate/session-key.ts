import { nanoid } from "nanoid";
import type { Session } from "@/formats/session";
import { keep, readKept } from "../data/kept-here";

/** The key under which a run sheet in the making is kept: one for each rig and person, or rig and tap. */
export const sessionKey = (rigId: string, personId: string | undefined, siteId?: string) =>
  `session:${rigId}:${personId ?? ""}${siteId === undefined ? "" : `:${siteId}`}`;

/**
 * The id of a run sheet that nothing was typed into yet: the same through a reload and over back and forward, so that a
 * watch that runs on it goes on running.
 */
export function freshId(here: string): string {
  const known = readKept<string>(`fresh:${here}`);
  if (known !== undefined) return known;
  const id = nanoid();
  keep(`fresh:${here}`, id);
  return id;
}

/** The plot that a rig was timed on last, on this device. */
interface Plot {
  readonly area?: string;
  readonly distance?: string;
}

export const lastPlot = (rigId: string): Plot | undefined => readKept<Plot>(`plot:${rigId}`);

/** Remembers a plot as it is pegged: it is offered as such the next time. */
export const keepPlot = (rigId: string, { area, distance }: Pick<Session, "area" | "distance">): void =>
  keep(`plot:${rigId}`, {
    ...lastPlot(rigId),
    ...(area !== "" && { area }),
    ...(distance !== "" && { distance }),
  } satisfies Plot);
