import { mergeSites } from "@/services/merge-sites";
import { answerTo } from "../../answer";

export const POST = (request: Request) => answerTo(request, mergeSites);
