import type { System } from "@/core/working/units";
import { logInFull, logToCsv } from "@/formats/log-csv";
import { chainState, logLinks } from "@/records/chain";
import { headOf } from "@/records/evidence";
import { records } from "@/records/database";
import { chainsElsewhere } from "@/services/elsewhere";
import { incidentsOut } from "@/services/slices/incidents";
import { wholeLog } from "@/services/slices/log";
import { logAsked } from "@/services/slices/read-slice";
import type { ApplicationEntry } from "@/formats/entries";
import { queryIn, type LogAsked } from "@/formats/slices";
import { guarded } from "../answer";

/** How the log goes out: what comes before, each few hundred records, what comes after. */
interface Writer {
  readonly type: string;
  readonly name: string;
  /** @param system whose units amounts have; as entered where it is left out */
  readonly page: (entries: readonly ApplicationEntry[], first: boolean, system: System | undefined) => string;
  readonly end: (asked: LogAsked) => Iterable<string>;
}

const csv = (name: string, page: Writer["page"]): Writer => ({
  type: "text/csv; charset=utf-8",
  name: `${name}.csv`,
  page,
  end: () => [],
});

const WRITERS: Readonly<Record<string, Writer>> = {
  csv: csv("log", logToCsv),
  details: csv("log-in-full", logInFull),
  json: {
    type: "application/json; charset=utf-8",
    name: "log.json",
    page: (entries, first) =>
      (first ? `{"format":"careful-gauge-log","version":1,"records":[\n` : entries.length > 0 ? ",\n" : "") +
      entries.map((entry) => JSON.stringify(entry)).join(",\n"),
    // The chain is of the whole log, whatever part of it was asked for; its rows stand where all of it was.
    end: function* (asked) {
      yield `\n],"asked":${JSON.stringify(asked)},"incidents":${JSON.stringify(incidentsOut(records(), asked))},"chain":${JSON.stringify({ ...chainState(records()), whole: headOf(records().$client), elsewhere: chainsElsewhere(records()) }).slice(0, -1)}`;
      if (Object.keys(asked).length === 0) {
        let first = true;
        yield `,"rows":[`;
        for (const links of logLinks(records())) {
          yield `${first ? "\n" : ",\n"}${links.map((link) => JSON.stringify(link)).join(",\n")}`;
          first = false;
        }
        yield "\n]";
      }
      yield "}}\n";
    },
  },
};

const SYSTEMS = ["us", "metric"] as const;

/**
 * What is asked for of the log, `?as=csv|details|json&q={…}&units=us|metric`, a few hundred records at a time: whoever saves in between waits
 * for no more than that, and no more than that is held at once.
 */
export const GET = (request: Request) =>
  guarded(async () => {
    const { searchParams } = new URL(request.url);
    const as = searchParams.get("as") ?? "csv";
    const writer = Object.hasOwn(WRITERS, as) ? WRITERS[as] : undefined;
    const query = queryIn(searchParams.get("q"));
    const asked = query && logAsked(query);
    if (!writer || !asked) return new Response(null, { status: 404 });
    const system = SYSTEMS.find((one) => one === searchParams.get("units"));
    const pages = wholeLog(records(), asked);
    const text = new TextEncoder();
    let first = true;
    let ending: Iterator<string> | undefined;
    const body = new ReadableStream({
      async pull(controller) {
        const page = ending ? undefined : pages.next();
        if (!page || page.done) {
          ending ??= writer.end(asked)[Symbol.iterator]();
          const rest = ending.next();
          if (rest.done) return controller.close();
          controller.enqueue(text.encode(rest.value));
          return;
        }
        controller.enqueue(text.encode(writer.page(page.value, first, system)));
        first = false;
        await new Promise((resolve) => setImmediate(resolve));
      },
    });
    return new Response(body, {
      headers: {
        "content-type": writer.type,
        "content-disposition": `attachment; filename="${writer.name}"`,
        "cache-control": "no-store",
      },
    });
  });

export const dynamic = "force-dynamic";
