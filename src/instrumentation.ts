/** The records are opened, and brought up to date where the schema has changed, before the first request is answered. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { records } = await import("@/records/database");
  records();
}
