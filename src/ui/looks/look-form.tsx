"use client";

import { Box } from "@chakra-ui/react";
import { useState } from "react";
import { rateAsRead } from "@/core/working/as-read";
import type { Issue } from "@/core/issue";
import type { JudgedEntry } from "@/formats/entries";
import { isLookPart, lookExpected, OTHER_CAUSES, SOIL_MOISTURE, type LookText, type OtherCause } from "@/formats/looks";
import { todayDate } from "../data/clock";
import { dayWords } from "../data/dates";
import { useInHand } from "../data/in-hand";
import { useKept } from "../data/kept-here";
import { sentences, usePeople, useSend, useSite } from "../data/records";
import { useSaveOnce } from "../data/save-id";
import { useSystem } from "../data/units";
import { Check, Choose, type Option } from "../parts/choose";
import { Button, Note } from "../parts/controls";
import { TextField } from "../parts/field";
import { Column } from "../parts/layout";
import { Notice } from "../parts/notices";
import { SitePick } from "../parts/pickers";
import { holdsBackOnly, isEarly } from "./look-words";
import { TakePhotos, type TakenPhoto } from "./photos";

/** A look in the making, kept in this browser until it is saved. */
interface LookDraft {
  readonly siteId: string;
  readonly zoneId: string;
  readonly date: string;
  readonly personId: string;
  readonly says: LookText;
  readonly photos: readonly TakenPhoto[];
  /** It is on record; some of its photos aren't yet. */
  readonly saved?: string;
}

/** The look in the making, and what it is saved with. @param record what is judged; a scouting where it is left out */
function useLook(record: JudgedEntry | undefined, onDone: () => void) {
  const key = `look:${record?.id ?? "scout"}`;
  const hand = useInHand();
  const send = useSend();
  const saveOnce = useSaveOnce();
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const [kept, setKept] = useKept<LookDraft>(key);
  const draft: LookDraft = kept ?? {
    siteId: hand.site?.id ?? "",
    zoneId: "",
    date: todayDate(),
    personId: hand.person?.id ?? "",
    says: {},
    photos: [],
  };
  const set = (next: Partial<LookDraft>) => setKept({ ...draft, ...next });
  const sendPhotos = async (lookId: string) => {
    let left = draft.photos;
    for (const { id, image } of draft.photos) {
      const sent = await send("/api/looks/photo", { id, lookId, image });
      if (!sent.ok) {
        setKept({ ...draft, photos: left, saved: lookId });
        return setIssues(sent.issues);
      }
      left = left.filter((photo) => photo.id !== id);
    }
    setKept(undefined);
    setIssues([]);
    onDone();
  };
  const save = async () => {
    const { siteId, zoneId, date, personId, says } = draft;
    const of = record ? { kind: "inspection", recordId: record.id } : { kind: "scout", siteId, zoneId };
    const result = await saveOnce<{ id: string }>("/api/looks", key, { ...of, date, personId: personId || null, says });
    if (!result.ok) return setIssues(result.issues);
    // From now on only photos are to be sent, whatever comes in between.
    if (draft.photos.length > 0) setKept({ ...draft, saved: result.value.id });
    await sendPhotos(result.value.id);
  };
  const leavePhotos = () => {
    setKept(undefined);
    onDone();
  };
  return { draft, set, save, sendPhotos, leavePhotos, issues };
}

/** What is seen of a zone: before anything goes down, or of what went down. */
export function LookForm({ record, onDone }: { record?: JudgedEntry | undefined; onDone: () => void }) {
  const people = usePeople();
  const { draft, set, save, sendPhotos, leavePhotos, issues } = useLook(record, onDone);
  const say = (next: LookText) => set({ says: { ...draft.says, ...next } });
  const errorOf = (path: string) => sentences(issues.filter((one) => one.path === path))[0];
  const elsewhere = issues.filter((one) => !["date", "zoneId"].includes(one.path) && !one.path.startsWith("says."));
  if (draft.saved !== undefined)
    return (
      <Column gap="10px">
        <Notice state="act">
          What was seen is on record. {draft.photos.length} {draft.photos.length === 1 ? "photo is" : "photos are"} still here.
        </Notice>
        {sentences(issues).map((text) => (
          <Notice key={text} state="stop">
            {text}
          </Notice>
        ))}
        <Box>
          <Button look="act" onClick={() => void sendPhotos(draft.saved!)}>
            Send the photos
          </Button>
          <Button look="quiet" onClick={leavePhotos}>
            Leave them out
          </Button>
        </Box>
      </Column>
    );
  return (
    <Column gap="14px">
      {record ? <Judged record={record} date={draft.date} /> : <Where draft={draft} set={set} error={errorOf("zoneId")} />}
      <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr">
        <TextField
          label="Looked at on"
          type="date"
          max={todayDate()}
          value={draft.date}
          error={errorOf("date")}
          onChange={(e) => set({ date: e.target.value })}
        />
        <Choose
          label="By"
          value={draft.personId}
          options={[["", "not noted"], ...people.filter((p) => !p.retired).map((p): Option => [p.id, p.name])]}
          onPick={(personId) => set({ personId })}
        />
      </Box>
      {record ? (
        <Judgement says={draft.says} say={say} errorOf={errorOf} />
      ) : (
        <Scouted says={draft.says} say={say} errorOf={errorOf} />
      )}
      <TakePhotos taken={draft.photos} set={(photos) => set({ photos })} />
      {sentences(elsewhere).map((text) => (
        <Notice key={text} state="stop">
          {text}
        </Notice>
      ))}
      <Box>
        <Button look="act" onClick={() => void save()}>
          {record ? "Put the result on record" : "Put on record what was seen"}
        </Button>
      </Box>
    </Column>
  );
}

/** What is judged, and whether it can be by now. */
function Judged({ record: { of, site, zone, seen }, date }: { record: JudgedEntry; date: string }) {
  const system = useSystem();
  const before = seen.filter((look) => look.kind === "inspection").length;
  return (
    <Column gap="8px">
      <Box textStyle="strong">
        {of.product} on {site}, {zone}
      </Box>
      <Note>
        {rateAsRead(of.rate, system)} on {dayWords(of.date)}
        {of.target && `, against ${of.target}`}
        {before > 0 && `; judged ${before === 1 ? "once" : `${before} times`} before: the last one counts`}
      </Note>
      {isEarly(of, date) && (
        <Notice state="act">
          Don&apos;t judge before {dayWords(of.from!)}: its label says that nothing can be seen until then. What is noted now
          counts for no result, and a second treatment now may be a needless one.
        </Notice>
      )}
      {of.from === null && <Note>Its card doesn&apos;t say when an effect can be seen: the label does.</Note>}
      {holdsBackOnly(of) && (
        <Notice state="plain">
          The label promises to hold back {of.suppresses}, not to control it. What is left of it belongs to the plan: say when the
          follow-up is.
        </Notice>
      )}
    </Column>
  );
}

interface WhereProps {
  readonly draft: LookDraft;
  readonly set: (next: Partial<LookDraft>) => void;
  readonly error: string | undefined;
}

function Where({ draft, set, error }: WhereProps) {
  const site = useSite(draft.siteId);
  const zones = site?.site.zones ?? [];
  const only = zones.length === 1 ? zones[0]!.id : "";
  return (
    <Box display="grid" gap="10px" gridTemplateColumns={{ base: "1fr", md: "1fr 1fr" }}>
      <SitePick value={draft.siteId} onPick={(siteId) => set({ siteId, zoneId: "" })} />
      <Choose
        label="Zone"
        value={draft.zoneId || only}
        error={error}
        options={[["", "pick a zone"], ...zones.map((zone): Option => [zone.id ?? "", zone.name])]}
        onPick={(zoneId) => set({ zoneId })}
      />
    </Box>
  );
}

interface SaysProps {
  readonly says: LookText;
  readonly say: (next: LookText) => void;
  readonly errorOf: (path: string) => string | undefined;
}

type WordKey = Exclude<keyof LookText, "causes" | "soil">;

function Word({ label, of, example, type, says, say, errorOf }: SaysProps & WordProps) {
  const value = says[of] ?? "";
  const wrong = value.trim() !== "" && !isLookPart(of, value);
  return (
    <TextField
      label={label}
      type={type}
      value={value}
      placeholder={example}
      maxLength={300}
      error={wrong ? `write ${lookExpected(of)}` : errorOf(`says.${of}`)}
      onChange={(e) => say({ [of]: e.target.value })}
    />
  );
}

interface WordProps {
  readonly label: string;
  readonly of: WordKey;
  readonly example?: string;
  readonly type?: "date";
}

function Scouted(props: SaysProps) {
  const height = useSystem() === "metric" ? "6 cm" : "2.5 in";
  return (
    <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr">
      <Word {...props} label="What stands there" of="target" example="crabgrass" />
      <Word {...props} label="Its stage" of="stage" example="2 to 3 leaves" />
      <Word {...props} label="Of the ground it covers" of="cover" example="30 %" />
      <Word {...props} label="Mowed at" of="height" example={height} />
      <Choose
        label="Soil"
        value={props.says.soil ?? ""}
        options={[["", "not noted"], ...SOIL_MOISTURE.map((soil): Option<string> => [soil, soil])]}
        onPick={(soil) => props.say({ soil: (soil || undefined) as LookText["soil"] })}
      />
      <Word {...props} label="What else is wrong" of="wrong" example="compacted at the gate" />
      <Box gridColumn="1 / -1">
        <Word {...props} label="Notes" of="note" />
      </Box>
    </Box>
  );
}

function Judgement(props: SaysProps) {
  const causes = props.says.causes ?? [];
  const tick = (cause: OtherCause, on: boolean) =>
    props.say({ causes: OTHER_CAUSES.filter((one) => (one === cause ? on : causes.includes(one))) });
  return (
    <Column gap="10px">
      <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr">
        <Word {...props} label="Control: how much of it is gone" of="control" example="80 %" />
        <Word {...props} label="Injury: how much turf is hurt" of="injury" example="0 %" />
      </Box>
      <Box as="fieldset" border="none">
        <Box as="legend" textStyle="label">
          Could it be something else?
        </Box>
        <Box display="grid" gridTemplateColumns="repeat(auto-fill, minmax(150px, 1fr))">
          {OTHER_CAUSES.map((cause) => (
            <Check key={cause} checked={causes.includes(cause)} onChange={(e) => tick(cause, e.target.checked)}>
              {cause}
            </Check>
          ))}
        </Box>
        {causes.length > 0 && <Note>It is noted, and this look is left out of what works here.</Note>}
      </Box>
      <Box display="grid" gap="10px" gridTemplateColumns="1fr 1fr">
        <Word {...props} label="Follow-up planned for" of="followUp" type="date" />
        <Word {...props} label="Notes" of="note" />
      </Box>
    </Column>
  );
}
