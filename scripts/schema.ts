import { writeFileSync } from "node:fs";
import { SITE_FILE_SCHEMA } from "@/formats/area/schema";
import { jobFileSchema } from "@/formats/job-file/schema";
import { PATTERN_FILE_SCHEMA } from "@/formats/pattern/file";
import { SEASON_FILE_SCHEMA } from "@/formats/season/file";
import { SPREADER_FILE_SCHEMA } from "@/formats/spreader/file";
import { WEATHER_FILE_SCHEMA } from "@/formats/weather/file";

// The schemas in docs/ are made, not written: a test keeps each in step.
const schemas = {
  "job-file": jobFileSchema(2),
  "job-file-1": jobFileSchema(1),
  "site-file": SITE_FILE_SCHEMA,
  "weather-file": WEATHER_FILE_SCHEMA,
  "season-file": SEASON_FILE_SCHEMA,
  "pattern-file": PATTERN_FILE_SCHEMA,
  "spreader-file": SPREADER_FILE_SCHEMA,
};
for (const [name, schema] of Object.entries(schemas))
  writeFileSync(`docs/${name}.schema.json`, `${JSON.stringify(schema, null, 2)}\n`);
