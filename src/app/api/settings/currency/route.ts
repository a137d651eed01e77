import { saveCurrency } from "@/services/currency";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, saveCurrency);
