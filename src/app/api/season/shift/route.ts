import { shiftSeason } from "@/services/move-work";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, shiftSeason);
