import { bad } from "@/core/issue";
import { records } from "@/records/database";
import { calendarOf } from "@/services/calendar";
import { issue } from "@/services/input";
import { guarded } from "../answer";

/**
 * The season as a calendar, the firm's or, with `?site=`, of one site: to be fetched once, or again and again by a calendar that
 * subscribes to this address.
 */
export const GET = (request: Request) =>
  guarded(() => {
    const site = new URL(request.url).searchParams.get("site") ?? undefined;
    const calendar = calendarOf(records(), site);
    if (!calendar)
      return Promise.resolve(
        Response.json(bad(issue("site", "unknown-name", site ?? "", "the sites on record")), { status: 404 }),
      );
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
