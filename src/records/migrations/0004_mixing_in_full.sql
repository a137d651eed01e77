CREATE TABLE `fills` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`sheet_id` text NOT NULL,
	`number` integer NOT NULL,
	`done` integer NOT NULL,
	`fill_to` real NOT NULL,
	`adds` real NOT NULL,
	`after` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `fills_of_sheet` ON `fills` (`sheet_id`);--> statement-breakpoint
CREATE TABLE `rinses` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`tank` text NOT NULL,
	`person_id` text,
	`rinsed_at` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `rinses_of_rig` ON `rinses` (`rig_id`,`rinsed_at`);--> statement-breakpoint
CREATE TABLE `sheet_sites` (
	`sheet_id` text NOT NULL,
	`site_id` text NOT NULL,
	PRIMARY KEY(`sheet_id`, `site_id`),
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sheet_sites_of_site` ON `sheet_sites` (`site_id`);--> statement-breakpoint
CREATE TABLE `stock_counts` (
	`id` text PRIMARY KEY NOT NULL,
	`label_id` text NOT NULL,
	`amount` text NOT NULL,
	`counted_at` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`label_id`) REFERENCES `labels`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `stock_counts_of_label` ON `stock_counts` (`label_id`,`counted_at`);--> statement-breakpoint
CREATE TABLE `stop_events` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`sheet_id` text NOT NULL,
	`what` text NOT NULL,
	`site` text NOT NULL,
	`left` text,
	`order` text,
	`at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `stop_events_of_sheet` ON `stop_events` (`sheet_id`);--> statement-breakpoint
ALTER TABLE `mix_sheets` ADD `day_id` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `water` integer DEFAULT false NOT NULL;--> statement-breakpoint
INSERT INTO `sheet_sites` (`sheet_id`, `site_id`) SELECT `id`, `site_id` FROM `mix_sheets`;--> statement-breakpoint
CREATE TRIGGER sheet_sites_keep BEFORE UPDATE ON sheet_sites BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER sheet_sites_stay BEFORE DELETE ON sheet_sites BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER stop_events_keep BEFORE UPDATE ON stop_events BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER stop_events_stay BEFORE DELETE ON stop_events BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER fills_keep BEFORE UPDATE ON fills BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER fills_stay BEFORE DELETE ON fills BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER rinses_keep BEFORE UPDATE ON rinses BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER rinses_stay BEFORE DELETE ON rinses BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER stock_counts_keep BEFORE UPDATE ON stock_counts BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER stock_counts_stay BEFORE DELETE ON stock_counts BEGIN SELECT RAISE(ABORT, 'append-only'); END;
