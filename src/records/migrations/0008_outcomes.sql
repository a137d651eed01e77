CREATE TABLE `log_chain` (
	`place` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`record_id` text NOT NULL,
	`digest` text NOT NULL,
	FOREIGN KEY (`record_id`) REFERENCES `applications`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `outcomes` (
	`id` text PRIMARY KEY NOT NULL,
	`sheet_id` text NOT NULL,
	`site_id` text NOT NULL,
	`entries` text NOT NULL,
	`spray_volume` real NOT NULL,
	`ratio` real NOT NULL,
	`relative` real NOT NULL,
	`sprayed` real NOT NULL,
	`covered` real NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "outcomes_spray_volume" CHECK("outcomes"."spray_volume" > 0 and "outcomes"."sprayed" > 0 and "outcomes"."covered" > 0)
);
--> statement-breakpoint
CREATE TABLE `record_actives` (
	`record_id` text NOT NULL,
	`active` text NOT NULL,
	PRIMARY KEY(`active`, `record_id`)
);
--> statement-breakpoint
ALTER TABLE `applications` ADD `facts` text;
--> statement-breakpoint
ALTER TABLE `people` ADD `papers` text;
--> statement-breakpoint
ALTER TABLE `rinses` ADD `facts` text;
--> statement-breakpoint
CREATE UNIQUE INDEX `log_chain_of` ON `log_chain` (`record_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `outcomes_of_sheet` ON `outcomes` (`sheet_id`,`site_id`);
--> statement-breakpoint
CREATE INDEX `outcomes_of_site` ON `outcomes` (`site_id`);
--> statement-breakpoint
DROP INDEX `applications_by`;
--> statement-breakpoint
CREATE INDEX `applications_restricted` ON `applications` (`date`,`created_at`,`id`) WHERE json_extract("facts", '$.restricted') = 'yes';
--> statement-breakpoint
CREATE INDEX `applications_by` ON `applications` (`person_id`,`date`,`created_at`,`id`);
--> statement-breakpoint
CREATE TRIGGER outcomes_keep BEFORE UPDATE ON outcomes BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER outcomes_stay BEFORE DELETE ON outcomes BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER outcomes_insert_counts AFTER INSERT ON outcomes BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'log'; END;
--> statement-breakpoint
CREATE TRIGGER log_chain_keep BEFORE UPDATE ON log_chain BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER log_chain_stay BEFORE DELETE ON log_chain BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
DROP TRIGGER applications_keep;
--> statement-breakpoint
CREATE TRIGGER applications_keep BEFORE UPDATE OF id, date, site_id, zone_id, zone, area, product, label_id, rate, total, actives, gravity, person_id, source, sheet_id, note, why, also_on, corrects, void, facts, created_at ON applications BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
-- What follows from the records: the actives of each, for a search. An older row whose list can't be read has none.
CREATE TRIGGER applications_actives AFTER INSERT ON applications WHEN json_valid(new.actives) BEGIN INSERT OR IGNORE INTO record_actives (record_id, active) SELECT new.id, lower(json_extract(value, '$.name')) FROM json_each(new.actives) WHERE json_extract(value, '$.name') IS NOT NULL; END;
--> statement-breakpoint
INSERT OR IGNORE INTO record_actives (record_id, active) SELECT a.id, lower(json_extract(j.value, '$.name')) FROM applications a, json_each(CASE WHEN json_valid(a.actives) THEN a.actives ELSE '[]' END) j WHERE json_extract(j.value, '$.name') IS NOT NULL;
