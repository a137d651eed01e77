CREATE TABLE `kit_checks` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`of` text NOT NULL,
	`tool` text NOT NULL,
	`made_at` text NOT NULL,
	`known` text NOT NULL,
	`shown` text NOT NULL,
	`ratio` real NOT NULL,
	`good` integer NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `kit_checks_of_rig` ON `kit_checks` (`rig_id`);--> statement-breakpoint
CREATE TABLE `quick_checks` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`person_id` text,
	`calibration_id` text NOT NULL,
	`made_at` text NOT NULL,
	`volume` text NOT NULL,
	`time` text NOT NULL,
	`ratio` real NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`calibration_id`) REFERENCES `calibrations`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "quick_checks_ratio" CHECK("quick_checks"."ratio" > 0)
);
--> statement-breakpoint
CREATE INDEX `quick_checks_of_rig` ON `quick_checks` (`rig_id`,`made_at`);--> statement-breakpoint
CREATE TABLE `tips` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`tip` text NOT NULL,
	`created_at` text NOT NULL,
	`retired_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `tips_name` ON `tips` (`name`);--> statement-breakpoint
ALTER TABLE `calibrations` ADD `site_id` text REFERENCES sites(id);--> statement-breakpoint
ALTER TABLE `calibrations` ADD `method` text;--> statement-breakpoint
ALTER TABLE `calibrations` ADD `lever` text;--> statement-breakpoint
ALTER TABLE `calibrations` ADD `lever_set_to` text;--> statement-breakpoint
ALTER TABLE `calibrations` ADD `follows` text;--> statement-breakpoint
ALTER TABLE `rigs` ADD `head` text;--> statement-breakpoint
ALTER TABLE `rigs` ADD `setup` text;--> statement-breakpoint
CREATE TRIGGER quick_checks_keep BEFORE UPDATE ON quick_checks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER quick_checks_stay BEFORE DELETE ON quick_checks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER kit_checks_keep BEFORE UPDATE ON kit_checks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER kit_checks_stay BEFORE DELETE ON kit_checks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
