ALTER TABLE `sites` ADD `gate` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `tap` text;