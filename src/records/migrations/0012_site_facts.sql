ALTER TABLE `sites` ADD `noted` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `waters` text;--> statement-breakpoint
ALTER TABLE `sites` ADD `tap_flow` text;--> statement-breakpoint
ALTER TABLE `zones` ADD `irrigation` text;--> statement-breakpoint
ALTER TABLE `zones` ADD `lies` text;--> statement-breakpoint
ALTER TABLE `zones` ADD `height` text;--> statement-breakpoint
ALTER TABLE `zones` ADD `mowed` text;