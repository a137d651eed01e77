import { logToCsv } from "@/formats/log-csv";
import { records } from "@/records/database";
import { wholeLog } from "@/services/slices/log";
import { guarded } from "../answer";

/** The whole log as CSV, a few hundred records at a time: whoever saves in between waits for no more than that. */
export const GET = () =>
  guarded(async () => {
    const pages = wholeLog(records());
    let first = true;
    const body = new ReadableStream({
      async pull(controller) {
        const page = pages.next();
        if (page.done) return controller.close();
        controller.enqueue(new TextEncoder().encode(logToCsv(page.value, first)));
        first = false;
        await new Promise((resolve) => setImmediate(resolve));
      },
    });
    return new Response(body, {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": 'attachment; filename="log.csv"',
        "cache-control": "no-store",
      },
    });
  });

export const dynamic = "force-dynamic";
