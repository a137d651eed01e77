import type { Issue } from "@/core/issue";
import type { SetAside } from "@/records/aside";
import { issue } from "./input";

/** What can't be read may count against a limit: nothing is planned beside it. */
export const asideFaults = (aside: readonly SetAside[]): Issue[] =>
  [...new Map(aside.map((one) => [one.id, one])).values()].map((one) =>
    issue(
      "",
      "unreadable",
      `a ${one.of} of this ground (${one.id})`,
      "it may count against a limit; restore a backup that has it",
    ),
  );
