import { isKept, put } from "@/services/keep-up";
import { answerTo } from "../../answer";

/** A card with all its rows. */
const LIMITS = { most: 256_000 };

export async function POST(request: Request, { params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  return isKept(kind) ? answerTo(request, (db, body) => put(db, kind, body), LIMITS) : new Response(null, { status: 404 });
}
