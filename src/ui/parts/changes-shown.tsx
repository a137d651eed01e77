"use client";

import { Box, chakra } from "@chakra-ui/react";
import type { AddedRows, Changes } from "@/formats/import";
import { Fold } from "./fold";
import { Notice } from "./notices";

/** As many lines as are in sight at once. */
const IN_SIGHT = 8;

/** What a file would do, row by row: what it strikes, corrects or changes in sight, what it adds folded away. */
export function ChangesShown({ changes: { first, added } }: { changes: Changes }) {
  const [seen, more] = [first.slice(0, IN_SIGHT), first.slice(IN_SIGHT)];
  return (
    <>
      {first.length > 0 && (
        <Notice state="stop">
          <Box textStyle="strong">It changes what is here, or what counts:</Box>
          <Lines lines={seen.map(({ of, words }) => `${of} ${words}`)} />
          {more.length > 0 && (
            <Fold title={`${more.length.toLocaleString("en-US")} more of these`}>
              <Lines lines={more.map(({ of, words }) => `${of} ${words}`)} />
            </Fold>
          )}
        </Notice>
      )}
      {added.length > 0 && (
        <Fold title={everythingIn(added)}>
          {added.map((rows) => (
            <Added key={rows.table} rows={rows} />
          ))}
        </Fold>
      )}
    </>
  );
}

function Lines({ lines }: { lines: readonly string[] }) {
  return (
    <chakra.ul paddingLeft="18px" overflowWrap="anywhere">
      {lines.map((line, i) => (
        <li key={i}>{line}</li>
      ))}
    </chakra.ul>
  );
}

function Added({ rows: { of, ids, names, count = ids.length } }: { rows: AddedRows }) {
  const rest = ids.length - names.length;
  if (names.length === 0) return <Box>{`${of}: ${count.toLocaleString("en-US")}`}</Box>;
  return (
    <Fold title={`${of}: ${count.toLocaleString("en-US")}`}>
      <Lines lines={rest > 0 ? [...names, `and ${rest.toLocaleString("en-US")} more`] : names} />
    </Fold>
  );
}

function everythingIn(added: readonly AddedRows[]): string {
  const rows = added.reduce((sum, { ids, count = ids.length }) => sum + count, 0);
  return `Everything that it adds: ${rows === 1 ? "one row" : `${rows.toLocaleString("en-US")} rows`}`;
}
