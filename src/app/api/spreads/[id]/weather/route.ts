import { saveSpreadWeather } from "@/services/save-weather";
import { answerTo } from "../../../answer";

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return answerTo(request, (db, body) => saveSpreadWeather(db, id, body));
}
