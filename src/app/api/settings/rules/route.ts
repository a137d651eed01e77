import { saveLocalRules } from "@/services/local-rules";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, saveLocalRules);
