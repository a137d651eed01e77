/** Every module that declares rules: the contents of the rule catalogue. */
export * from "./calibration/calibrate";
export * from "./calibration/expected-catch";
export * from "./calibration/flow";
export * from "./calibration/marking-out";
export * from "./calibration/pace";
export * from "./calibration/required-flow";
export * from "./calibration/tips";
export * from "./calibration/used";
export * from "./hose-end/head";
export * from "./hose-end/jars";
export * from "./mixing/amounts";
export * from "./mixing/column";
export * from "./mixing/loads";
export * from "./mixing/mix";
