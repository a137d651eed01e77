/** Under which the reports of a station are kept on this device. */
export const REPORTS = "metars";
