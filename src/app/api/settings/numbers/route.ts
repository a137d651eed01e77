import { saveNumbers } from "@/services/firm-numbers";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, saveNumbers);
