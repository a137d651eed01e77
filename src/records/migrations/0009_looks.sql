CREATE TABLE `looks` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`site_id` text NOT NULL,
	`zone_id` text NOT NULL,
	`zone` text NOT NULL,
	`label_id` text,
	`record_id` text,
	`date` text NOT NULL,
	`person_id` text,
	`says` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`label_id`) REFERENCES `labels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`record_id`) REFERENCES `applications`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "looks_judge" CHECK("looks"."kind" <> 'inspection' or "looks"."record_id" is not null),
	CONSTRAINT "looks_date" CHECK("looks"."date" glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]')
);
--> statement-breakpoint
CREATE INDEX `looks_of_site` ON `looks` (`site_id`,`date`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `looks_by_day` ON `looks` (`date`,`created_at`,`id`);--> statement-breakpoint
CREATE INDEX `looks_of_label` ON `looks` (`label_id`);--> statement-breakpoint
CREATE INDEX `looks_of_record` ON `looks` (`record_id`);--> statement-breakpoint
CREATE INDEX `looks_by` ON `looks` (`person_id`);--> statement-breakpoint
CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`look_id` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`look_id`) REFERENCES `looks`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `photos_of_look` ON `photos` (`look_id`);--> statement-breakpoint
ALTER TABLE `stop_events` ADD `covered` text;--> statement-breakpoint
CREATE INDEX `applications_with_rig` ON `applications` (json_extract("facts", '$.rig'),`date`,`created_at`,`id`);
--> statement-breakpoint
INSERT INTO slice_state (kind, n) VALUES ('looks', 0);
--> statement-breakpoint
CREATE TRIGGER looks_keep BEFORE UPDATE ON looks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER looks_stay BEFORE DELETE ON looks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER looks_insert_counts AFTER INSERT ON looks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'looks'; END;
--> statement-breakpoint
CREATE TRIGGER photos_keep BEFORE UPDATE ON photos BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER photos_stay BEFORE DELETE ON photos BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER photos_insert_counts AFTER INSERT ON photos BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'looks'; END;
