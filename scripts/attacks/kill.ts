import { setTimeout as pause } from "node:timers/promises";
import { freshFolder, post, startServer } from "./server";

export interface Killed {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lost: readonly string[];
}

/** Kills a server with SIGKILL in bursts of saves, and looks for everything that it acknowledged. */
export async function killInBursts(port: number, kills: number): Promise<Killed> {
  const folder = freshFolder("kill");
  const acknowledged: string[] = [];
  for (let round = 0; round < kills; round++) {
    const server = await startServer(port, folder);
    let alive = true;
    const save = async (lane: number) => {
      for (let i = 0; alive; i++) {
        const name = `site ${round}.${lane}.${i}`;
        const form = { name, zones: [{ name: "all", area: `${100 + i}` }] };
        try {
          const id = `site-${round}-${lane}-${String(i).padStart(6, "0")}`;
          const response = await post(`${server.url}/api/keep/sites`, { id, form });
          if (((await response.json()) as { ok: boolean }).ok) acknowledged.push(name);
        } catch {
          return;
        }
      }
    };
    const lanes = Array.from({ length: 6 }, (_, lane) => save(lane));
    await pause(500 + ((round * 397) % 1100));
    await server.kill();
    alive = false;
    await Promise.all(lanes);
  }
  const server = await startServer(port, folder);
  const book = (await (await fetch(`${server.url}/api/book`)).json()) as {
    sites: { site: { name: string; zones: unknown[] } }[];
  };
  await server.kill();
  const kept = new Map(book.sites.map((s) => [s.site.name, s.site.zones.length]));
  return { kills, acknowledged: acknowledged.length, lost: acknowledged.filter((name) => kept.get(name) !== 1) };
}
