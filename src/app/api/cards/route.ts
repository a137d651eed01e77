import { importCards } from "@/services/import-cards";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, importCards);
