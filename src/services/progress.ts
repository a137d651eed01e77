/** Tells how far a long work has come. */
export type Progress = (done: number, of: number) => void;
