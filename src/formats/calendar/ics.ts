import ical, { ICalAlarmType, ICalCalendarMethod, ICalEventBusyStatus, ICalEventStatus } from "ical-generator";
import { DateTime } from "luxon";
import { tzlib_get_ical_block } from "timezones-ical-library";
import { daysLater } from "@/core/calendar";

/** Events of a season as iCalendar (RFC 5545), for calendars that import or subscribe. */

/** What an event says: on a whole day, or from one moment to another. */
export interface Said {
  readonly on?: string;
  /** Moments, ISO 8601. */
  readonly from?: string;
  readonly until?: string;
  readonly summary: string;
  readonly description: string;
  /** How long before it a reminder comes, minutes. */
  readonly remind: number;
  /** Nobody is busy by it: a deadline, or a paper that ends. */
  readonly free: boolean;
}

export interface CalendarEvent {
  /** The same for as long as it is the same thing, wherever it is moved. */
  readonly uid: string;
  /** How often it was changed. */
  readonly sequence: number;
  /** When it was changed last: a moment, ISO 8601. */
  readonly at: string;
  readonly cancelled: boolean;
  readonly said: Said;
}

/** @param zone IANA: where the hours of events are read · @returns the calendar as a file's text */
export function toCalendar(name: string, events: readonly CalendarEvent[], zone: string): string {
  const calendar = ical({
    name,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: "careful-gauge", product: "season", language: "EN" },
    // The calendar itself has none: what carries an hour names its own.
    timezone: { name: null, generator: (of: string) => tzlib_get_ical_block(of)[0] ?? null },
  });
  for (const { uid, sequence, at, cancelled, said } of events) {
    const local = (moment: string) => DateTime.fromISO(moment, { zone });
    const isNamed = (moment: string) =>
      DateTime.fromFormat(local(moment).toFormat("yyyy-MM-dd HH:mm:ss"), "yyyy-MM-dd HH:mm:ss", { zone }).toMillis() ===
      local(moment).startOf("second").toMillis();
    const day = (date: string) => new Date(`${date}T00:00:00Z`);
    calendar.createEvent({
      id: uid,
      sequence,
      stamp: new Date(at),
      lastModified: new Date(at),
      ...(said.on !== undefined
        ? // The end of a day is the first day that isn't in it.
          { allDay: true, start: day(said.on), end: day(daysLater(said.on, 1)) }
        : // Of an hour that comes twice, as clocks go back, its name tells the first; the second is told in UTC.
          [said.from!, said.until!].every(isNamed)
          ? { timezone: zone, start: local(said.from!), end: local(said.until!) }
          : { start: new Date(said.from!), end: new Date(said.until!) }),
      summary: said.summary,
      description: said.description,
      status: cancelled ? ICalEventStatus.CANCELLED : ICalEventStatus.CONFIRMED,
      busystatus: said.free ? ICalEventBusyStatus.FREE : ICalEventBusyStatus.BUSY,
      ...(!cancelled && { alarms: [{ type: ICalAlarmType.display, trigger: said.remind * 60, description: said.summary }] }),
    });
  }
  return calendar.toString();
}
