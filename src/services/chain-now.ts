import { bad, good, type Result } from "@/core/issue";
import type { ChainFault, ChainEntry } from "@/formats/chain-state";
import { chainState } from "@/records/chain";
import { type Records, whole } from "@/records/database";
import { acceptChain, evidenceState, lastAccepted } from "@/records/evidence";
import { issue, nowText } from "./input";
import { isStory } from "./ledger";

/**
 * How the chain of the records stands. It is worked out once a start, by a process of its own, and told on every page until somebody goes
 * on with a reason, which stays on record and in the chain.
 */

/** Everything that isn't as it was when it came. */
export function chainFaults(db: Records): {
  readonly faults: readonly ChainFault[];
  readonly head: string;
  readonly rows: number;
} {
  const { broken, outside, cut, digest: head, rows } = evidenceState(db);
  const log = chainState(db);
  const faults: ChainFault[] = [
    ...(broken ? [{ what: broken.why, kind: broken.kind, record: broken.recordId, place: broken.place } as const] : []),
    ...(log.broken
      ? [{ what: "altered", kind: "applications", record: log.broken.recordId, place: log.broken.place, log: true } as const]
      : []),
    ...Object.entries(outside).map(([kind, count]) => ({ what: "outside", kind, count }) as const),
    ...(cut > 0 ? [{ what: "cut", count: cut } as const] : []),
  ];
  return { faults, head, rows };
}

/** What this process knows of it: nothing until it was worked out. What starts the server and what answers it are built apart. */
const shared = globalThis as { carefulGaugeChain?: ReturnType<typeof chainFaults> | undefined };
export const chainIs = (found: ReturnType<typeof chainFaults> | undefined): void => void (shared.carefulGaugeChain = found);

/** How the chain stood at the start; null while that is being worked out. */
export function chainNow(db: Records): ChainEntry | null {
  const known = shared.carefulGaugeChain;
  if (!known) return null;
  const accepted = known.faults.length === 0 ? undefined : lastAccepted(db, JSON.stringify(known.faults));
  return { ...known, accepted: accepted ?? null };
}

/** Goes on past what isn't as it was: `{ why }`. Nothing of it is mended, and nothing taken into the chain. */
export function goOn(db: Records, input: unknown): Result<{ at: string }> {
  const { why } = (input ?? {}) as { why?: unknown };
  const known = shared.carefulGaugeChain;
  if (!known || known.faults.length === 0) return bad(issue("", "already-done", "nothing of the records is amiss", "go on"));
  if (!isStory(why)) return bad(issue("why", "reason-needed", "what isn't as it was stays so", "say in words how that came"));
  const state = JSON.stringify(known.faults);
  return whole(db, () => {
    const at = nowText();
    acceptChain(db, { at, why: why.trim(), state });
    return good({ at });
  });
}
