CREATE TABLE `rounds_given` (
	`id` text PRIMARY KEY NOT NULL,
	`record_id` text NOT NULL,
	`round` text,
	`at` text NOT NULL,
	FOREIGN KEY (`record_id`) REFERENCES `applications`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `rounds_given_of` ON `rounds_given` (`record_id`);
--> statement-breakpoint
CREATE TRIGGER rounds_given_keep BEFORE UPDATE ON rounds_given BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER rounds_given_stay BEFORE DELETE ON rounds_given BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER rounds_given_insert_counts AFTER INSERT ON rounds_given BEGIN UPDATE slice_state SET n = n + 1 WHERE kind = 'log'; END;
--> statement-breakpoint
CREATE TRIGGER rounds_given_evidence AFTER INSERT ON rounds_given BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('rounds_given', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'rounds_given', new."id", new."record_id", new."round", new."at"), 1); END;
