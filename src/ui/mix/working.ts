import { explainAll, planSources, type Line, type MixPlan, type System } from "@/core/contents";

/** The working of a mix, shared steps once: spray volume, coverage, each site, each kind of load. */
export const mixWorking = (plan: MixPlan, system: System): readonly Line[] => explainAll(planSources(plan), system);
