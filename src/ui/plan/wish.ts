import type { Droplet } from "@/core/calibration/tips";

/** A wish in the making, as typed; kept in this browser. */
export interface Wish {
  readonly kind: "backwards" | "coverage" | "round" | "quickest";
  readonly sprayVolume: string;
  readonly speed: string;
  readonly swath: string;
  readonly coverVolume: string;
  readonly coverArea: string;
  readonly flow: string;
  readonly labelId: string;
  readonly step: string;
  readonly siteId: string;
  readonly refill: string;
  readonly fastest: string;
  readonly droplet: Droplet | "";
  readonly carrier: string;
}

export const EMPTY_WISH: Wish = {
  kind: "backwards",
  sprayVolume: "1 gal/1000 ft2",
  speed: "3 mph",
  swath: "",
  coverVolume: "100 gal",
  coverArea: "1 ac",
  flow: "",
  labelId: "",
  step: "",
  siteId: "",
  refill: "6 min",
  fastest: "3.5 mph",
  droplet: "",
  carrier: "",
};
