import { unparse } from "papaparse";

/**
 * What a spreadsheet would take for a formula: a text that begins with = + - @, in any width, also after blanks, line breaks
 * and what can't be seen.
 */
const FORMULA = /^'*[\s\p{Z}\p{Cc}\p{Cf}\p{Default_Ignorable_Code_Point}]*[=+\-@]/u;

/** A cell that no spreadsheet calculates: what looks like a formula gets an apostrophe, and so does what has one already. */
export const harmless = (cell: string): string => (FORMULA.test(cell.normalize("NFKC")) ? `'${cell}` : cell);

/** The cell that {@link harmless} was given. */
export const asTyped = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1).normalize("NFKC")) ? cell.slice(1) : cell;

/** Lines → CSV, harmless in every column. @param head whether the names of the columns come first */
export function toCsv(lines: readonly object[], columns: readonly string[], head = true): string {
  const cells = lines.map((line) =>
    columns.map((column) => {
      const value = (line as Record<string, unknown>)[column];
      return typeof value === "string" ? harmless(value) : value;
    }),
  );
  return `${unparse({ fields: [...columns], data: cells }, { newline: "\n", header: head })}\n`;
}
