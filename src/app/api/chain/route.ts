import { connection } from "next/server";
import { records } from "@/records/database";
import { chainNow, goOn } from "@/services/chain-now";
import { answerTo, guarded } from "../answer";

/** How the chain of the records stood at the start; null while that is being worked out. */
export async function GET() {
  await connection();
  return guarded(async () => Response.json(chainNow(records()), { headers: { "cache-control": "no-store" } }));
}

/** Goes on past what isn't as it was: `{ why }`. */
export const POST = (request: Request) => answerTo(request, goOn);
