import * as yup from "yup";
import { wordsFor } from "@/core/issue";
import { readCard } from "../card/read-card";

/** The form of a card: checked by the card's own reader, each fault carried to its field. */
export const cardForm = yup.object().test("card", function (value) {
  const read = readCard(value);
  if (read.ok) return true;
  return new yup.ValidationError(
    read.issues.map((issue) => this.createError({ path: issue.path, message: wordsFor(issue), params: { issue } })),
  );
});
