import { connection } from "next/server";
import { records } from "@/records/database";
import { guarded } from "../answer";

/**
 * Answers when the server does, and says why where the records can't be opened: for the scripts that wait for it, and as
 * the measure of a request that does nothing.
 */
export async function GET() {
  await connection();
  return guarded(async () => {
    records();
    return new Response("ok", { headers: { "cache-control": "no-store" } });
  });
}
