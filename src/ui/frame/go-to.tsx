"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { useLabels, usePeople, useRigs, useSlice } from "../data/records";
import { Input } from "../parts/controls";
import { Field } from "../parts/field";
import { Modal } from "../parts/modal";
import { PageLink } from "../parts/page-link";
import { foundBy, type Place } from "./found-by";
import { ALL, ROOMS } from "./rooms";

const Press = chakra("button", {
  base: {
    minHeight: "3rem",
    padding: "0 16px",
    background: "transparent",
    border: "none",
    borderLeft: "1px solid",
    borderColor: "onStripSoft",
    color: "onStripSoft",
    fontFamily: "body",
    fontSize: ".9375rem",
    cursor: "pointer",
    whiteSpace: "nowrap",
  },
});

/** Opens the field that goes to anything by its name. */
export const GoToButton = ({ onPress }: { onPress: () => void }) => (
  <Press type="button" onClick={onPress}>
    Go to a lawn, label, rig or page{" "}
    <chakra.kbd border="1px solid" borderColor="onStripSoft" padding="0 6px" marginLeft="4px" fontFamily="body">
      /
    </chakra.kbd>
  </Press>
);

const PAGES: readonly Place[] = [
  ...ROOMS.flatMap((room) =>
    room.pages.map((page) => ({
      name: page.name,
      kind: page.name === room.name ? "page" : `page of ${room.name}`,
      path: page.path,
      also: `${room.name} ${page.also ?? ""}`,
    })),
  ),
  { name: ALL.name, kind: "page", path: ALL.path },
];

const MOST = 12;

/** What there is by a name: pages, rigs, people, labels and their lots, sites and what is on record of them. */
function usePlaces(typed: string): readonly Place[] {
  const rigs = useRigs();
  const people = usePeople();
  const labels = useLabels();
  const asked = typed.trim();
  const sites = useSlice("sites", asked === "" ? null : { search: asked }).value?.rows ?? [];
  const lots = useSlice("lots", asked.length < 2 ? null : { labels: labels.map((label) => label.id).sort() }).value ?? [];
  const places: readonly Place[] = [
    ...PAGES,
    ...rigs.filter((r) => !r.retired).map((r) => ({ name: r.rig.name, kind: "rig", path: `/rigs?id=${r.id}` })),
    ...labels.filter((l) => !l.retired).map((l) => ({ name: l.card.name, kind: "label", path: `/labels?id=${l.id}` })),
    ...people.filter((p) => !p.retired).map((p) => ({ name: p.name, kind: "person", path: `/crew?id=${p.id}` })),
    ...lots.map((lot) => ({
      name: lot.lot,
      kind: `lot of ${labels.find((l) => l.id === lot.labelId)?.card.name ?? "a label"}`,
      path: `/labels/shelf?recall=${lot.labelId}&lot=${encodeURIComponent(lot.lot)}`,
    })),
  ];
  const found = foundBy(asked, places).slice(0, MOST);
  // The server found these by the beginnings of their words already.
  const bySite = sites.slice(0, 6).flatMap(({ id, site }): Place[] => [
    { name: site.name, kind: "site", path: `/sites?id=${id}` },
    { name: site.name, kind: "records of the site", path: `/log?site=${id}` },
  ]);
  return [...bySite, ...found];
}

/** A field that goes to anything by the beginning of its name: with the arrows and Enter, or by a press. */
export function GoTo({ shown, onClose }: { shown: boolean; onClose: () => void }) {
  return (
    <Modal name="Go to" shown={shown} onClose={onClose} weight="wide">
      <Finder onGone={onClose} />
    </Modal>
  );
}

const Found = chakra(PageLink, {
  base: {
    display: "flex",
    justifyContent: "space-between",
    alignItems: "center",
    gap: "12px",
    minHeight: "48px",
    padding: "4px 8px",
    color: "ink",
    textDecoration: "none",
    borderBottom: "1px solid",
    borderColor: "line",
    "&[data-at=true]": { background: "well", fontWeight: "700" },
  },
});

export function Finder({ onGone }: { onGone?: () => void }) {
  const [typed, setTyped] = useState("");
  const [at, setAt] = useState(0);
  const router = useRouter();
  const found = usePlaces(typed);
  const go = (place: Place | undefined) => {
    if (!place) return;
    router.push(place.path);
    onGone?.();
  };
  return (
    <>
      <Field label="Go to a lawn, label, rig, record, lot, person or page">
        {(props) => (
          <Input
            {...props}
            type="search"
            autoComplete="off"
            placeholder="the beginning of its name"
            value={typed}
            onChange={(e) => {
              setTyped(e.target.value);
              setAt(0);
            }}
            onKeyDown={(e) => {
              if (e.key === "ArrowDown" || e.key === "ArrowUp") {
                e.preventDefault();
                setAt(Math.max(0, Math.min(found.length - 1, at + (e.key === "ArrowDown" ? 1 : -1))));
              }
              if (e.key === "Enter") go(found[at]);
            }}
          />
        )}
      </Field>
      <Box as="ul" listStyleType="none" aria-label="Found" marginTop="4px">
        {typed.trim() !== "" &&
          found.map((place, i) => (
            <li key={place.path}>
              <Found href={place.path} data-at={i === at} onClick={onGone}>
                <span>{place.name}</span>
                <chakra.span color="soft" textStyle="small">
                  {place.kind}
                </chakra.span>
              </Found>
            </li>
          ))}
      </Box>
      <Box role="status" color="soft" textStyle="small">
        {typed.trim() !== "" && found.length === 0 && `Nothing here has a word that begins with “${typed.trim()}”.`}
      </Box>
    </>
  );
}
