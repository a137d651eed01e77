import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
import { createServer, type AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import path from "node:path";
import { setTimeout as pause } from "node:timers/promises";

/** A production server in a process of its own, on records of its own, to be attacked. */
export interface Attacked {
  readonly url: string;
  readonly folder: string;
  readonly child: ChildProcess;
  /** Peak memory of the process, MB. */
  readonly memory: () => number;
  /** The server and whatever it started, without a chance to tidy up. */
  readonly kill: () => Promise<void>;
}

export const freshFolder = (name: string): string => mkdtempSync(path.join(tmpdir(), `careful-gauge-${name}-`));

/** A port that nobody listens on: other runs beside this one have theirs. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once("error", reject);
    probe.listen(0, "127.0.0.1", () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });

/** Resolves as soon as a server answers anything, also that it can't work. @throws where it ends, or says nothing for a minute */
export async function answering(url: string, child: ChildProcess): Promise<void> {
  for (let i = 0; i < 600; i++) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    try {
      await fetch(`${url}/api/health`);
      return;
    } catch {
      // Not listening yet.
    }
    await pause(100);
  }
  throw new Error("the server did not answer");
}

export async function startServer(folder: string): Promise<Attacked> {
  const port = await freePort();
  const child = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)], {
    stdio: "ignore",
    env: { ...process.env, CAREFUL_GAUGE_DATA: folder, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
    detached: true,
  });
  const url = `http://127.0.0.1:${port}`;
  await answering(url, child);
  const memory = () => {
    try {
      const line = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${child.pid!}/status`, "utf8"));
      return Math.round(Number(line?.[1] ?? 0) / 1024);
    } catch {
      return 0;
    }
  };
  const kill = async () => {
    const gone = new Promise((resolve) => child.once("exit", resolve));
    process.kill(-child.pid!, "SIGKILL");
    await gone;
  };
  return { url, folder, child, memory, kill };
}

export const post = (url: string, body: unknown): Promise<Response> =>
  fetch(url, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: typeof body === "string" ? body : JSON.stringify(body),
  });
