/** The rooms follow the order of the work. */
export const ROOMS = [
  { name: "Bench", path: "/", key: "b" },
  { name: "Rigs", path: "/rigs", key: "r" },
  { name: "Calibrate", path: "/calibrate", key: "c" },
  { name: "Labels", path: "/labels", key: "l" },
  { name: "Sites", path: "/sites", key: "s" },
  { name: "Mix", path: "/mix", key: "m" },
  { name: "Log", path: "/log", key: "o" },
] as const;

/** The keys that work in every room, for the list under "?". */
export const KEYS: readonly (readonly [key: string, does: string])[] = [
  ...ROOMS.map((room) => [`g ${room.key}`, `go to ${room.name}`] as const),
  ["Space", "start or stop the watch, start the catch"],
  ["1 2 3 4", "steps of the run sheet"],
  ["w", "show or hide the working"],
  ["?", "this list"],
];
