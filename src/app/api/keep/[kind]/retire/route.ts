import { isKept, retire } from "@/services/keep-up";
import { answerTo } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ kind: string }> }) {
  const { kind } = await params;
  return isKept(kind) ? answerTo(request, (db, body) => retire(db, kind, body)) : new Response(null, { status: 404 });
}
