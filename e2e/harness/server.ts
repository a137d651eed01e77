import { spawn, type ChildProcess } from "node:child_process";
import { cpSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { answering, freePort } from "../../scripts/attacks/server";
import { beginAnew } from "./clock";

/** Records as a journey finds them: nobody's yet, or those of the small town of the demo's labels and sites. */
export type Template = "empty" | "town";

/** The production server of one worker, which goes on with other records when it is told to. */
export class JourneyServer {
  private constructor(
    readonly url: string,
    private readonly child: ChildProcess,
    private readonly first: string,
  ) {}

  static async start(): Promise<JourneyServer> {
    const port = await freePort();
    const ahead = beginAnew();
    const first = copyOf("empty");
    const preload = (name: string) => ["--require", path.join(__dirname, name)];
    const child = spawn(
      process.execPath,
      [
        ...preload("other-records.cjs"),
        ...["node_modules/next/dist/bin/next", "start", "-H", "127.0.0.1", "-p", String(port)],
        // A connection that is closed at the moment at which it is used again would be a fault of nobody's.
        ...["--keepAliveTimeout", "600000"],
      ],
      {
        stdio: ["ignore", "ignore", "inherit", "ipc"],
        env: {
          ...process.env,
          NODE_OPTIONS: preload("moved-clock.cjs").join(" "),
          NODE_ENV: "production",
          NEXT_TELEMETRY_DISABLED: "1",
          CAREFUL_GAUGE_DATA: first,
          ...(ahead !== undefined && { TEST_CLOCK_AHEAD: String(ahead) }),
        },
      },
    );
    const url = `http://127.0.0.1:${port}`;
    await answering(url, child);
    return new JourneyServer(url, child, first);
  }

  /** Records of their own for one journey: a copy of a template. @returns their folder */
  async open(template: Template): Promise<string> {
    const folder = copyOf(template);
    const opened = new Promise((resolve) => this.child.once("message", resolve));
    this.child.send({ folder, ahead: beginAnew() });
    await opened;
    return folder;
  }

  async stop(): Promise<void> {
    const gone = new Promise((resolve) => this.child.once("exit", resolve));
    this.child.kill("SIGKILL");
    await gone;
    rmSync(this.first, { recursive: true, force: true });
  }
}

function copyOf(template: Template): string {
  const folder = mkdtempSync(path.join(tmpdir(), "careful-gauge-journey-"));
  cpSync(path.join(process.env.TEST_TEMPLATES!, template), folder, { recursive: true });
  return folder;
}
