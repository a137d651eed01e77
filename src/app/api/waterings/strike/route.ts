import { strikeWatering } from "@/services/after-work";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, strikeWatering);
