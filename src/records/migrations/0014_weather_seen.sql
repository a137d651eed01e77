CREATE TABLE `weather_seen` (
	`id` text PRIMARY KEY NOT NULL,
	`sheet_id` text NOT NULL,
	`at` text NOT NULL,
	`seen` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `weather_seen_of_sheet` ON `weather_seen` (`sheet_id`,`created_at`);
--> statement-breakpoint
CREATE TRIGGER weather_seen_keep BEFORE UPDATE ON weather_seen BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER weather_seen_stay BEFORE DELETE ON weather_seen BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER weather_seen_insert_counts AFTER INSERT ON weather_seen BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'ticks'; END;
