import { moveWork } from "@/services/move-work";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, moveWork, { most: 1_000_000 });
