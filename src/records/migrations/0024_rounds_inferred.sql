ALTER TABLE `rounds_given` ADD `inferred` integer DEFAULT false NOT NULL;
--> statement-breakpoint
DROP TRIGGER rounds_given_evidence;
--> statement-breakpoint
CREATE TRIGGER rounds_given_evidence AFTER INSERT ON rounds_given BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('rounds_given', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'rounds_given', new."id", new."record_id", new."round", new."at", new."inferred"), 2); END;
