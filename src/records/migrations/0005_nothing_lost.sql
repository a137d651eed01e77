CREATE TABLE `record_names` (
	`kind` text NOT NULL,
	`record_id` text NOT NULL,
	`key` text NOT NULL,
	`name` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`kind`, `key`, `record_id`)
);
--> statement-breakpoint
CREATE INDEX `record_names_of` ON `record_names` (`kind`,`record_id`);--> statement-breakpoint
CREATE TABLE `revisions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`record_id` text NOT NULL,
	`was` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `revisions_of` ON `revisions` (`kind`,`record_id`);--> statement-breakpoint
CREATE TABLE `same_ground` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`zone_id` text NOT NULL,
	`as_zone_id` text,
	`at` text NOT NULL,
	FOREIGN KEY (`zone_id`) REFERENCES `zones`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`as_zone_id`) REFERENCES `zones`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `same_ground_of` ON `same_ground` (`zone_id`);--> statement-breakpoint
CREATE INDEX `same_ground_as` ON `same_ground` (`as_zone_id`);--> statement-breakpoint
CREATE TABLE `saved_requests` (
	`kind` text NOT NULL,
	`record_id` text NOT NULL,
	`digest` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`kind`, `record_id`)
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `applications` ADD `why` text;--> statement-breakpoint
ALTER TABLE `applications` ADD `also_on` text;--> statement-breakpoint
CREATE INDEX `applications_of_sheet` ON `applications` (`sheet_id`);--> statement-breakpoint
ALTER TABLE `withdrawals` ADD `became` text;--> statement-breakpoint
ALTER TABLE `zones` ADD `retired_at` text;--> statement-breakpoint
-- What people keep up to date is retired, never deleted; what happened is never changed.
CREATE TRIGGER same_ground_keep BEFORE UPDATE ON same_ground BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER record_names_keep BEFORE UPDATE ON record_names BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER revisions_keep BEFORE UPDATE ON revisions BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER saved_requests_keep BEFORE UPDATE ON saved_requests BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER same_ground_stay BEFORE DELETE ON same_ground BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER record_names_stay BEFORE DELETE ON record_names BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER revisions_stay BEFORE DELETE ON revisions BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER saved_requests_stay BEFORE DELETE ON saved_requests BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER zones_stay BEFORE DELETE ON zones BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER sites_stay BEFORE DELETE ON sites BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER people_stay BEFORE DELETE ON people BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER rigs_stay BEFORE DELETE ON rigs BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER tips_stay BEFORE DELETE ON tips BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
--> statement-breakpoint
CREATE TRIGGER labels_stay BEFORE DELETE ON labels BEGIN SELECT RAISE(ABORT, 'never deleted'); END;
