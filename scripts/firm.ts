import { listPeople } from "@/records/people";
import { listRigs } from "@/records/rigs";
import { sitesPage } from "@/records/sites";
import { closeRecords, openRecords, recordsFolder } from "@/records/database";
import { fillFirm, LARGE, SMALL } from "./lib/firm";

/**
 * Fills an empty data folder with a made-up firm: 5,000 sites, 50,000 entries over five years; `small` for one that has just
 * begun. Records that are anybody's are left alone.
 */
const folder = recordsFolder();
const db = openRecords(folder);
try {
  if (listPeople(db).length + listRigs(db).length + sitesPage(db, { retired: false }, undefined, 1).rows.length > 0) {
    console.error(`There are records in ${folder} already: name an empty folder with CAREFUL_GAUGE_DATA.`);
    process.exitCode = 1;
  } else console.log(JSON.stringify(fillFirm(db, process.argv[2] === "small" ? SMALL : LARGE)));
} finally {
  closeRecords(db);
}
