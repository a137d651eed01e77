import { saveQuickCheck } from "@/services/save-check";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveQuickCheck);
