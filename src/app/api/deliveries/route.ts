import { saveDelivery } from "@/services/shelf";
import { answerTo } from "../answer";

export const POST = (request: Request) => answerTo(request, saveDelivery);
