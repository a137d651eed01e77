CREATE TABLE `areas_before` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`zone_id` text NOT NULL,
	`area` text NOT NULL,
	`measured` text,
	`until` text NOT NULL,
	FOREIGN KEY (`zone_id`) REFERENCES `zones`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `areas_before_of` ON `areas_before` (`zone_id`);--> statement-breakpoint
ALTER TABLE `people` ADD `stride` text;--> statement-breakpoint
ALTER TABLE `zones` ADD `measured` text;
--> statement-breakpoint
-- What a zone was taken for before it was measured again, whoever changes it.
CREATE TRIGGER zones_before AFTER UPDATE OF area, measured ON zones WHEN old.area IS NOT new.area OR old.measured IS NOT new.measured BEGIN INSERT INTO areas_before (zone_id, area, measured, until) VALUES (old.id, old.area, old.measured, strftime('%Y-%m-%dT%H:%M:%fZ', 'now')); END;
--> statement-breakpoint
CREATE TRIGGER areas_before_keep BEFORE UPDATE ON areas_before BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER areas_before_stay BEFORE DELETE ON areas_before BEGIN SELECT RAISE(ABORT, 'append-only'); END;
