import { saveProgram } from "@/services/program";
import { answerTo } from "../../answer";

/** Rounds, and some years of soil. */
const LIMITS = { most: 256_000 };

export const POST = (request: Request) => answerTo(request, saveProgram, LIMITS);
