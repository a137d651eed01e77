// Loaded before a server of the tests: told of a folder, it closes the records that it has open and goes on with those. What it
// keeps besides hangs on the open records, but for the answers to screens, which are thrown away. A server takes seconds to
// start and to get warm, other records a few milliseconds: so each journey begins on records of its own.
process.setMaxListeners(0);
process.on("message", ({ folder, ahead }) => {
  if (folder === undefined) return;
  if (ahead !== undefined) {
    globalThis.testClockAhead = ahead;
    // For the processes that it starts.
    process.env.TEST_CLOCK_AHEAD = String(ahead);
  }
  globalThis.carefulGaugeRecords?.$client.close();
  delete globalThis.carefulGaugeRecords;
  globalThis.carefulGaugeShown?.clear();
  delete globalThis.carefulGaugeBoot;
  process.env.CAREFUL_GAUGE_DATA = folder;
  process.send({ opened: folder });
});
