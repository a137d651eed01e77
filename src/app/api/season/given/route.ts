import { giveToRound } from "@/services/program";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, giveToRound);
