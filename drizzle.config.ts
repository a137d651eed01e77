import { defineConfig } from "drizzle-kit";

export default defineConfig({
  dialect: "sqlite",
  schema: ["./src/records/schema.ts", "./src/records/schema-work.ts"],
  out: "./src/records/migrations",
});
