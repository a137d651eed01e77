-- What happened is never edited in place and never removed: a correction is a new row that names the old one.
CREATE TRIGGER calibrations_keep BEFORE UPDATE ON calibrations BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER calibrations_stay BEFORE DELETE ON calibrations BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER trials_keep BEFORE UPDATE ON trials BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER trials_stay BEFORE DELETE ON trials BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER mix_sheets_keep BEFORE UPDATE ON mix_sheets BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER mix_sheets_stay BEFORE DELETE ON mix_sheets BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER ticks_keep BEFORE UPDATE ON ticks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
--> statement-breakpoint
CREATE TRIGGER ticks_stay BEFORE DELETE ON ticks BEGIN SELECT RAISE(ABORT, 'append-only'); END;
