import { saveWatering } from "@/services/after-work";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveWatering);
