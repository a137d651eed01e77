ALTER TABLE `sites` ADD `minding` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `access` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `notes` text;