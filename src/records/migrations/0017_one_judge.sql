CREATE TABLE `spreading_sites` (
	`spreading_id` text NOT NULL,
	`site_id` text NOT NULL,
	PRIMARY KEY(`spreading_id`, `site_id`),
	FOREIGN KEY (`spreading_id`) REFERENCES `spreadings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `spreading_sites_of_site` ON `spreading_sites` (`site_id`);--> statement-breakpoint
CREATE TABLE `spreading_ticks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`spreading_id` text NOT NULL,
	`step` text NOT NULL,
	`done` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`spreading_id`) REFERENCES `spreadings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `spreading_ticks_of` ON `spreading_ticks` (`spreading_id`);--> statement-breakpoint
CREATE INDEX `spreading_ticks_at` ON `spreading_ticks` (`at`);--> statement-breakpoint
CREATE TABLE `spreading_weather` (
	`id` text PRIMARY KEY NOT NULL,
	`spreading_id` text NOT NULL,
	`at` text NOT NULL,
	`seen` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`spreading_id`) REFERENCES `spreadings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `spreading_weather_of` ON `spreading_weather` (`spreading_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `spreading_weather_kept` ON `spreading_weather` (`created_at`);--> statement-breakpoint
CREATE INDEX `mix_sheets_kept` ON `mix_sheets` (`created_at`);--> statement-breakpoint
CREATE INDEX `ticks_at` ON `ticks` (`at`);--> statement-breakpoint
CREATE INDEX `weather_seen_kept` ON `weather_seen` (`created_at`);--> statement-breakpoint
CREATE TRIGGER spreading_ticks_keep BEFORE UPDATE ON spreading_ticks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ticks_stay BEFORE DELETE ON spreading_ticks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ticks_insert_counts AFTER INSERT ON spreading_ticks BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'ticks'; END;
--> statement-breakpoint
CREATE TRIGGER spreading_weather_keep BEFORE UPDATE ON spreading_weather BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreading_weather_stay BEFORE DELETE ON spreading_weather BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreading_weather_insert_counts AFTER INSERT ON spreading_weather BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'ticks'; END;
--> statement-breakpoint
INSERT OR IGNORE INTO spreading_sites (spreading_id, site_id)
  SELECT s.id, json_extract(one.value, '$."x-id"') FROM spreadings s, json_each(CASE WHEN json_valid(s.job) THEN s.job ELSE '{}' END, '$.sites') one
  WHERE json_extract(one.value, '$."x-id"') IN (SELECT id FROM sites);
--> statement-breakpoint
CREATE TRIGGER spreadings_sites AFTER INSERT ON spreadings BEGIN
  INSERT OR IGNORE INTO spreading_sites (spreading_id, site_id)
    SELECT new.id, json_extract(one.value, '$."x-id"') FROM json_each(CASE WHEN json_valid(new.job) THEN new.job ELSE '{}' END, '$.sites') one
    WHERE json_extract(one.value, '$."x-id"') IN (SELECT id FROM sites);
END;
