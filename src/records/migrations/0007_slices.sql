CREATE TABLE `sheet_products` (
	`sheet_id` text NOT NULL,
	`label_id` text NOT NULL,
	PRIMARY KEY(`sheet_id`, `label_id`)
);
--> statement-breakpoint
CREATE INDEX `sheet_products_of` ON `sheet_products` (`label_id`,`sheet_id`);--> statement-breakpoint
CREATE TABLE `sheet_tanks` (
	`sheet_id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`tank` text NOT NULL,
	`made_at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `sheet_tanks_of_rig` ON `sheet_tanks` (`rig_id`,`tank`,`made_at`);--> statement-breakpoint
CREATE TABLE `slice_state` (
	`kind` text PRIMARY KEY NOT NULL,
	`n` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `still_open` (
	`kind` text NOT NULL,
	`record_id` text NOT NULL,
	`made_at` text NOT NULL,
	PRIMARY KEY(`kind`, `record_id`)
);
--> statement-breakpoint
CREATE INDEX `still_open_by_date` ON `still_open` (`kind`,`made_at`,`record_id`);--> statement-breakpoint
DROP INDEX `kit_checks_of_rig`;--> statement-breakpoint
CREATE INDEX `kit_checks_of_tool` ON `kit_checks` (`rig_id`,`of`,`tool`,`made_at`);--> statement-breakpoint
DROP INDEX `applications_of_zone`;--> statement-breakpoint
ALTER TABLE `applications` ADD `measured` text CHECK(`measured` is null or `measured` in ('mass', 'volume'));--> statement-breakpoint
ALTER TABLE `applications` ADD `rate_canonical` real CHECK(`rate_canonical` is null or `rate_canonical` > 0);--> statement-breakpoint
ALTER TABLE `applications` ADD `total_canonical` real CHECK(`total_canonical` is null or `total_canonical` > 0);--> statement-breakpoint
CREATE INDEX `applications_of_site` ON `applications` (`site_id`,`date`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `applications_by_day` ON `applications` (`date`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `applications_of_label` ON `applications` (`label_id`,`date`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `applications_since` ON `applications` (`label_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `applications_without_number` ON `applications` (`id`) WHERE `total_canonical` is null;--> statement-breakpoint
DROP INDEX `mix_sheets_by_date`;--> statement-breakpoint
CREATE INDEX `mix_sheets_of_day` ON `mix_sheets` (`day_id`);--> statement-breakpoint
DROP INDEX `rinses_of_rig`;--> statement-breakpoint
CREATE INDEX `rinses_of_tank` ON `rinses` (`rig_id`,`tank`,`rinsed_at`);--> statement-breakpoint
DROP INDEX `quick_checks_of_rig`;--> statement-breakpoint
CREATE INDEX `quick_checks_of_calibration` ON `quick_checks` (`calibration_id`,`made_at`);--> statement-breakpoint
CREATE INDEX `quick_checks_of_rig` ON `quick_checks` (`rig_id`,`person_id`,`made_at`);--> statement-breakpoint
ALTER TABLE `labels` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `rigs` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `sites` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `sites_live` ON `sites` (`name`) WHERE `retired_at` is null;--> statement-breakpoint
CREATE INDEX `sites_retired` ON `sites` (`name`) WHERE `retired_at` is not null;--> statement-breakpoint
ALTER TABLE `tips` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
CREATE INDEX `calibrations_of_person` ON `calibrations` (`rig_id`,`person_id`,`made_at`);--> statement-breakpoint
CREATE INDEX `calibrations_of_tap` ON `calibrations` (`rig_id`,`site_id`,`made_at`);--> statement-breakpoint
CREATE INDEX `calibrations_by` ON `calibrations` (`person_id`);--> statement-breakpoint
CREATE INDEX `calibrations_at` ON `calibrations` (`site_id`);--> statement-breakpoint
CREATE INDEX `quick_checks_by` ON `quick_checks` (`person_id`);--> statement-breakpoint
CREATE INDEX `mix_sheets_of_site` ON `mix_sheets` (`site_id`);--> statement-breakpoint
CREATE INDEX `mix_sheets_of_rig` ON `mix_sheets` (`rig_id`);--> statement-breakpoint
CREATE INDEX `mix_sheets_by` ON `mix_sheets` (`person_id`);--> statement-breakpoint
CREATE INDEX `mix_sheets_of_calibration` ON `mix_sheets` (`calibration_id`);--> statement-breakpoint
CREATE INDEX `rinses_by` ON `rinses` (`person_id`);--> statement-breakpoint
CREATE INDEX `applications_by` ON `applications` (`person_id`);--> statement-breakpoint
CREATE INDEX `spreadings_by` ON `spreadings` (`person_id`);--> statement-breakpoint
CREATE INDEX `zones_retired` ON `zones` (`retired_at`) WHERE `retired_at` is not null;
--> statement-breakpoint
-- The numbers of rows from before are filled in once; nothing else of a row is ever edited in place.
DROP TRIGGER applications_keep;
--> statement-breakpoint
CREATE TRIGGER applications_keep BEFORE UPDATE OF id, date, site_id, zone_id, zone, area, product, label_id, rate, total, actives, gravity, person_id, source, sheet_id, note, why, also_on, corrects, void, created_at ON applications BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER applications_numbers BEFORE UPDATE ON applications WHEN old.total_canonical IS NOT NULL BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
-- How often each kind of record was changed. The triggers hold for every way in.
INSERT INTO slice_state (kind, n) VALUES
  ('settings', 0),
  ('people', 0),
  ('rigs', 0),
  ('tips', 0),
  ('labels', 0),
  ('sites', 0),
  ('calibrations', 0),
  ('checks', 0),
  ('proofs', 0),
  ('sheets', 0),
  ('ticks', 0),
  ('log', 0),
  ('spreadings', 0),
  ('stock', 0),
  ('rinses', 0);
--> statement-breakpoint
CREATE TRIGGER settings_insert_counts AFTER INSERT ON settings BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'settings'; END;
--> statement-breakpoint
CREATE TRIGGER settings_update_counts AFTER UPDATE ON settings BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'settings'; END;
--> statement-breakpoint
CREATE TRIGGER settings_delete_counts AFTER DELETE ON settings BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'settings'; END;
--> statement-breakpoint
CREATE TRIGGER people_insert_counts AFTER INSERT ON people BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'people'; END;
--> statement-breakpoint
CREATE TRIGGER people_update_counts AFTER UPDATE ON people BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'people'; END;
--> statement-breakpoint
CREATE TRIGGER people_delete_counts AFTER DELETE ON people BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'people'; END;
--> statement-breakpoint
CREATE TRIGGER rigs_insert_counts AFTER INSERT ON rigs BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rigs'; END;
--> statement-breakpoint
CREATE TRIGGER rigs_update_counts AFTER UPDATE ON rigs BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rigs'; END;
--> statement-breakpoint
CREATE TRIGGER rigs_delete_counts AFTER DELETE ON rigs BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rigs'; END;
--> statement-breakpoint
CREATE TRIGGER tanks_insert_counts AFTER INSERT ON tanks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rigs'; END;
--> statement-breakpoint
CREATE TRIGGER tanks_update_counts AFTER UPDATE ON tanks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rigs'; END;
--> statement-breakpoint
CREATE TRIGGER tanks_delete_counts AFTER DELETE ON tanks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rigs'; END;
--> statement-breakpoint
CREATE TRIGGER tips_insert_counts AFTER INSERT ON tips BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'tips'; END;
--> statement-breakpoint
CREATE TRIGGER tips_update_counts AFTER UPDATE ON tips BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'tips'; END;
--> statement-breakpoint
CREATE TRIGGER tips_delete_counts AFTER DELETE ON tips BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'tips'; END;
--> statement-breakpoint
CREATE TRIGGER labels_insert_counts AFTER INSERT ON labels BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'labels'; END;
--> statement-breakpoint
CREATE TRIGGER labels_update_counts AFTER UPDATE ON labels BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'labels'; END;
--> statement-breakpoint
CREATE TRIGGER labels_delete_counts AFTER DELETE ON labels BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'labels'; END;
--> statement-breakpoint
CREATE TRIGGER sites_insert_counts AFTER INSERT ON sites BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER sites_update_counts AFTER UPDATE ON sites BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER sites_delete_counts AFTER DELETE ON sites BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER zones_insert_counts AFTER INSERT ON zones BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER zones_update_counts AFTER UPDATE ON zones BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER zones_delete_counts AFTER DELETE ON zones BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER same_ground_insert_counts AFTER INSERT ON same_ground BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sites'; END;
--> statement-breakpoint
CREATE TRIGGER calibrations_insert_counts AFTER INSERT ON calibrations BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'calibrations'; END;
--> statement-breakpoint
CREATE TRIGGER trials_insert_counts AFTER INSERT ON trials BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'calibrations'; END;
--> statement-breakpoint
CREATE TRIGGER calibration_withdrawals_insert_counts AFTER INSERT ON calibration_withdrawals BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'calibrations'; END;
--> statement-breakpoint
CREATE TRIGGER quick_checks_insert_counts AFTER INSERT ON quick_checks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'checks'; END;
--> statement-breakpoint
CREATE TRIGGER kit_checks_insert_counts AFTER INSERT ON kit_checks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'proofs'; END;
--> statement-breakpoint
CREATE TRIGGER mix_sheets_insert_counts AFTER INSERT ON mix_sheets BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sheets'; END;
--> statement-breakpoint
CREATE TRIGGER withdrawals_insert_counts AFTER INSERT ON withdrawals BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'sheets'; END;
--> statement-breakpoint
CREATE TRIGGER ticks_insert_counts AFTER INSERT ON ticks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'ticks'; END;
--> statement-breakpoint
CREATE TRIGGER stop_events_insert_counts AFTER INSERT ON stop_events BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'ticks'; END;
--> statement-breakpoint
CREATE TRIGGER fills_insert_counts AFTER INSERT ON fills BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'ticks'; END;
--> statement-breakpoint
CREATE TRIGGER applications_insert_counts AFTER INSERT ON applications BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'log'; END;
--> statement-breakpoint
CREATE TRIGGER dismissals_insert_counts AFTER INSERT ON dismissals BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'log'; END;
--> statement-breakpoint
CREATE TRIGGER spreadings_insert_counts AFTER INSERT ON spreadings BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'spreadings'; END;
--> statement-breakpoint
CREATE TRIGGER spreading_ends_insert_counts AFTER INSERT ON spreading_ends BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'spreadings'; END;
--> statement-breakpoint
CREATE TRIGGER stock_counts_insert_counts AFTER INSERT ON stock_counts BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'stock'; END;
--> statement-breakpoint
CREATE TRIGGER rinses_insert_counts AFTER INSERT ON rinses BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'rinses'; END;
--> statement-breakpoint
CREATE TRIGGER people_revision AFTER UPDATE ON people WHEN new.revision = old.revision BEGIN UPDATE people SET revision = old.revision + 1 WHERE id = new.id; END;
--> statement-breakpoint
CREATE TRIGGER rigs_revision AFTER UPDATE ON rigs WHEN new.revision = old.revision BEGIN UPDATE rigs SET revision = old.revision + 1 WHERE id = new.id; END;
--> statement-breakpoint
CREATE TRIGGER tips_revision AFTER UPDATE ON tips WHEN new.revision = old.revision BEGIN UPDATE tips SET revision = old.revision + 1 WHERE id = new.id; END;
--> statement-breakpoint
CREATE TRIGGER labels_revision AFTER UPDATE ON labels WHEN new.revision = old.revision BEGIN UPDATE labels SET revision = old.revision + 1 WHERE id = new.id; END;
--> statement-breakpoint
CREATE TRIGGER sites_revision AFTER UPDATE ON sites WHEN new.revision = old.revision BEGIN UPDATE sites SET revision = old.revision + 1 WHERE id = new.id; END;
--> statement-breakpoint
-- What is open, by what came after it.
INSERT INTO still_open (kind, record_id, made_at) SELECT 'sheet', id, made_at FROM mix_sheets s
  WHERE NOT EXISTS (SELECT 1 FROM applications a WHERE a.sheet_id = s.id) AND NOT EXISTS (SELECT 1 FROM withdrawals w WHERE w.sheet_id = s.id);
--> statement-breakpoint
INSERT INTO still_open (kind, record_id, made_at) SELECT 'spreading', id, made_at FROM spreadings s
  WHERE NOT EXISTS (SELECT 1 FROM spreading_ends e WHERE e.spreading_id = s.id);
--> statement-breakpoint
CREATE TRIGGER mix_sheets_open AFTER INSERT ON mix_sheets BEGIN INSERT OR REPLACE INTO still_open (kind, record_id, made_at) VALUES ('sheet', new.id, new.made_at); END;
--> statement-breakpoint
CREATE TRIGGER applications_close AFTER INSERT ON applications WHEN new.sheet_id IS NOT NULL BEGIN DELETE FROM still_open WHERE kind = 'sheet' AND record_id = new.sheet_id; END;
--> statement-breakpoint
CREATE TRIGGER withdrawals_close AFTER INSERT ON withdrawals BEGIN DELETE FROM still_open WHERE kind = 'sheet' AND record_id = new.sheet_id; END;
--> statement-breakpoint
CREATE TRIGGER spreadings_open AFTER INSERT ON spreadings BEGIN INSERT OR REPLACE INTO still_open (kind, record_id, made_at) VALUES ('spreading', new.id, new.made_at); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ends_close AFTER INSERT ON spreading_ends BEGIN DELETE FROM still_open WHERE kind = 'spreading' AND record_id = new.spreading_id; END;
--> statement-breakpoint
-- What a sheet is mixed of, and into which tank. A job that can't be read has neither.
INSERT INTO sheet_tanks (sheet_id, rig_id, tank, made_at) SELECT id, rig_id, coalesce(json_extract(job, '$.tank'), json_extract(job, '$.rig.tanks[0].name'), 'main'), made_at FROM mix_sheets WHERE json_valid(job);
--> statement-breakpoint
INSERT OR IGNORE INTO sheet_products (sheet_id, label_id) SELECT s.id, coalesce(json_extract(p.value, '$."x-id"'), json_extract(p.value, '$.name')) FROM mix_sheets s, json_each(s.job, '$.products') p
  WHERE json_valid(s.job) AND coalesce(json_extract(p.value, '$."x-id"'), json_extract(p.value, '$.name')) IS NOT NULL;
--> statement-breakpoint
CREATE TRIGGER mix_sheets_tank AFTER INSERT ON mix_sheets WHEN json_valid(new.job) BEGIN
  INSERT OR REPLACE INTO sheet_tanks (sheet_id, rig_id, tank, made_at) VALUES (new.id, new.rig_id, coalesce(json_extract(new.job, '$.tank'), json_extract(new.job, '$.rig.tanks[0].name'), 'main'), new.made_at);
  INSERT OR IGNORE INTO sheet_products (sheet_id, label_id) SELECT new.id, coalesce(json_extract(p.value, '$."x-id"'), json_extract(p.value, '$.name')) FROM json_each(new.job, '$.products') p
    WHERE coalesce(json_extract(p.value, '$."x-id"'), json_extract(p.value, '$.name')) IS NOT NULL;
END;
--> statement-breakpoint
-- Sites are searched by the beginnings of their words. A number of its own ties a site to its words: rowids may change.
CREATE TABLE site_numbers (n integer PRIMARY KEY, site_id text NOT NULL UNIQUE);
--> statement-breakpoint
CREATE VIRTUAL TABLE site_search USING fts5(name, tokenize = 'unicode61 remove_diacritics 2', prefix = '1 2 3');
--> statement-breakpoint
INSERT INTO site_numbers (site_id) SELECT id FROM sites;
--> statement-breakpoint
INSERT INTO site_search (rowid, name) SELECT n.n, s.name FROM site_numbers n JOIN sites s ON s.id = n.site_id;
--> statement-breakpoint
CREATE TRIGGER sites_search_new AFTER INSERT ON sites BEGIN
  INSERT OR IGNORE INTO site_numbers (site_id) VALUES (new.id);
  INSERT OR REPLACE INTO site_search (rowid, name) VALUES ((SELECT n FROM site_numbers WHERE site_id = new.id), new.name);
END;
--> statement-breakpoint
CREATE TRIGGER sites_search_again AFTER UPDATE OF name ON sites WHEN new.name IS NOT old.name BEGIN
  UPDATE site_search SET name = new.name WHERE rowid = (SELECT n FROM site_numbers WHERE site_id = new.id);
END;
