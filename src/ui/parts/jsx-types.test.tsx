import { quantity } from "@/core/quantity/quantity";

/** What must not compile: a quantity put into a page without its unit and rounding. */
export function MustNotCompile() {
  const area = quantity("area", 1, "ft2");
  // @ts-expect-error a quantity is no text: only the formatter writes it
  return <p>{area}</p>;
}

test("the type test above is part of the project that tsc checks", () => expect(MustNotCompile).toBeInstanceOf(Function));
