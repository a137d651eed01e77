/** A page of a room, as it is called wherever one goes to it. */
export interface RoomPage {
  readonly name: string;
  readonly path: string;
  /** Other words that somebody may look for it by. */
  readonly also?: string;
}

/** A room: what one works at, with its pages. The first page is where the room's name leads. */
export interface RoomOfPages {
  readonly name: string;
  readonly path: string;
  /** Goes there after "g". */
  readonly key: string;
  readonly pages: readonly RoomPage[];
}

/** The rooms follow the order of the work: the day, the tank, the sprayer, the ground; then what the office minds. */
export const ROOMS: readonly RoomOfPages[] = [
  { name: "Today", path: "/", key: "t", pages: [{ name: "Today", path: "/", also: "route due holds weather bench" }] },
  {
    name: "Mix",
    path: "/mix",
    key: "m",
    pages: [
      { name: "Sites and routes", path: "/mix", also: "tank loads sheet day spot spread granules" },
      { name: "Quick mix", path: "/mix/quick", also: "one page first mix" },
    ],
  },
  {
    name: "Calibrate",
    path: "/calibrate",
    key: "c",
    pages: [
      { name: "Run sheet", path: "/calibrate", also: "calibration walk catch pace spray volume" },
      { name: "Rigs", path: "/rigs", also: "sprayers tanks tips kit clean-out" },
      { name: "Quick check", path: "/calibrate/check", also: "bucket weekly" },
      { name: "Plan", path: "/calibrate/plan", also: "levers speed tip pressure" },
      { name: "Swath", path: "/calibrate/pattern", also: "pattern spacing overlap" },
      { name: "Cards", path: "/calibrate/cards", also: "water-sensitive cards coverage drops photo" },
      { name: "Practice", path: "/calibrate/practice", also: "walk swing lessons pace" },
    ],
  },
  {
    name: "Sites",
    path: "/sites",
    key: "s",
    pages: [
      { name: "Lawns", path: "/sites", also: "sites properties zones map county rules" },
      { name: "Scouting", path: "/log/looks", also: "looks photos before after results inspections" },
    ],
  },
  {
    name: "Season",
    path: "/sites/program/year",
    key: "e",
    pages: [
      { name: "Week and year", path: "/sites/program/year", also: "schedule calendar window" },
      { name: "Program", path: "/sites/program", also: "rounds due" },
    ],
  },
  {
    name: "Labels",
    path: "/labels",
    key: "l",
    pages: [
      { name: "Labels", path: "/labels", also: "cards rates limits products" },
      { name: "Shelf", path: "/labels/shelf", also: "on hand order list deliveries lot recall stock" },
    ],
  },
  {
    name: "Log",
    path: "/log",
    key: "o",
    pages: [
      { name: "Records", path: "/log", also: "history applications inspector client" },
      { name: "Incidents", path: "/log/incidents", also: "what went wrong spill drift" },
    ],
  },
  {
    name: "Crew",
    path: "/crew",
    key: "w",
    pages: [
      { name: "People", path: "/crew", also: "applicators certificates licence stride" },
      { name: "Paces", path: "/calibrate/crew", also: "compare training record" },
      { name: "Settings", path: "/settings", also: "time zone currency copy records numbers files" },
    ],
  },
];

/** Every page, as it is listed on one. */
export const ALL: RoomPage = { name: "All pages", path: "/all" };

/** What lies under the thumb on a phone: five places, by whose phone it is. */
export const UNDER_THUMB = {
  crew: ["Today", "Mix", "Calibrate", "Sites"],
  office: ["Today", "Season", "Labels", "Log"],
} as const;
export type WhosePhone = keyof typeof UNDER_THUMB;

/**
 * Where a path belongs: the page whose path it begins with, the longest one; and that page's room. Nothing of a path that no room has.
 */
export function placeOf(path: string): { readonly room: RoomOfPages; readonly page: RoomPage } | undefined {
  const within = (page: RoomPage) => path === page.path || (page.path !== "/" && path.startsWith(`${page.path}/`));
  const found = ROOMS.flatMap((room) => room.pages.filter(within).map((page) => ({ room, page })));
  return found.sort((a, b) => b.page.path.length - a.page.path.length)[0];
}

/** The keys that work in every room, for the list under "?". */
export const KEYS: readonly (readonly [key: string, does: string])[] = [
  ...ROOMS.map((room) => [`g ${room.key}`, `go to ${room.name}`] as const),
  ["/", "go to a lawn, label, rig, record or page by its name"],
  ["Space", "start or stop the watch, start the catch"],
  ["1 2 3 4", "steps of the run sheet"],
  ["w", "show or hide the math"],
  ["?", "this list"],
];
