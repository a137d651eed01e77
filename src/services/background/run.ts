import { fork } from "node:child_process";
import { existsSync, mkdtempSync } from "node:fs";
import path from "node:path";
import { bad, type Result } from "@/core/issue";
import { clearStaging, stagingPrefix } from "@/records/private";
import { issue } from "../input";
import type { Progress } from "../progress";
import type { BackgroundJob, Done } from "./jobs";

/** What a process of ours says. */
export type Said =
  | { readonly progress: readonly [number, number] }
  | { readonly result: Result<Done> }
  | { readonly fault: { readonly reason: string; readonly todo: string } };

/** Memory that one such process may take, MB: a file that wants more takes nobody else's. */
const MEMORY = 1024;

/** A folder of its own for one job, in the folder of the records so that it is on the same disk. */
export function tmpFolder(folder: string): string {
  clearStaging(folder);
  return mkdtempSync(stagingPrefix(folder));
}

/** What such a process runs: of a production server what was built with it, in one piece; else its sources. */
function program(): { readonly script: string; readonly loader: readonly string[] } {
  const at = (...parts: string[]) => path.join(/*turbopackIgnore: true*/ process.cwd(), ...parts);
  const built = at(".next", "background.cjs");
  return process.env.NODE_ENV === "production" && existsSync(built)
    ? { script: built, loader: [] }
    : { script: at("src", "cli", "background.ts"), loader: ["--import", "tsx"] };
}

/**
 * Runs a job in a process of its own: whatever it takes or breaks, the server goes on. Stopped by the signal, nothing of it
 * is kept.
 */
export function runJob(
  job: BackgroundJob,
  { signal, progress }: { signal?: AbortSignal; progress?: Progress } = {},
): Promise<Result<Done>> {
  return new Promise((resolve) => {
    const { script, loader } = program();
    const child = fork(/*turbopackIgnore: true*/ script, [], {
      execArgv: [...loader, `--max-old-space-size=${MEMORY}`],
      stdio: ["ignore", "ignore", "inherit", "ipc"],
    });
    let answered = false;
    const answer = (result: Result<Done>) => {
      if (answered) return;
      answered = true;
      resolve(result);
    };
    child.on("message", (said: Said) => {
      if ("progress" in said) progress?.(...said.progress);
      else if ("result" in said) answer(said.result);
      else answer(bad(issue("", "fault", said.fault.reason, said.fault.todo)));
    });
    const ended = () =>
      answer(
        signal?.aborted
          ? bad(issue("", "stopped", "stopped", "nothing of it was kept"))
          : bad(
              issue(
                "",
                "not-possible",
                "this was too much to work through",
                "nothing was kept: split the file, or free some memory",
              ),
            ),
      );
    child.on("error", ended);
    child.on("exit", ended);
    signal?.addEventListener("abort", () => child.kill("SIGKILL"), { once: true });
    child.send(job);
  });
}
