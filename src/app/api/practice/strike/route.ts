import { strikePractice } from "@/services/save-practice";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, strikePractice);
