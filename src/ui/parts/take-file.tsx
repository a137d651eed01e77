"use client";

import { Box, chakra } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { lineFor, type Issue, type Result } from "@/core/issue";
import { NEW_GROUND, newGround, readGround } from "@/formats/grounds";
import { columnsOpen, type Choices, type Imported, type ImportItem } from "@/formats/import";
import { useReadAgain } from "../data/records";
import { sendFile } from "../data/send-file";
import { ChangesShown } from "./changes-shown";
import { Button, Select } from "./controls";
import { TextField } from "./field";
import { Notice } from "./notices";
import { PickFile } from "./pick-file";
import { isUnread, ReadColumns } from "./read-columns";
import { Column, Row } from "./layout";

interface TakeProps {
  /** What the server takes it for. */
  readonly kind: "job" | "cards" | "log" | "sites" | "records" | "move";
  readonly label: string;
  readonly accept: string;
  readonly children: string;
}

type Stage =
  | { readonly at: "rest" }
  | { readonly at: "work"; readonly looking: boolean; readonly progress?: readonly [number, number] }
  | { readonly at: "look"; readonly looked: Imported }
  | { readonly at: "kept"; readonly kept: Imported }
  | { readonly at: "refused"; readonly issues: readonly Issue[] };

/**
 * Brings a file in, in two steps: what it would do is shown first, side by side with what is here; then it is kept, with
 * what was chosen. Long ones show how far they are and can be stopped; nothing is kept by halves.
 */
export function TakeFile({ kind, label, accept, children }: TakeProps) {
  const [file, setFile] = useState<File>();
  const [stage, setStage] = useState<Stage>({ at: "rest" });
  const [choices, setChoices] = useState<Choices>({});
  const stop = useRef<AbortController>(undefined);
  const readAgain = useReadAgain();
  const send = async (of: File, chosen: Choices | undefined, said: Choices = {}): Promise<Result<Imported>> => {
    stop.current = new AbortController();
    setStage({ at: "work", looking: chosen === undefined });
    return sendFile(kind, of, chosen, {
      signal: stop.current.signal,
      said,
      progress: (...progress) => setStage({ at: "work", looking: chosen === undefined, progress }),
    });
  };
  const look = async (picked: File, said: Choices) => {
    setFile(picked);
    setChoices(said);
    const result = await send(picked, undefined, said);
    setStage(result.ok ? { at: "look", looked: result.value } : { at: "refused", issues: result.issues });
  };
  const keep = async () => {
    const result = await send(file!, choices);
    setStage(result.ok ? { at: "kept", kept: result.value } : { at: "refused", issues: result.issues });
    if (result.ok) await readAgain();
  };
  const rest = () => setStage({ at: "rest" });
  return (
    <Column gap="10px">
      <Box>
        <PickFile label={label} accept={accept} onFile={(picked) => look(picked, {})}>
          {children}
        </PickFile>
      </Box>
      {stage.at === "work" && (
        <Row role="status" gap="12px" flexWrap="wrap">
          <span>
            {stage.looking ? "Looking at" : "Bringing in"} {file?.name}
            {stage.progress
              ? `: ${stage.progress[0].toLocaleString("en-US")} of ${stage.progress[1].toLocaleString("en-US")}`
              : " …"}
          </span>
          <Button look="quiet" onClick={() => stop.current?.abort()}>
            Stop
          </Button>
        </Row>
      )}
      {stage.at === "look" && (
        <Looked
          name={file!.name}
          looked={stage.looked}
          choices={choices}
          onChoose={(key, choice) => setChoices({ ...choices, [key]: choice })}
          onLook={() => void look(file!, choices)}
          onKeep={() => void keep()}
          onLeave={rest}
        />
      )}
      {stage.at === "kept" && <Notice state="plain">{`${file!.name}: ${broughtIn(stage.kept)}`}</Notice>}
      {stage.at === "refused" && (
        <>
          <Notice state="stop">{file!.name}: nothing of it was kept.</Notice>
          {stage.issues.map((issue, i) => (
            <Notice key={i} state="stop">
              {lineFor(issue)}
            </Notice>
          ))}
        </>
      )}
    </Column>
  );
}

const NAMES = { rig: "rig", person: "person", label: "label", site: "site", zone: "zone" } as const;
const plural = (n: number, one: string, many = `${one}s`) => `${n.toLocaleString("en-US")} ${n === 1 ? one : many}`;

/** As many as are named one by one. */
const NAMED = 12;

/** So many of each kind: "1,000 sites". */
const countsOf = (items: readonly ImportItem[]): string[] =>
  (Object.keys(NAMES) as ImportItem["kind"][]).flatMap((kind) => {
    const count = items.filter((item) => item.kind === kind).length;
    return count > 0 ? [plural(count, NAMES[kind], kind === "person" ? "people" : `${NAMES[kind]}s`)] : [];
  });

/** What came in, or would, in one sentence. */
function broughtIn({ items, calibrations, applications, known, rows }: Imported): string {
  const fresh = items.filter((item) => item.state === "new");
  const taken = items.filter((item) => item.taken);
  const said = [
    ...(fresh.length > NAMED ? countsOf(fresh) : fresh.map((item) => `${NAMES[item.kind]} ${item.name}`)),
    calibrations > 0 && plural(calibrations, "calibration"),
    applications > 0 && plural(applications, "application"),
    rows > 0 && plural(rows, "row"),
  ].filter(Boolean);
  return [
    said.length > 0 ? `${said.join(", ")} added.` : "nothing new in it.",
    taken.length > 0 && `Taken from the file: ${taken.map((item) => item.name).join(", ")}.`,
    known > 0 && `${plural(known, "application")} on record already.`,
  ]
    .filter(Boolean)
    .join(" ");
}

interface LookedProps {
  readonly name: string;
  readonly looked: Imported;
  readonly choices: Choices;
  readonly onChoose: (key: string, choice: string) => void;
  readonly onLook: () => void;
  readonly onKeep: () => void;
  readonly onLeave: () => void;
}

/** What a file would do: what is new, what differs side by side, what has to be said. */
function Looked({ name, looked, choices, onChoose, onLook, onKeep, onLeave }: LookedProps) {
  const open = looked.items.filter((item) => item.state !== "new" && item.state !== "same");
  const toBeSaid = looked.columns !== undefined && columnsOpen(looked.columns);
  const notes = looked.items.flatMap((item) => (item.notes ?? []).map((note) => `${item.name}: ${note}`));
  return (
    <Box
      as="section"
      aria-label={`What ${name} would bring`}
      border="2px solid"
      borderColor="ink"
      background="sheet"
      padding="14px 16px"
      display="grid"
      gap="12px"
    >
      <Box textStyle="strong">{name}</Box>
      {!toBeSaid && <Box>{wouldBring(looked)}</Box>}
      {looked.changes && <ChangesShown changes={looked.changes} />}
      {looked.columns && <ReadColumns columns={looked.columns} choices={choices} onChoose={onChoose} onLook={onLook} />}
      {notes.map((note) => (
        <Notice key={note} state="act">
          {note}
        </Notice>
      ))}
      {open.length > 0 && (
        <Box textStyle="note" color="soft">
          What is here stays as it is, unless you take it from the file. What is taken over is kept with its date.
        </Box>
      )}
      {open.map((item) => (
        <Item key={item.key} item={item} choice={choices[item.key] ?? ""} onChoose={(choice) => onChoose(item.key, choice)} />
      ))}
      <Row alignItems="stretch" flexWrap="wrap">
        {!(looked.columns && isUnread(looked.columns, choices)) && (
          <Button look="act" onClick={onKeep}>
            Bring it in
          </Button>
        )}
        <Button look="quiet" onClick={onLeave}>
          Leave it
        </Button>
      </Row>
    </Box>
  );
}

function wouldBring(looked: Imported): string {
  const words = broughtIn(looked).replace(/ added\./, " would be added.");
  const same = looked.items.filter((item) => item.state === "same").length;
  return same > 0 ? `${words} ${plural(same, "item is", "items are")} here just so.` : words;
}

const SAYS: Record<ImportItem["state"], string> = {
  new: "",
  same: "",
  differs: "is here, and differs.",
  renamed: "is here under another name",
  retired: "is here, retired.",
  "new-zone": "isn't among its site's zones: which ground is it?",
};

interface ItemProps {
  readonly item: ImportItem;
  readonly choice: string;
  readonly onChoose: (choice: string) => void;
}

function Item({ item, choice, onChoose }: ItemProps) {
  const { kind, name, state, calledHere, differences, grounds } = item;
  const { other, why = "" } = readGround(choice);
  const inUse = grounds?.filter((ground) => ground.live) ?? [];
  const called = calledHere !== undefined && state === "renamed" ? `: ${calledHere}` : "";
  return (
    <Column borderTop="1px solid" borderColor="line" paddingTop="10px" gap="8px">
      <Box>
        <chakra.strong>{name}</chakra.strong> ({NAMES[kind]}) {SAYS[state]}
        {called}
      </Box>
      {differences.length > 0 && (
        <Box as="table" textStyle="small" borderCollapse="collapse" width="100%">
          <thead>
            <tr>
              {["Place", "Here", "In the file"].map((head) => (
                <chakra.th key={head} textAlign="left" padding="2px 10px 2px 0" fontWeight="700">
                  {head}
                </chakra.th>
              ))}
            </tr>
          </thead>
          <tbody>
            {differences.map(({ place, here, file }) => (
              <tr key={place}>
                {[place, here, file].map((text, i) => (
                  <chakra.td
                    key={i}
                    padding="2px 10px 2px 0"
                    verticalAlign="top"
                    fontFamily={i > 0 ? "reading" : "body"}
                    overflowWrap="anywhere"
                  >
                    {text}
                  </chakra.td>
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      <Box maxW="420px">
        <Select
          aria-label={`What to do with ${name}`}
          value={other ? NEW_GROUND : choice}
          onChange={(e) => onChoose(e.target.value)}
        >
          {state === "new-zone" ? (
            <>
              <option value="">leave it out</option>
              <option value={NEW_GROUND}>
                {inUse.length > 0 ? "other ground than any of these" : "new ground: nothing was sprayed there before"}
              </option>
              {grounds?.map((ground) => (
                <option key={ground.id} value={ground.id}>
                  the same ground as {ground.name}
                </option>
              ))}
            </>
          ) : (
            <>
              <option value="">leave what is here</option>
              <option value="take">
                {state === "retired" && differences.length === 0
                  ? "bring it back"
                  : state === "retired"
                    ? "bring it back, as in the file"
                    : "take what the file has"}
              </option>
            </>
          )}
        </Select>
        {state === "new-zone" && other && inUse.length > 0 && (
          <TextField
            label={`Why ${name} is other ground than ${inUse.map((ground) => ground.name).join(", ")}`}
            placeholder="the neighbour's, behind the fence"
            maxLength={300}
            value={why}
            onChange={(e) => onChoose(newGround(e.target.value))}
          />
        )}
      </Box>
    </Column>
  );
}
