import { withdraw } from "@/services/withdraw";
import { answerTo } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return answerTo(request, (db, body) => withdraw(db, id, body));
}
