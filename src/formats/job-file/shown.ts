/** Something from outside in the words of a fault: text and numbers as they are, anything else by what it is. */
export const shown = (value: unknown): string =>
  typeof value === "string" ? value.slice(0, 200) : typeof value === "number" ? String(value) : typeName(value);

export function typeName(value: unknown): string {
  if (value === null) return "null";
  if (Array.isArray(value)) return "a list";
  return (
    { object: "an object", string: "text", number: "a number", boolean: "true or false" }[typeof value as string] ?? typeof value
  );
}
