import { savePractice } from "@/services/save-practice";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, savePractice);
