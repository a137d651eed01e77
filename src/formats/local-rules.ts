import { good, bad, type Result } from "@/core/issue";
import { sameName } from "@/core/names";
import { exact, faultsIn, list, needed, number, temperature, text, within, fault } from "./job-file/shape-parts";
import { typeName } from "./job-file/shown";

/** What a place asks of the weather beside the labels, and what the firm asks of itself. A rule never loosens a label. */
export interface LocalRule {
  /** Where it holds, as sites name their rules; left out, everywhere. */
  readonly jurisdiction?: string;
  readonly wind?: string;
  readonly airLeast?: string;
  readonly airMost?: string;
  /** Where it is written. */
  readonly source?: string;
}

export interface LocalRules {
  /** How often they were changed when they were read; not kept themselves. */
  readonly "x-revision"?: number;
  readonly rules: readonly LocalRule[];
}

/** As many as a firm has to heed (ours). */
const MOST_RULES = 60;

const RULES = exact({
  "x-revision": number(true, 1e9),
  rules: needed(
    list(
      exact({
        jurisdiction: text(60),
        wind: within("speed"),
        airLeast: temperature(),
        airMost: temperature(),
        source: text(200),
      }).test("says-something", function (value: unknown) {
        const { wind, airLeast, airMost } = (value ?? {}) as LocalRule;
        const says = [wind, airLeast, airMost].some((one) => one !== undefined);
        return (
          says || fault(this, { path: `${this.path}.wind`, code: "missing", received: "", expected: `"8 mph", or a temperature` })
        );
      }),
      0,
      "rule",
      MOST_RULES,
    ),
    "[]",
  ),
});

/** Local rules as a screen sends them, or every fault with its place. */
export function readLocalRules(told: unknown): Result<LocalRules> {
  if (typeof told !== "object" || told === null)
    return bad({ path: "", code: "wrong-type", received: typeName(told), expected: "local rules" });
  const issues = faultsIn(RULES, told);
  return issues.length > 0 ? { ok: false, issues } : good(told as LocalRules);
}

/** Those that hold on some sites: of their places, and those of everywhere. */
export const rulesFor = (
  { rules }: LocalRules,
  sites: readonly { readonly jurisdiction?: string | undefined }[],
): readonly LocalRule[] =>
  rules.filter(
    ({ jurisdiction }) => jurisdiction === undefined || sites.some((site) => sameName(site.jurisdiction ?? "", jurisdiction)),
  );

/** How a rule is called where it holds. */
export const ruleName = ({ jurisdiction, source }: LocalRule): string =>
  [jurisdiction === undefined ? "the firm's own rule" : `the rule of ${jurisdiction}`, source].filter(Boolean).join(", ");
