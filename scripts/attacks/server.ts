import { spawn, type ChildProcess } from "node:child_process";
import { mkdtempSync, readFileSync } from "node:fs";
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

/** Resolves as soon as it answers anything, also that it can't work. */
export async function startServer(port: number, folder: string): Promise<Attacked> {
  const child = spawn(process.execPath, ["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)], {
    stdio: "ignore",
    env: { ...process.env, CAREFUL_GAUGE_DATA: folder, NODE_ENV: "production", NEXT_TELEMETRY_DISABLED: "1" },
    detached: true,
  });
  const url = `http://127.0.0.1:${port}`;
  for (let i = 0; i < 300; i++) {
    try {
      await fetch(`${url}/api/health`);
      break;
    } catch {
      // Not listening yet.
    }
    await pause(100);
  }
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
