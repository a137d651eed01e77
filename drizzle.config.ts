import { defineConfig } from "drizzle-kit";

export default defineConfig({
  dialect: "sqlite",
  schema: ["./src/records/schema.ts", "./src/records/schema-work.ts", "./src/records/schema-season.ts"],
  out: "./src/records/migrations",
});
