import { ensureInstalled, inProject } from "./lib/setup.mjs";
import { serve } from "./lib/serve.mjs";

// Development works on records of its own, never on a person's.
ensureInstalled();
await serve("dev", process.env.CAREFUL_GAUGE_DATA ?? inProject(".cache", "dev-data"));
