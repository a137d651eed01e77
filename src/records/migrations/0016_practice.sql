CREATE TABLE `practices` (
	`id` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`rig_id` text,
	`kind` text NOT NULL,
	`ground` text,
	`what` text NOT NULL,
	`strikes` text,
	`why` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `practices_of_person` ON `practices` (`person_id`,`created_at`);--> statement-breakpoint
CREATE INDEX `practices_struck` ON `practices` (`strikes`);--> statement-breakpoint
CREATE INDEX `practices_of_rig` ON `practices` (`rig_id`);--> statement-breakpoint
INSERT INTO slice_state (kind, n) VALUES ('practice', 0);
--> statement-breakpoint
CREATE TRIGGER practices_keep BEFORE UPDATE ON practices BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER practices_stay BEFORE DELETE ON practices BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER practices_insert_counts AFTER INSERT ON practices BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'practice'; END;
