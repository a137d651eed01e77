/**
 * Before the first request: the door is kept, the records are opened and brought up to date. Where they can't be, the
 * server says so on every page and tries again at the next request; a copy is made once a day.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { standAtTheDoor } = await import("@/app/door");
  const { policiesOf } = await import("@/app/policy");
  const production = process.env.NODE_ENV === "production";
  const { answerKept } = await import("@/app/shown");
  standAtTheDoor(process.env, production ? policiesOf(`${process.cwd()}/.next/server/app`) : undefined, answerKept);
  const { records } = await import("@/records/database");
  const { faultOf } = await import("@/services/faults");
  try {
    records();
  } catch (error) {
    const fault = faultOf(error);
    console.error(fault ? `${fault.reason}\n${fault.todo}` : error);
  }
  const { backUpDaily, checkChain, tellCalendarsHourly } = await import("@/services/background/daily");
  if (production) {
    backUpDaily();
    tellCalendarsHourly();
    void checkChain();
  }
}
