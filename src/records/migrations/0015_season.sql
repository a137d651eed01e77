CREATE TABLE `calendar_events` (
	`uid` text PRIMARY KEY NOT NULL,
	`sequence` integer NOT NULL,
	`said` text NOT NULL,
	`cancelled` integer NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `deliveries` (
	`id` text PRIMARY KEY NOT NULL,
	`label_id` text NOT NULL,
	`lot` text NOT NULL,
	`content` text NOT NULL,
	`count` integer NOT NULL,
	`price` text,
	`came` text NOT NULL,
	`opened` text,
	`use_by` text,
	`corrects` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`label_id`) REFERENCES `labels`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "deliveries_count" CHECK("deliveries"."count" between 0 and 10000)
);
--> statement-breakpoint
CREATE INDEX `deliveries_of_label` ON `deliveries` (`label_id`,`came`);--> statement-breakpoint
CREATE INDEX `deliveries_corrected` ON `deliveries` (`corrects`);--> statement-breakpoint
CREATE TABLE `planned_days` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`batch` text NOT NULL,
	`site_id` text,
	`round` text NOT NULL,
	`year` integer NOT NULL,
	`day` text,
	`later` integer,
	`was` text,
	`was_later` integer,
	`at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "planned_days_year" CHECK("planned_days"."year" between 1990 and 2200),
	CONSTRAINT "planned_days_later" CHECK("planned_days"."later" is null or "planned_days"."later" between -60 and 60)
);
--> statement-breakpoint
CREATE INDEX `planned_days_of` ON `planned_days` (`year`,`site_id`,`round`);--> statement-breakpoint
CREATE INDEX `planned_days_of_site` ON `planned_days` (`site_id`);--> statement-breakpoint
CREATE INDEX `planned_days_of_batch` ON `planned_days` (`batch`);--> statement-breakpoint
CREATE TABLE `waterings` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`kind` text NOT NULL,
	`at` text NOT NULL,
	`depth` text NOT NULL,
	`strikes` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `waterings_of_site` ON `waterings` (`site_id`,`at`);
--> statement-breakpoint
INSERT INTO slice_state (kind, n) VALUES ('plans', 0), ('water', 0);
--> statement-breakpoint
CREATE TRIGGER planned_days_keep BEFORE UPDATE ON planned_days BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER planned_days_stay BEFORE DELETE ON planned_days BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER planned_days_insert_counts AFTER INSERT ON planned_days BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'plans'; END;
--> statement-breakpoint
CREATE TRIGGER waterings_keep BEFORE UPDATE ON waterings BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER waterings_stay BEFORE DELETE ON waterings BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER waterings_insert_counts AFTER INSERT ON waterings BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'water'; END;
--> statement-breakpoint
CREATE TRIGGER deliveries_keep BEFORE UPDATE ON deliveries BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER deliveries_stay BEFORE DELETE ON deliveries BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER deliveries_insert_counts AFTER INSERT ON deliveries BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'stock'; END;
