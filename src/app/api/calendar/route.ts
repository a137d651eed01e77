import { bad } from "@/core/issue";
import { records } from "@/records/database";
import { calendarOf, noSuchSite, tellCalendar } from "@/services/calendar";
import { answerTo, guarded } from "../answer";

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

/** Somebody takes a calendar along, `{ site? }`: from now on what changes in it is told as a change. */
export const POST = (request: Request) =>
  answerTo(request, (db, body) => {
    const { site } = (body ?? {}) as { site?: unknown };
    if (site !== undefined && typeof site !== "string") return bad(noSuchSite());
    return tellCalendar(db, site);
  });
