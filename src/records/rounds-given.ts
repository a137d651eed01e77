import { asc, eq, sql } from "drizzle-orm";
import type { Access } from "./access";
import { once } from "./prepared";
import { roundsGiven } from "./schema-season";

/** Which records are of which round of the program: as a person said, or as it was inferred once. */

export const giveRound = (db: Access, row: typeof roundsGiven.$inferInsert): void =>
  void db.insert(roundsGiven).values(row).run();

export const findGiven = (db: Access, id: string) => db.select().from(roundsGiven).where(eq(roundsGiven.id, id)).get();

/** By record, what corrects it included: the id of its round, "" where it is of none. The newest word on a record counts. */
export function givenRounds(db: Access): ReadonlyMap<string, string> {
  const rows = once(db, "rounds given", (of) =>
    of
      .select({
        round: roundsGiven.round,
        // A correction is of the round of what it corrects.
        records: sql<string>`(with recursive chain(id) as (
          select ${roundsGiven.recordId} union select a.id from chain join applications a on a.corrects = chain.id
        ) select json_group_array(id) from chain)`,
      })
      .from(roundsGiven)
      .orderBy(asc(roundsGiven.at), asc(sql`rowid`))
      .prepare(),
  ).all();
  return new Map(rows.flatMap(({ round, records }) => (JSON.parse(records) as string[]).map((id) => [id, round ?? ""] as const)));
}
