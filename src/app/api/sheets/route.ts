import { saveSheet } from "@/services/save-sheet";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveSheet);
