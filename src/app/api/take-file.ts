import { createWriteStream } from "node:fs";
import { rm, writeFile } from "node:fs/promises";
import path from "node:path";
import { once } from "node:events";
import { bad, type Result } from "@/core/issue";
import type { Choices, Imported } from "@/formats/import";
import { records, recordsFolder } from "@/records/database";
import { MOST_BYTES, type ComingKind } from "@/services/background/import-file";
import { runJob, tmpFolder } from "@/services/background/run";
import { issue } from "@/services/input";
import type { Progress } from "@/services/progress";
import { tooBig } from "./answer";

/** Files that are brought in: written to the disk as they come, worked through by a process of their own. */

/** One at a time, a few waiting: each takes as much of the machine as it can get. */
const MOST_WAITING = 4;
let waiting = 0;
let last: Promise<unknown> = Promise.resolve();

async function inTurn<T>(work: () => Promise<T>, busy: () => T): Promise<T> {
  if (waiting >= MOST_WAITING) return busy();
  waiting += 1;
  const turn = last.then(work, work);
  last = turn.catch(() => undefined);
  try {
    return await turn;
  } finally {
    waiting -= 1;
  }
}

/** A folder for one file, in which the file is called `file`; cleared away by whoever asked for it. */
export function folderForFile(): { readonly tmp: string; readonly file: string; readonly clear: () => Promise<void> } {
  // The records are there, and up to date, before a process of its own works on them.
  records();
  const tmp = tmpFolder(recordsFolder());
  return { tmp, file: path.join(tmp, "file"), clear: () => rm(tmp, { recursive: true, force: true }) };
}

/**
 * Works a file through that was put into a folder of its own.
 * @param choices what a person chose; left out for a look beforehand
 * @param said of a look: what was said so far of how the file is to be read
 */
export const takeFile = (
  kind: ComingKind,
  tmp: string,
  choices: Choices | undefined,
  { signal, progress, said }: { readonly signal?: AbortSignal; readonly progress?: Progress; readonly said?: Choices } = {},
): Promise<Result<Imported>> =>
  inTurn<Result<Imported>>(
    async () => {
      if (signal?.aborted) return bad(issue("", "stopped", "stopped", "nothing of it was kept"));
      const job = { what: "import", folder: recordsFolder(), tmp, kind, file: path.join(tmp, "file") } as const;
      const done = await runJob(
        { ...job, ...(choices && { choices }), ...(said && { said }) },
        {
          ...(signal && { signal }),
          ...(progress && { progress }),
        },
      );
      return done.ok ? { ok: true, value: done.value.imported! } : done;
    },
    () => bad(issue("", "busy", "other files are being brought in", "try again when they are done")),
  );

/** Brings the text of a request's `{ text, choices? }` in. */
export async function takeText(kind: ComingKind, body: unknown): Promise<Result<Imported>> {
  const { text, choices } = (body ?? {}) as { text?: unknown; choices?: unknown };
  if (typeof text !== "string") return bad(issue("", "wrong-type", "something else", "the text of a file"));
  const { tmp, file, clear } = folderForFile();
  try {
    await writeFile(file, text);
    return await takeFile(kind, tmp, asChoices(choices) ?? {});
  } finally {
    await clear();
  }
}

/** A ground with the reason why it is another one, or several grounds. */
const MOST_CHOICE = 400;

/** A person's choices, as they come from outside. */
export function asChoices(value: unknown): Choices | undefined {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return undefined;
  return Object.fromEntries(
    Object.entries(value).filter(([, choice]) => typeof choice === "string" && choice.length <= MOST_CHOICE),
  );
}

/** What is wished of a file, as it comes from outside. */
interface Wish {
  readonly look?: unknown;
  readonly choices?: unknown;
  readonly said?: unknown;
}

/** Writes what follows the first line of a request to a file; the first line says what is wished. */
export async function splitBody(request: Request, kind: ComingKind, file: string): Promise<Result<Wish>> {
  const most = MOST_BYTES[kind];
  const out = createWriteStream(file);
  let head = Buffer.alloc(0);
  let wish: Wish | undefined;
  let bytes = 0;
  try {
    for await (const chunk of (request.body ?? []) as AsyncIterable<Uint8Array>) {
      bytes += chunk.byteLength;
      if (bytes > most + HEAD) return tooBig(bytes, most);
      let rest = Buffer.from(chunk);
      if (!wish) {
        head = Buffer.concat([head, rest]);
        const end = head.indexOf(10);
        if (end < 0 && head.length > HEAD) break;
        if (end < 0) continue;
        wish = wishOf(head.subarray(0, end).toString("utf8"));
        if (!wish) break;
        rest = head.subarray(end + 1);
      }
      if (!out.write(rest)) await once(out, "drain");
    }
  } finally {
    out.end();
    await once(out, "close");
  }
  return wish ? { ok: true, value: wish } : bad(issue("", "not-json", "the first line", "what is wished, as JSON"));
}

const HEAD = 128_000;

function wishOf(line: string): Wish | undefined {
  try {
    const wish: unknown = JSON.parse(line);
    return typeof wish === "object" && wish !== null ? wish : undefined;
  } catch {
    return undefined;
  }
}
