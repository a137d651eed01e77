import { sitesToCsv } from "@/formats/sites-csv";
import { records } from "@/records/database";
import { liveSites } from "@/services/live-sites";
import { guarded } from "../answer";

/** The sites as a table, a few hundred at a time. */
export const GET = () =>
  guarded(async () => {
    const pages = liveSites(records());
    const text = new TextEncoder();
    let first = true;
    const body = new ReadableStream({
      async pull(controller) {
        const page = pages.next();
        if (page.done) return controller.close();
        controller.enqueue(text.encode(sitesToCsv(page.value, first)));
        first = false;
        await new Promise((resolve) => setImmediate(resolve));
      },
    });
    return new Response(body, {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="sites.csv"`,
        "cache-control": "no-store",
      },
    });
  });

export const dynamic = "force-dynamic";
