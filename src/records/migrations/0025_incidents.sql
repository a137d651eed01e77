CREATE TABLE `incidents` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`date` text NOT NULL,
	`site_id` text,
	`label_id` text,
	`person_id` text,
	`says` text NOT NULL,
	`corrects` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`label_id`) REFERENCES `labels`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `incidents_by_day` ON `incidents` (`date`,`created_at`,`id`);--> statement-breakpoint
CREATE TRIGGER incidents_keep BEFORE UPDATE ON incidents BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER incidents_stay BEFORE DELETE ON incidents BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER incidents_insert_counts AFTER INSERT ON incidents BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'looks'; END;
--> statement-breakpoint
CREATE TRIGGER incidents_evidence AFTER INSERT ON incidents BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('incidents', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'incidents', new."id", new."kind", new."date", new."site_id", new."label_id", new."person_id", new."says", new."corrects", new."created_at"), 1); END;
