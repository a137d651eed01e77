CREATE TABLE `chain_events` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`what` text NOT NULL,
	`at` text NOT NULL,
	`why` text,
	`state` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `evidence` (
	`place` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`kind` text NOT NULL,
	`record_id` text NOT NULL,
	`digest` text NOT NULL,
	`columns` integer NOT NULL,
	`found` integer DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `evidence_of` ON `evidence` (`kind`,`record_id`);
--> statement-breakpoint
CREATE TRIGGER evidence_keep BEFORE UPDATE ON evidence BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER evidence_stay BEFORE DELETE ON evidence BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER chain_events_keep BEFORE UPDATE ON chain_events BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER chain_events_stay BEFORE DELETE ON chain_events BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER calibrations_evidence AFTER INSERT ON calibrations BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('calibrations', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'calibrations', new."id", new."rig_id", new."person_id", new."made_at", new."ground", new."job", new."spray_volume", new."relative", new."rules", new."corrects", new."created_at", new."site_id", new."method", new."lever", new."lever_set_to", new."follows"), 1); END;
--> statement-breakpoint
CREATE TRIGGER trials_evidence AFTER INSERT ON trials BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('trials', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'trials', new."id", new."calibration_id", new."position", new."of", new."time", new."volume", new."struck"), 1); END;
--> statement-breakpoint
CREATE TRIGGER calibration_withdrawals_evidence AFTER INSERT ON calibration_withdrawals BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('calibration_withdrawals', cast(new."calibration_id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'calibration_withdrawals', new."calibration_id", new."why", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER quick_checks_evidence AFTER INSERT ON quick_checks BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('quick_checks', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'quick_checks', new."id", new."rig_id", new."person_id", new."calibration_id", new."made_at", new."volume", new."time", new."ratio", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER kit_checks_evidence AFTER INSERT ON kit_checks BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('kit_checks', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'kit_checks', new."id", new."rig_id", new."of", new."tool", new."made_at", new."known", new."shown", new."ratio", new."good", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER mix_sheets_evidence AFTER INSERT ON mix_sheets BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('mix_sheets', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'mix_sheets', new."id", new."made_at", new."site_id", new."rig_id", new."person_id", new."calibration_id", new."job", new."rules", new."created_at", new."day_id"), 1); END;
--> statement-breakpoint
CREATE TRIGGER sheet_sites_evidence AFTER INSERT ON sheet_sites BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('sheet_sites', cast(new."sheet_id" as text) || ' ' || cast(new."site_id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'sheet_sites', new."sheet_id", new."site_id"), 1); END;
--> statement-breakpoint
CREATE TRIGGER stop_events_evidence AFTER INSERT ON stop_events BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('stop_events', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'stop_events', new."id", new."sheet_id", new."what", new."site", new."left", new."order", new."at", new."covered", new."why"), 1); END;
--> statement-breakpoint
CREATE TRIGGER fills_evidence AFTER INSERT ON fills BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('fills', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'fills', new."id", new."sheet_id", new."number", new."done", new."fill_to", new."adds", new."after", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER ticks_evidence AFTER INSERT ON ticks BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('ticks', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'ticks', new."id", new."sheet_id", new."step", new."done", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER weather_seen_evidence AFTER INSERT ON weather_seen BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('weather_seen', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'weather_seen', new."id", new."sheet_id", new."at", new."seen", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER rinses_evidence AFTER INSERT ON rinses BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('rinses', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'rinses', new."id", new."rig_id", new."tank", new."person_id", new."rinsed_at", new."created_at", new."facts"), 1); END;
--> statement-breakpoint
CREATE TRIGGER stock_counts_evidence AFTER INSERT ON stock_counts BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('stock_counts', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'stock_counts', new."id", new."label_id", new."amount", new."counted_at", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER withdrawals_evidence AFTER INSERT ON withdrawals BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('withdrawals', cast(new."sheet_id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'withdrawals', new."sheet_id", new."at", new."became"), 1); END;
--> statement-breakpoint
CREATE TRIGGER outcomes_evidence AFTER INSERT ON outcomes BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('outcomes', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'outcomes', new."id", new."sheet_id", new."site_id", new."entries", new."spray_volume", new."ratio", new."relative", new."sprayed", new."covered", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER load_ends_evidence AFTER INSERT ON load_ends BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('load_ends', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'load_ends', new."id", new."sheet_id", new."site", new."load", new."filled", new."applied", new."left", new."disposed", new."unaccounted", new."says", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER spreadings_evidence AFTER INSERT ON spreadings BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('spreadings', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'spreadings', new."id", new."made_at", new."date", new."person_id", new."job", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ticks_evidence AFTER INSERT ON spreading_ticks BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('spreading_ticks', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'spreading_ticks', new."id", new."spreading_id", new."step", new."done", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER spreading_weather_evidence AFTER INSERT ON spreading_weather BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('spreading_weather', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'spreading_weather', new."id", new."spreading_id", new."at", new."seen", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER spreading_ends_evidence AFTER INSERT ON spreading_ends BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('spreading_ends', cast(new."spreading_id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'spreading_ends', new."spreading_id", new."what", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER applications_evidence AFTER INSERT ON applications BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('applications', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'applications', new."id", new."date", new."site_id", new."zone_id", new."zone", new."area", new."product", new."label_id", new."rate", new."total", new."actives", new."gravity", new."person_id", new."source", new."sheet_id", new."note", new."why", new."also_on", new."corrects", new."void", new."facts", new."created_at", new."covered", new."spreading_id"), 1); END;
--> statement-breakpoint
CREATE TRIGGER looks_evidence AFTER INSERT ON looks BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('looks', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'looks', new."id", new."kind", new."site_id", new."zone_id", new."zone", new."label_id", new."record_id", new."date", new."person_id", new."says", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER photos_evidence AFTER INSERT ON photos BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('photos', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'photos', new."id", new."look_id", new."bytes", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER dismissals_evidence AFTER INSERT ON dismissals BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('dismissals', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'dismissals', new."id", new."record_id", new."field", new."slip", new."typed", new."reason", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER planned_days_evidence AFTER INSERT ON planned_days BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('planned_days', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'planned_days', new."id", new."batch", new."site_id", new."round", new."year", new."day", new."later", new."was", new."was_later", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER waterings_evidence AFTER INSERT ON waterings BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('waterings', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'waterings', new."id", new."site_id", new."kind", new."at", new."depth", new."strikes", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER deliveries_evidence AFTER INSERT ON deliveries BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('deliveries', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'deliveries', new."id", new."label_id", new."lot", new."content", new."count", new."price", new."came", new."opened", new."use_by", new."corrects", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER practices_evidence AFTER INSERT ON practices BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('practices', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'practices', new."id", new."person_id", new."rig_id", new."kind", new."ground", new."what", new."strikes", new."why", new."created_at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER same_ground_evidence AFTER INSERT ON same_ground BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('same_ground', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'same_ground', new."id", new."zone_id", new."as_zone_id", new."at", new."why"), 1); END;
--> statement-breakpoint
CREATE TRIGGER areas_before_evidence AFTER INSERT ON areas_before BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('areas_before', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'areas_before', new."id", new."zone_id", new."area", new."measured", new."until"), 1); END;
--> statement-breakpoint
CREATE TRIGGER revisions_evidence AFTER INSERT ON revisions BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('revisions', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'revisions', new."id", new."kind", new."record_id", new."was", new."at"), 1); END;
--> statement-breakpoint
CREATE TRIGGER chain_events_evidence AFTER INSERT ON chain_events BEGIN INSERT INTO evidence (kind, record_id, digest, columns) VALUES ('chain_events', cast(new."id" as text), chain_digest(coalesce((SELECT digest FROM evidence ORDER BY place DESC LIMIT 1), ''), 'chain_events', new."id", new."what", new."at", new."why", new."state"), 1); END;
--> statement-breakpoint
CREATE TRIGGER applications_log_chain AFTER INSERT ON applications BEGIN INSERT INTO log_chain (record_id, digest, columns) VALUES (new.id, chain_digest(coalesce((SELECT digest FROM log_chain ORDER BY place DESC LIMIT 1), ''), new."id", new."date", new."site_id", new."zone_id", new."zone", new."area", new."product", new."label_id", new."rate", new."total", new."actives", new."gravity", new."person_id", new."source", new."sheet_id", new."note", new."why", new."also_on", new."corrects", new."void", new."facts", new."created_at", new."covered", new."spreading_id"), 2); END;
