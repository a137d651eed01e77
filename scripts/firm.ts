import { closeRecords, openRecords, recordsFolder } from "@/records/database";
import { fillFirm, LARGE, SMALL } from "./lib/firm";

/** Fills an empty data folder with a made-up firm: 5,000 sites, 50,000 entries over five years; `small` for a beginning one. */
const db = openRecords(recordsFolder());
const size = process.argv[2] === "small" ? SMALL : LARGE;
console.log(JSON.stringify(fillFirm(db, size)));
closeRecords(db);
