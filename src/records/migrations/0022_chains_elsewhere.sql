CREATE TABLE `chains_elsewhere` (
	`id` text PRIMARY KEY NOT NULL,
	`rows` integer NOT NULL,
	`faults` text NOT NULL,
	`links` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TRIGGER chains_elsewhere_keep BEFORE UPDATE ON chains_elsewhere BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER chains_elsewhere_stay BEFORE DELETE ON chains_elsewhere BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER chains_elsewhere_evidence AFTER INSERT ON chains_elsewhere BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('chains_elsewhere', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'chains_elsewhere', new."id", new."rows", new."faults", new."links", new."at"), 1); END;
