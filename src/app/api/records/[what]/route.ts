import { createReadStream } from "node:fs";
import { rm, stat } from "node:fs/promises";
import { Readable } from "node:stream";
import { records, recordsFolder } from "@/records/database";
import { runJob, tmpFolder } from "@/services/background/run";
import { foreign, guarded, respond } from "../../answer";

/** All records to take away: `copy`, the file itself, checked; `export`, as JSON. Asked for by our own pages alone. */
export async function POST(request: Request, { params }: { params: Promise<{ what: string }> }) {
  const { what } = await params;
  if (what !== "copy" && what !== "export") return new Response(null, { status: 404 });
  const refused = foreign(request, "application/json");
  if (refused) return refused;
  return guarded(async () => {
    records();
    const folder = recordsFolder();
    const tmp = tmpFolder(folder);
    const done = await runJob({ what, folder, tmp });
    if (!done.ok) {
      await rm(tmp, { recursive: true, force: true });
      return respond(done);
    }
    const file = done.value.file!;
    const stream = createReadStream(file);
    stream.on("close", () => void rm(tmp, { recursive: true, force: true }));
    return new Response(Readable.toWeb(stream) as ReadableStream, {
      headers: {
        "content-type": what === "copy" ? "application/vnd.sqlite3" : "application/json",
        "content-length": String((await stat(file)).size),
        "cache-control": "no-store",
      },
    });
  });
}
