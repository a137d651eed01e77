/**
 * The name of a table or a column, as it stands in a statement. Values never do: they are bound.
 * @throws RangeError for what is no name of the records: lower-case letters, digits and underscores
 */
export function quoted(name: string): string {
  if (!/^[a-z_][a-z0-9_]*$/.test(name)) throw new RangeError("no name of a table or a column");
  return `"${name}"`;
}
