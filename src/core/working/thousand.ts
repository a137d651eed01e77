import { quantity } from "../quantity/quantity";
import { constant } from "./rule";

/** The area that a pace is stated for. */
export const THOUSAND = constant("area", quantity("area", 1000, "ft2"), "1,000 sq ft");
