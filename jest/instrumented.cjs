const { createHash } = require("node:crypto");
const { existsSync, readFileSync } = require("node:fs");
const path = require("node:path");

const ROOT = path.resolve(__dirname, "..");

/** The transform of the tests, on a file's text with its mutants in it where `npm run mutants` has written one. */
module.exports = {
  createTransformer({ base, ...options }) {
    const transformer = require(base).createTransformer(options);
    const textOf = (text, file) => {
      const mutated = path.join(ROOT, ".cache", "mutants", path.relative(ROOT, file));
      return existsSync(mutated) ? readFileSync(mutated, "utf8") : text;
    };
    return {
      process: (text, file, jest) => transformer.process(textOf(text, file), file, jest),
      getCacheKey: (text, file, jest) =>
        createHash("sha256")
          .update([textOf(text, file), file, jest.configString].join("\0"))
          .digest("hex"),
    };
  },
};
