import { recordSheet } from "@/services/record-sheet";
import { answerTo } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return answerTo(request, (db, body) => recordSheet(db, id, body));
}
