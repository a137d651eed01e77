import { setTimeout as pause } from "node:timers/promises";
import { slicePath, type Answer, type Cursor } from "@/formats/slices";
import { freshFolder, post, startServer } from "./server";

export interface Killed {
  readonly kills: number;
  readonly acknowledged: number;
  readonly lost: readonly string[];
}

/** So many saves of a burst are acknowledged before it is cut off. */
const FEWEST = 8;

/** Kills a server with SIGKILL in bursts of saves, and looks for everything that it acknowledged. */
export async function killInBursts(kills: number): Promise<Killed> {
  const folder = freshFolder("kill");
  const acknowledged: string[] = [];
  for (let round = 0; round < kills; round++) {
    const server = await startServer(folder);
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
    // In the middle of a burst, however fast this machine is: some have been acknowledged, more are under way.
    const before = acknowledged.length;
    const all = Promise.all(lanes).then(() => (alive = false));
    while (alive && acknowledged.length < before + FEWEST) await pause(20);
    await pause((round * 397) % 1100);
    await server.kill();
    alive = false;
    await all;
  }
  const server = await startServer(folder);
  const kept = new Map<string, number>();
  let after: Cursor | undefined;
  do {
    const path = slicePath("sites", { ...(after && { after }) });
    const { value } = (await (await fetch(`${server.url}${path}`)).json()) as Answer<"sites">;
    for (const { site } of value.rows) kept.set(site.name, site.zones.length);
    after = value.next ?? undefined;
  } while (after);
  await server.kill();
  return { kills, acknowledged: acknowledged.length, lost: acknowledged.filter((name) => kept.get(name) !== 1) };
}
