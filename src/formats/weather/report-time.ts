const DAY = 86_400_000;

/**
 * The moment of a report's day and time in UTC that lies nearest to another moment: a report says no month.
 * @param time "101653Z", day, hour and minute, as a report that was read has it
 * @param at milliseconds since 1970
 * @returns milliseconds since 1970; NaN of a time that is none, which is near nothing
 */
export function nearestMoment(time: string, at: number): number {
  const found = /^(\d\d)(\d\d)(\d\d)Z$/.exec(time);
  if (!found) return NaN;
  const [day, hour, minute] = found.slice(1).map(Number) as [number, number, number];
  let nearest = NaN;
  // Some months have no such day: the nearest that has one may be two months off.
  for (let days = -62; days <= 62; days++) {
    const date = new Date(at + days * DAY);
    if (date.getUTCDate() !== day) continue;
    const moment = Date.UTC(date.getUTCFullYear(), date.getUTCMonth(), day, hour, minute);
    if (Number.isNaN(nearest) || Math.abs(moment - at) < Math.abs(nearest - at)) nearest = moment;
  }
  return nearest;
}
