import { connection } from "next/server";
import { records } from "@/records/database";
import { chainNow } from "@/services/chain-now";
import { answerAct } from "../acts";
import { guarded } from "../answer";

/** How the chain of the records stood at the start; null while that is being worked out. */
export async function GET() {
  await connection();
  return guarded(async () => Response.json(chainNow(records()), { headers: { "cache-control": "no-store" } }));
}

export const POST = answerAct;
