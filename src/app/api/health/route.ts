import { connection } from "next/server";

/** Answers when the server does: for the scripts that wait for it, and as the measure of a request that does nothing. */
export async function GET() {
  await connection();
  return new Response("ok");
}
