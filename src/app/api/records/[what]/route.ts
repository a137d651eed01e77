import { createReadStream } from "node:fs";
import { stat } from "node:fs/promises";
import { Readable } from "node:stream";
import { recordsFolder } from "@/records/database";
import { runJob } from "@/services/background/run";
import { foreign, guarded, respond } from "../../answer";
import { folderForFile } from "../../take-file";

/** All records to take away: `copy`, the file itself, checked; `export`, as JSON. Asked for by our own pages alone. */
export async function POST(request: Request, { params }: { params: Promise<{ what: string }> }) {
  const { what } = await params;
  if (what !== "copy" && what !== "export") return new Response(null, { status: 404 });
  const refused = foreign(request, "application/json");
  if (refused) return refused;
  return guarded(async () => {
    const { tmp, clear } = folderForFile();
    const done = await runJob({ what, folder: recordsFolder(), tmp });
    if (!done.ok) return clear().then(() => respond(done));
    const file = done.value.file!;
    const stream = createReadStream(file);
    stream.on("close", () => void clear());
    return new Response(Readable.toWeb(stream) as ReadableStream, {
      headers: {
        "content-type": what === "copy" ? "application/vnd.sqlite3" : "application/json",
        "content-length": String((await stat(file)).size),
        "cache-control": "no-store",
      },
    });
  });
}
