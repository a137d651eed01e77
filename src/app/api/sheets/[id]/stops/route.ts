import { tellStop } from "@/services/day-stops";
import { answerTo } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return answerTo(request, (db, body) => tellStop(db, id, body));
}
