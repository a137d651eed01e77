/**
 * The port that a flow meter is read through, and a simulated one behind it. A real meter (on a serial line, over the
 * air) would be another function of the same shape: nothing that reads it would change.
 */
export interface FlowMeter {
  /**
   * Streams readings of the outlets, one after another from the left, each once it has settled.
   * @param onReading outlet from 0, and the reading as text with its unit: "0.197 gal/min"
   * @returns a function that stops it
   */
  readonly stream: (outlets: number, onReading: (outlet: number, reading: string) => void) => () => void;
}

interface Simulated {
  /** What each outlet gives, gal/min. */
  readonly flow: number;
  /** Milliseconds from one outlet to the next. */
  readonly every?: number;
}

/**
 * A simulated meter: outlets that scatter a little about a flow, one worn and one half blocked on a long boom. The same
 * boom always reads the same: it can be shown, and tested.
 */
export function simulatedMeter({ flow, every = 250 }: Simulated): FlowMeter {
  const scatter = (outlet: number) => 1 + 0.018 * Math.sin(outlet * 2.4 + 0.7);
  const fault = (outlet: number, outlets: number) =>
    outlets < 6 ? 1 : outlet === Math.floor(outlets / 3) ? 1.13 : outlet === outlets - 2 ? 0.86 : 1;
  return {
    stream: (outlets, onReading) => {
      let outlet = 0;
      const timer = setInterval(() => {
        if (outlet >= outlets) return clearInterval(timer);
        onReading(outlet, `${(flow * scatter(outlet) * fault(outlet, outlets)).toFixed(3)} gal/min`);
        outlet += 1;
      }, every);
      return () => clearInterval(timer);
    },
  };
}
