CREATE TABLE `applications` (
	`id` text PRIMARY KEY NOT NULL,
	`date` text NOT NULL,
	`site_id` text NOT NULL,
	`zone_id` text NOT NULL,
	`zone` text NOT NULL,
	`area` text NOT NULL,
	`product` text NOT NULL,
	`label_id` text,
	`rate` text NOT NULL,
	`total` text NOT NULL,
	`actives` text NOT NULL,
	`gravity` text,
	`person_id` text,
	`source` text NOT NULL,
	`sheet_id` text,
	`note` text,
	`corrects` text,
	`void` integer NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`label_id`) REFERENCES `labels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "applications_date" CHECK("applications"."date" glob '[0-9][0-9][0-9][0-9]-[0-9][0-9]-[0-9][0-9]')
);
--> statement-breakpoint
CREATE INDEX `applications_of_zone` ON `applications` (`site_id`,`date`);--> statement-breakpoint
CREATE UNIQUE INDEX `applications_corrected_once` ON `applications` (`corrects`);--> statement-breakpoint
CREATE TABLE `dismissals` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`record_id` text NOT NULL,
	`field` text NOT NULL,
	`slip` text NOT NULL,
	`typed` text NOT NULL,
	`reason` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `dismissals_once` ON `dismissals` (`record_id`,`field`,`slip`,`typed`);--> statement-breakpoint
CREATE TABLE `withdrawals` (
	`sheet_id` text PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_labels` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`card` text NOT NULL,
	`created_at` text NOT NULL,
	`retired_at` text
);
--> statement-breakpoint
INSERT INTO `__new_labels`("id", "name", "card", "created_at", "retired_at") SELECT "id", "name", json_object('name', "name", 'form', "form", 'formulation', "formulation", 'actives', json('[]'), 'gear', json('[]'), 'limits', json('[]'), 'rates', json_array(json_object('rate', "rate")), 'packages', CASE WHEN "price_amount" IS NULL THEN json('[]') ELSE json_array(json_object('content', "price_per", 'price', printf('%.2f', "price_amount"))) END), "created_at", "retired_at" FROM `labels`;--> statement-breakpoint
DROP TABLE `labels`;--> statement-breakpoint
ALTER TABLE `__new_labels` RENAME TO `labels`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE UNIQUE INDEX `labels_name` ON `labels` (`name`);--> statement-breakpoint
CREATE TABLE `__new_zones` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`area` text NOT NULL,
	`area_m2` real NOT NULL,
	`turf` text,
	`seeded` text,
	`sodded` text,
	`seeding` text,
	`sodding` text,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "zones_area" CHECK("__new_zones"."area_m2" is null or ("__new_zones"."area_m2" >= 0.09290303990709697 and "__new_zones"."area_m2" <= 40468564.264468566))
);
--> statement-breakpoint
INSERT INTO `__new_zones`("id", "site_id", "position", "name", "area", "area_m2", "turf", "seeded", "sodded", "seeding", "sodding") SELECT "site_id" || '.' || "position", "site_id", "position", "name", "area", "area_m2", NULL, NULL, NULL, NULL, NULL FROM `zones`;--> statement-breakpoint
DROP TABLE `zones`;--> statement-breakpoint
ALTER TABLE `__new_zones` RENAME TO `zones`;--> statement-breakpoint
CREATE INDEX `zones_of_site` ON `zones` (`site_id`,`position`);--> statement-breakpoint
ALTER TABLE `sites` ADD `jurisdiction` text;--> statement-breakpoint
CREATE TRIGGER applications_keep BEFORE UPDATE ON applications BEGIN SELECT RAISE(ABORT, 'append-only'); END;--> statement-breakpoint
CREATE TRIGGER applications_stay BEFORE DELETE ON applications BEGIN SELECT RAISE(ABORT, 'append-only'); END;--> statement-breakpoint
CREATE TRIGGER withdrawals_keep BEFORE UPDATE ON withdrawals BEGIN SELECT RAISE(ABORT, 'append-only'); END;--> statement-breakpoint
CREATE TRIGGER withdrawals_stay BEFORE DELETE ON withdrawals BEGIN SELECT RAISE(ABORT, 'append-only'); END;--> statement-breakpoint
CREATE TRIGGER dismissals_keep BEFORE UPDATE ON dismissals BEGIN SELECT RAISE(ABORT, 'append-only'); END;--> statement-breakpoint
CREATE TRIGGER dismissals_stay BEFORE DELETE ON dismissals BEGIN SELECT RAISE(ABORT, 'append-only'); END;
