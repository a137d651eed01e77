import { isComing, MOST_BYTES } from "@/services/background/import-file";
import { checkChain } from "@/services/background/daily";
import { failed, foreign, guarded, respond, tooBig } from "../../answer";
import { asChoices, folderForFile, splitBody, takeFile } from "../../take-file";

/**
 * Takes a file in, or looks at what it would bring: the first line of the request is `{ "look": true, "said"?: { … } }` or
 * `{ "choices": { … } }`, the rest is the file. Answers line by line as it goes on, `{ "progress": [done, of] }`, and at the
 * end `{ "result": … }`. Whoever hangs up stops it, and nothing of it is kept.
 */
export async function POST(request: Request, { params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  if (!isComing(kind)) return new Response(null, { status: 404 });
  const refused = foreign(request, "application/octet-stream");
  if (refused) return refused;
  const told = Number(request.headers.get("content-length") ?? 0);
  if (told > MOST_BYTES[kind]) return respond(tooBig(told, MOST_BYTES[kind]));
  const stop = new AbortController();
  request.signal.addEventListener("abort", () => stop.abort(), { once: true });
  return guarded(async () => {
    const { tmp, file, clear } = folderForFile();
    const wish = await splitBody(request, kind, file).catch(async (error: unknown) => {
      await clear();
      throw error;
    });
    // What is wrong with the request itself is told by its status.
    if (!wish.ok) return clear().then(() => respond(wish));
    const choices = wish.value.look === true ? undefined : (asChoices(wish.value.choices) ?? {});
    const said = asChoices(wish.value.said);
    const encoder = new TextEncoder();
    const lines = new ReadableStream<Uint8Array>({
      async start(controller) {
        const say = (line: object) => {
          if (!stop.signal.aborted) controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        };
        const progress = (done: number, of: number) => say({ progress: [done, of] });
        const result = await takeFile(kind, tmp, choices, { signal: stop.signal, progress, ...(said && { said }) }).catch(failed);
        await clear();
        // What came has a chain of its own.
        if (kind === "move" && choices !== undefined && result.ok) void checkChain();
        say({ result });
        if (!stop.signal.aborted) controller.close();
      },
      cancel: () => stop.abort(),
    });
    return new Response(lines, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
  });
}
