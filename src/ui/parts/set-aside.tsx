import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { AsideEntry } from "@/formats/entries";
import { Fold } from "./fold";
import { Notice } from "./notices";

interface SetAsideProps {
  readonly rows: readonly AsideEntry[];
  /** What can be done about one, where its kind is at home. */
  readonly mend?: (row: AsideEntry) => ReactNode;
}

/** Rows that can't be read: what they are, why, and their raw text, so that nothing of them is lost. */
export function SetAside({ rows, mend }: SetAsideProps) {
  if (rows.length === 0) return null;
  return (
    <Box as="section" aria-label="Records that can't be read" display="grid" gap="8px">
      <Notice state="stop">
        {rows.length === 1 ? "One record" : `${rows.length} records`} can&apos;t be read and {rows.length === 1 ? "is" : "are"}{" "}
        set aside; everything else works. Restore a backup that has {rows.length === 1 ? "it" : "them"}, or enter{" "}
        {rows.length === 1 ? "it" : "them"} anew.
      </Notice>
      {rows.map((row) => (
        <Box key={`${row.of}${row.id}`} borderBottom="1px solid" borderColor="line" paddingBottom="8px">
          <Box>
            <chakra.strong>{row.name}</chakra.strong> ({row.of}): {row.reason}
          </Box>
          <Fold title="Its raw text">
            <chakra.pre fontSize=".9375rem" whiteSpace="pre-wrap" overflowWrap="anywhere" tabIndex={0}>
              {row.raw}
            </chakra.pre>
          </Fold>
          {mend?.(row)}
        </Box>
      ))}
    </Box>
  );
}
