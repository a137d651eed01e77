import { withdraw } from "@/services/save-sheet";
import { answerTo } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return answerTo(request, (db) => withdraw(db, id));
}
