import { spawnSync } from "node:child_process";
import { setTimeout as pause } from "node:timers/promises";
import { freshFolder, post, startServer } from "./server";

export interface Loaded {
  readonly readers: number;
  readonly reads: number;
  readonly saves: number;
  readonly lost: number;
  readonly savesPerSecond: number;
  /** ms: the middle save, the slowest hundredth, the slowest. */
  readonly median: number;
  readonly slowestHundredth: number;
  readonly slowest: number;
  readonly memory: number;
}

/** What a screen that is open reads again and again. */
const READ = ["/api/read/people", "/api/read/rigs", "/api/read/standings", "/api/read/openSheets", "/api/read/log"];

/**
 * Saves on the demo's records while readers beside them read slices again and again, as screens that poll do.
 * @param enough whether that many saves, in so many seconds, will do
 */
export async function saveUnderLoad(readers: number, enough: (saves: number, seconds: number) => boolean): Promise<Loaded> {
  const folder = freshFolder("load");
  const loaded = spawnSync(process.execPath, ["--import", "tsx", "scripts/load-demo.ts"], {
    env: { ...process.env, CAREFUL_GAUGE_DATA: folder },
    stdio: "ignore",
  });
  if (loaded.status !== 0) throw new Error("the demo could not be loaded");
  const server = await startServer(folder);
  try {
    let going = true;
    let reads = 0;
    const read = async () => {
      const tags = new Map<string, string>();
      for (let i = 0; going; i++) {
        const path = READ[i % READ.length]!;
        const tag = tags.get(path);
        const response = await fetch(`${server.url}${path}`, tag === undefined ? {} : { headers: { "if-none-match": tag } });
        await response.arrayBuffer();
        tags.set(path, response.headers.get("etag") ?? "");
        reads += 1;
        // A screen draws what it read.
        await pause(50);
      }
    };
    const beside = Array.from({ length: readers }, read);
    const times: number[] = [];
    let lost = 0;
    const start = performance.now();
    const seconds = () => (performance.now() - start) / 1000;
    const save = async (lane: number) => {
      for (let i = 0; !enough(times.length, seconds()); i++) {
        const begun = performance.now();
        const response = await post(`${server.url}/api/keep/people`, {
          id: `load-${lane}-${String(i).padStart(6, "0")}`,
          form: { name: `Hand ${lane}.${i}` },
        }).catch(() => undefined);
        if (response?.ok !== true) lost += 1;
        times.push(performance.now() - begun);
        await pause(20);
      }
    };
    await Promise.all([0, 1, 2, 3].map(save));
    const took = seconds();
    going = false;
    await Promise.all(beside);
    times.sort((a, b) => a - b);
    const at = (part: number) => times[Math.min(times.length - 1, Math.floor(part * times.length))]!;
    return {
      readers,
      reads,
      saves: times.length,
      lost,
      savesPerSecond: times.length / took,
      median: at(0.5),
      slowestHundredth: at(0.99),
      slowest: at(1),
      memory: server.memory(),
    };
  } finally {
    await server.kill();
  }
}
