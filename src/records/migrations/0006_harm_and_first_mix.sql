CREATE TABLE `calibration_withdrawals` (
	`calibration_id` text PRIMARY KEY NOT NULL,
	`why` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`calibration_id`) REFERENCES `calibrations`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `spreading_ends` (
	`spreading_id` text PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`spreading_id`) REFERENCES `spreadings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `spreadings` (
	`id` text PRIMARY KEY NOT NULL,
	`made_at` text NOT NULL,
	`date` text NOT NULL,
	`person_id` text,
	`job` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
-- What happened is never edited in place and never removed.
CREATE TRIGGER spreadings_keep BEFORE UPDATE ON spreadings BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreadings_stay BEFORE DELETE ON spreadings BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ends_keep BEFORE UPDATE ON spreading_ends BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ends_stay BEFORE DELETE ON spreading_ends BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER calibration_withdrawals_keep BEFORE UPDATE ON calibration_withdrawals BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER calibration_withdrawals_stay BEFORE DELETE ON calibration_withdrawals BEGIN SELECT RAISE(ABORT, 'append-only'); END;
