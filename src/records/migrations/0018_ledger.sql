CREATE TABLE `load_ends` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`sheet_id` text NOT NULL,
	`site` text NOT NULL,
	`load` integer NOT NULL,
	`filled` real NOT NULL,
	`applied` real NOT NULL,
	`left` real NOT NULL,
	`disposed` real NOT NULL,
	`unaccounted` real NOT NULL,
	`says` text,
	`at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "load_ends_balance" CHECK(abs("load_ends"."filled" - "load_ends"."applied" - "load_ends"."left" - "load_ends"."disposed" - "load_ends"."unaccounted") <= 0.001 * "load_ends"."filled"),
	CONSTRAINT "load_ends_amounts" CHECK("load_ends"."applied" >= 0 and "load_ends"."left" >= 0 and "load_ends"."disposed" >= 0 and "load_ends"."unaccounted" >= 0)
);
--> statement-breakpoint
CREATE INDEX `load_ends_lost` ON `load_ends` (`unaccounted`,`sheet_id`) WHERE "load_ends"."unaccounted" > 0;
--> statement-breakpoint
CREATE INDEX `load_ends_of_sheet` ON `load_ends` (`sheet_id`);--> statement-breakpoint
ALTER TABLE `applications` ADD `covered` text;
--> statement-breakpoint
ALTER TABLE `applications` ADD `covered_m2` real CONSTRAINT "applications_balance" CHECK (`covered_m2` is null or abs(`total_canonical` - `rate_canonical` * `covered_m2`) <= 0.001 * `total_canonical`);
--> statement-breakpoint
ALTER TABLE `applications` ADD `spreading_id` text REFERENCES spreadings(id);
--> statement-breakpoint
CREATE INDEX `applications_of_spreading` ON `applications` (`spreading_id`);
--> statement-breakpoint
ALTER TABLE `stop_events` ADD `why` text;
--> statement-breakpoint
ALTER TABLE `log_chain` ADD `columns` integer DEFAULT 1 NOT NULL;
--> statement-breakpoint
CREATE TRIGGER load_ends_keep BEFORE UPDATE ON load_ends BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER load_ends_stay BEFORE DELETE ON load_ends BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER load_ends_insert_counts AFTER INSERT ON load_ends BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'log'; END;
--> statement-breakpoint
DROP TRIGGER applications_keep;
--> statement-breakpoint
CREATE TRIGGER applications_keep BEFORE UPDATE OF id, date, site_id, zone_id, zone, area, product, label_id, rate, total, actives, gravity, person_id, source, sheet_id, note, why, also_on, corrects, void, facts, created_at, covered, covered_m2, spreading_id ON applications BEGIN SELECT RAISE(ABORT, 'append-only'); END;
