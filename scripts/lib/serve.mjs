import { spawn } from "node:child_process";
import { createServer } from "node:net";
import { setTimeout as pause } from "node:timers/promises";
import { address, bin, fail, ROOT } from "./setup.mjs";

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

/** Waits until the server answers; says what it says where its records can't be opened. */
export async function answered(url, child, seconds = 60) {
  for (let i = 0; i < seconds * 5; i++) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}`);
    let response;
    try {
      response = await fetch(`${url}/api/health`);
    } catch {
      // Not listening yet.
    }
    if (response?.ok) return;
    if (response) {
      const { issues } = await response.json().catch(() => ({}));
      throw new Error(issues ? `${issues[0].received}\n${issues[0].expected}` : `it answers with ${response.status}`);
    }
    await pause(200);
  }
  throw new Error("the server did not answer");
}

/** Whether somebody listens there already. */
const taken = (host, port) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once("error", (error) => resolve(error.code === "EADDRINUSE" || error.code === "EACCES" ? error.code : undefined));
    probe.once("listening", () => probe.close(() => resolve(undefined)));
    probe.listen(Number(port), host);
  });

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|::1)$/;
const OPEN_FLAG = "CAREFUL_GAUGE_LET_ANYONE_ON_THIS_NETWORK_READ_AND_WRITE";

/** Serves until it is stopped, and ends as the server ends. */
export async function serve(mode, data) {
  const { host, port } = address();
  if (!LOOPBACK.test(host) && process.env[OPEN_FLAG] !== "yes")
    fail(
      `Nobody signs in here yet, so this listens to this machine alone: ${host} would let anyone on the network read and write everything.\n` +
        `If that is what you want, set ${OPEN_FLAG}=yes.`,
    );
  const inUse = await taken(host, port);
  if (inUse)
    fail(
      inUse === "EACCES"
        ? `This user may not listen on port ${port}. Name another one: PORT=3000`
        : `Port ${port} is taken: perhaps Careful Gauge is running already, look at http://${host}:${port}\nElse name another one: PORT=${Number(port) + 1}`,
    );
  const child = spawnServer(mode, data);
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => child.kill(signal));
  const ended = new Promise((resolve) => child.on("exit", (code) => resolve(code ?? 0)));
  const url = `http://${host === "0.0.0.0" || host === "::" ? "127.0.0.1" : host}:${port}`;
  await Promise.race([answered(url, child), ended]).then(
    () => {
      if (child.exitCode === null) console.error(`\nCareful Gauge is ready: ${url}\nRecords: ${data}\n`);
    },
    (error) =>
      console.error(
        `\nCareful Gauge can't work yet: ${error.message}\nIt says so at ${url} too, and tries again.\nRecords: ${data}\n`,
      ),
  );
  process.exitCode = await ended;
}
