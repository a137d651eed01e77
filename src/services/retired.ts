import type { Issue } from "@/core/issue";
import { issue } from "./input";

/** What is retired takes nothing new: no sheet, no calibration, no plan. What was begun with it may be finished. */
export function retiredFaults(
  ...named: readonly (readonly [path: string, name: string, record: { readonly retired: boolean } | undefined])[]
): Issue[] {
  return named.flatMap(([path, name, record]) =>
    record?.retired ? [issue(path, "retired", name, "bring it back first, if it is still in use")] : [],
  );
}
