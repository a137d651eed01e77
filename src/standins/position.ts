import type { Fix } from "@/core/area/walk";

/** Where one is, fix by fix: a phone's satellites, or a walk that is made up. */
export interface PositionPort {
  readonly name: string;
  /** @returns what ends it @param onFault told why there is no fix */
  readonly watch: (onFix: (fix: Fix) => void, onFault: (why: string) => void) => () => void;
}

const FAULTS: Readonly<Record<number, string>> = {
  1: "This browser was not allowed to say where it is.",
  2: "There is no fix: go where the sky is open.",
  3: "No fix came in time: go where the sky is open.",
};

/** The device's own. */
export const ownPosition: PositionPort = {
  name: "this device",
  watch: (onFix, onFault) => {
    if (!("geolocation" in navigator)) {
      onFault("This browser can't say where it is.");
      return () => undefined;
    }
    const id = navigator.geolocation.watchPosition(
      ({ coords, timestamp }) => onFix({ at: [coords.longitude, coords.latitude], accuracy: coords.accuracy, time: timestamp }),
      ({ code }) => onFault(FAULTS[code] ?? "There is no fix."),
      { enableHighAccuracy: true, maximumAge: 0, timeout: 20_000 },
    );
    return () => navigator.geolocation.clearWatch(id);
  },
};

const METRE = 1 / 111_320;

/** Random numbers that come the same every time. */
function seeded(seed: number): () => number {
  let now = seed;
  return () => (now = (now * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/**
 * A walk around a made-up lawn of 30 by 20 m: a fix a second at 1.2 m/s, each off by itself, one of them far off, one unsure.
 * @param quickness how many times as quick as it would be walked
 */
export function simulatedWalk(quickness = 1): PositionPort {
  return {
    name: "a simulated walk",
    watch: (onFix) => {
      const random = seeded(11);
      const corners = [[0, 0], [30, 0], [30, 20], [0, 20], [0, 0]] as const; // prettier-ignore
      const legs = corners.slice(1).map(([u, v], i) => ({ from: corners[i]!, to: [u, v] as const }));
      const steps = legs.flatMap(({ from, to }) => {
        const n = Math.round(Math.hypot(to[0] - from[0], to[1] - from[1]) / 1.2);
        return Array.from({ length: n }, (_, k) => [
          from[0] + ((to[0] - from[0]) * k) / n,
          from[1] + ((to[1] - from[1]) * k) / n,
        ]);
      });
      let i = 0;
      const timer = setInterval(() => {
        const step = steps[i];
        if (!step) return clearInterval(timer);
        const off = i === 25 ? 60 : 0;
        const [x, y] = step.map((metres) => metres + off + (random() - 0.5) * 1.2) as [number, number];
        onFix({ at: [-74 + x * METRE, y * METRE], accuracy: i === 40 ? 30 : 3 + 2 * random(), time: i * 1000 });
        i += 1;
      }, 1000 / quickness);
      return () => clearInterval(timer);
    },
  };
}
