// Loaded before a server of the tests and whatever it starts: their clock runs so many milliseconds ahead of the machine's, so that
// a journey can be gone through on any day. Where nobody names them the clock is the machine's.
(() => {
  const Real = Date;
  globalThis.testClockAhead = Number(process.env.TEST_CLOCK_AHEAD ?? Number.NaN);
  if (Number.isNaN(globalThis.testClockAhead)) return;
  const now = () => Real.now() + globalThis.testClockAhead;
  globalThis.Date = new Proxy(Real, {
    construct: (target, args, as) => Reflect.construct(target, args.length === 0 ? [now()] : args, as),
    apply: () => new Real(now()).toString(),
    get: (target, key) => (key === "now" ? now : Reflect.get(target, key)),
  });
})();
