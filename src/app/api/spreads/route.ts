import { saveSpread } from "@/services/spread";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveSpread);
