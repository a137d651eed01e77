import { dataFolder, ensureBuilt, ensureInstalled } from "./lib/setup.mjs";
import { serve } from "./lib/serve.mjs";

// The production build on the person's own records.
ensureInstalled();
ensureBuilt();
await serve("start", dataFolder());
