import { bad } from "@/core/issue";
import { records } from "@/records/database";
import { calendarOf, noSuchSite } from "@/services/calendar";
import { answerAct } from "../acts";
import { guarded } from "../answer";

/**
 * The season as a calendar, the firm's or, with `?site=`, of one site: to be fetched once, or again and again by a calendar that
 * subscribes to this address. Nothing is kept by fetching it.
 */
export const GET = (request: Request) =>
  guarded(() => {
    const site = new URL(request.url).searchParams.get("site") ?? undefined;
    const calendar = calendarOf(records(), site);
    if (!calendar) return Promise.resolve(Response.json(bad(noSuchSite(site)), { status: 404 }));
    return Promise.resolve(
      new Response(calendar.text, {
        headers: {
          "content-type": "text/calendar; charset=utf-8",
          "content-disposition": `attachment; filename="${site === undefined ? "spray-work" : "site"}.ics"`,
          "cache-control": "no-store",
        },
      }),
    );
  });

export const POST = answerAct;
