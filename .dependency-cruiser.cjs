/** No circles among our own files, types included: what two files need of one another lies in a third, below both. */
module.exports = {
  forbidden: [
    {
      name: "no-circles",
      comment: "Give the types and what both need to a lower file, and import that from each.",
      severity: "error",
      from: { path: "^src" },
      to: { circular: true },
    },
  ],
  options: {
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    doNotFollow: { path: "node_modules" },
    exclude: { path: "\\.next|migrations" },
  },
};
