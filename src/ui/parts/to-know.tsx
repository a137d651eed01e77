"use client";

import { Box, chakra } from "@chakra-ui/react";
import { createContext, useContext, useId, useLayoutEffect, useMemo, useState, type ReactNode } from "react";
import { Bare } from "./controls";
import { Notice } from "./notices";

/**
 * What is to be known of a view, ranked: one is in sight, the one that changes what the hands do next; all others are one line, which
 * opens. What holds a plan is no part of it: it stands above the answer by itself.
 */
const RANKS = {
  before: "Before pouring",
  lawn: "On the lawn",
  after: "Afterwards",
  amounts: "About the amounts",
} as const;
export type Rank = keyof typeof RANKS;
const ORDER = Object.keys(RANKS) as Rank[];

interface Entry {
  readonly id: string;
  readonly rank: Rank;
  readonly brief: string;
  /** It may be the one that is in sight. */
  readonly act: boolean;
  readonly urgent: boolean;
}

interface Board {
  readonly put: (entry: Entry) => () => void;
  /** The entry that is in sight. */
  readonly first: string | undefined;
  readonly open: boolean;
}

const BoardContext = createContext<Board | undefined>(undefined);

interface KnownProps {
  readonly rank: Rank;
  /** In three words or four, for the line of all that is to be known: "bees by the door". */
  readonly brief: string;
  /** Of all that is to be done before pouring this is done first. */
  readonly urgent?: boolean;
  /** To act on, or what would stop the work; or only to be known. */
  readonly state: "act" | "stop" | "plain";
  readonly children: ReactNode;
}

/** Something to be known: in sight, behind the line, or, where a view has no line, a notice by itself. */
export function Known({ rank, brief, urgent = false, state, children }: KnownProps) {
  const board = useContext(BoardContext);
  const id = useId();
  const put = board?.put;
  useLayoutEffect(() => put?.({ id, rank, brief, act: state !== "plain", urgent }), [put, id, rank, brief, state, urgent]);
  const notice = <Notice state={state}>{children}</Notice>;
  if (!board) return notice;
  const first = board.first === id;
  // In sight before the line, all others after it, by their ranks.
  return (
    <Box
      order={first ? 0 : 2 + 2 * ORDER.indexOf(rank) + 1}
      display={first || board.open ? "block" : "none"}
      // On paper nothing opens: all of it stands there.
      css={{ "@media print": { display: "block" } }}
    >
      {notice}
    </Box>
  );
}

const Summary = chakra(Bare, {
  base: {
    display: "flex",
    alignItems: "center",
    gap: "8px",
    borderBottom: "1px solid",
    borderColor: "line",
  },
});

/** The line of all that is to be known, and what it opens. What is within is put on it by {@link Known}. */
export function ToKnow({ children }: { children: ReactNode }) {
  const [entries, setEntries] = useState<readonly Entry[]>([]);
  const [open, setOpen] = useState(false);
  const list = useId();
  const put = useMemo(
    () => (entry: Entry) => {
      setEntries((all) => [...all, entry]);
      return () => setEntries((all) => all.filter((one) => one !== entry));
    },
    [],
  );
  const ranked = useMemo(
    () =>
      [...entries].sort(
        (a, b) =>
          ORDER.indexOf(a.rank) - ORDER.indexOf(b.rank) || Number(b.urgent) - Number(a.urgent) || Number(b.act) - Number(a.act),
      ),
    [entries],
  );
  const first = ranked.find((one) => one.act && one.rank === "before")?.id;
  const rest = ranked.filter((one) => one.id !== first);
  const board = useMemo(() => ({ put, first, open }), [put, first, open]);
  return (
    <BoardContext.Provider value={board}>
      <Box display="flex" flexDirection="column" gap="8px" id={list} _empty={{ display: "none" }}>
        {rest.length > 0 && (
          <Box order={1} className="no-print">
            <Summary type="button" aria-expanded={open} aria-controls={list} onClick={() => setOpen(!open)}>
              <chakra.strong flexShrink={0}>
                {rest.length} {first ? "more " : ""}to know
              </chakra.strong>
              <chakra.span flex="1 1 0" minW={0} overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap" color="soft">
                {[...new Set(rest.map((one) => one.brief))].join(" · ")}
              </chakra.span>
              <span aria-hidden>{open ? "▴" : "▾"}</span>
            </Summary>
          </Box>
        )}
        {open &&
          ORDER.filter((rank) => rest.some((one) => one.rank === rank)).map((rank) => (
            <Box key={rank} as="h3" order={2 + 2 * ORDER.indexOf(rank)} fontWeight="700" paddingTop="4px">
              {RANKS[rank]}
            </Box>
          ))}
        {children}
      </Box>
    </BoardContext.Provider>
  );
}
