import { spawn } from "node:child_process";
import { setTimeout as pause } from "node:timers/promises";
import { address, bin, ROOT } from "./setup.mjs";

/** Starts Next as this Node's own child, so that signals arrive; resolves with it. */
export function spawnServer(mode, data, { host, port } = address(), stdio = "inherit") {
  return spawn(process.execPath, [bin("next"), mode, "-H", host, "-p", String(port)], {
    cwd: ROOT,
    stdio,
    env: {
      ...process.env,
      CAREFUL_GAUGE_DATA: data,
      NEXT_TELEMETRY_DISABLED: "1",
      NODE_ENV: mode === "dev" ? "development" : "production",
    },
  });
}

/** Waits until the server answers. */
export async function answered(url, child, seconds = 60) {
  for (let i = 0; i < seconds * 5; i++) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    try {
      if ((await fetch(`${url}/api/health`)).ok) return;
    } catch {
      // Not listening yet.
    }
    await pause(200);
  }
  throw new Error("the server did not answer");
}

/** Serves until it is stopped, and ends as the server ends. */
export async function serve(mode, data) {
  const { host, port } = address();
  const child = spawnServer(mode, data);
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
  const ended = new Promise((resolve) => child.on("exit", (code) => resolve(code ?? 0)));
  await Promise.race([answered(`http://${host === "0.0.0.0" ? "127.0.0.1" : host}:${port}`, child), ended]).catch(() => {});
  if (child.exitCode === null) console.error(`\nCareful Gauge is ready: http://${host}:${port}\nRecords: ${data}\n`);
  process.exitCode = await ended;
}
