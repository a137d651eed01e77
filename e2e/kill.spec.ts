import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { spawn, type ChildProcess } from "node:child_process";
import { expect, test } from "@playwright/test";

const PORT = 3218;
const URL = `http://127.0.0.1:${PORT}`;

/** The production server in a process of its own, on records of its own. */
async function start(data: string): Promise<ChildProcess> {
  const child = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(PORT)], {
    stdio: "ignore",
    env: { ...process.env, CAREFUL_GAUGE_DATA: data, NODE_ENV: "production" },
    detached: true,
  });
  await expect(async () => expect((await fetch(`${URL}/api/health`)).ok).toBe(true)).toPass({ timeout: 30_000 });
  return child;
}

/** The server and whatever it started, without a chance to tidy up. */
async function kill(child: ChildProcess): Promise<void> {
  const gone = new Promise((resolve) => child.on("exit", resolve));
  process.kill(-child.pid!, "SIGKILL");
  await gone;
}

test("kill -9 in a burst of saves loses nothing that was acknowledged", async () => {
  const data = mkdtempSync(path.join(tmpdir(), "careful-gauge-kill-"));
  const acknowledged: string[] = [];
  let rounds = 0;
  for (let round = 0; round < 3; round++) {
    const server = await start(data);
    let alive = true;
    const save = async (lane: number) => {
      for (let i = 0; alive; i++) {
        const name = `site ${round}.${lane}.${i}`;
        try {
          const response = await fetch(`${URL}/api/keep/sites`, {
            method: "POST",
            headers: { "content-type": "application/json" },
            body: JSON.stringify({
              id: `site-${round}-${lane}-${String(i).padStart(6, "0")}`,
              form: { name, zones: [{ name: "all", area: `${100 + i}` }] },
            }),
          });
          if (((await response.json()) as { ok: boolean }).ok) acknowledged.push(name);
        } catch {
          return;
        }
      }
    };
    const lanes = Array.from({ length: 6 }, (_, lane) => save(lane));
    await new Promise((resolve) => setTimeout(resolve, 900 + 350 * round));
    await kill(server);
    alive = false;
    await Promise.all(lanes);
    rounds++;
  }
  const server = await start(data);
  const book = (await (await fetch(`${URL}/api/book`)).json()) as { sites: { site: { name: string; zones: unknown[] } }[] };
  await kill(server);
  const kept = new Map(book.sites.map((s) => [s.site.name, s.site.zones.length]));
  console.log(
    `kill -9: ${acknowledged.length} saves acknowledged in ${rounds} rounds, ${acknowledged.filter((n) => kept.has(n)).length} found`,
  );
  expect(acknowledged.length).toBeGreaterThan(100);
  expect(acknowledged.filter((name) => kept.get(name) !== 1)).toEqual([]);
});
