import { answerAct } from "../acts";

/** Everything that is done to the records, by one table (acts.ts). */
export const POST = answerAct;
