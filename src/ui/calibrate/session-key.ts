/** The key under which a run sheet in the making is kept: one for each rig and person, or rig and tap. */
export const sessionKey = (rigId: string, personId: string | undefined, siteId?: string) =>
  `session:${rigId}:${personId ?? ""}${siteId === undefined ? "" : `:${siteId}`}`;
