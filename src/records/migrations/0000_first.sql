CREATE TABLE `calibrations` (
	`id` text PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`person_id` text,
	`made_at` text NOT NULL,
	`ground` text,
	`job` text NOT NULL,
	`spray_volume` real NOT NULL,
	`relative` real,
	`rules` text NOT NULL,
	`corrects` text,
	`created_at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "calibrations_spray_volume" CHECK("calibrations"."spray_volume" is null or ("calibrations"."spray_volume" >= 0.40745833292587497 and "calibrations"."spray_volume" <= 4074.5833374079166))
);
--> statement-breakpoint
CREATE INDEX `calibrations_of_rig` ON `calibrations` (`rig_id`,`made_at`);--> statement-breakpoint
CREATE TABLE `labels` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`form` text NOT NULL,
	`formulation` text,
	`rate` text NOT NULL,
	`rate_value` real NOT NULL,
	`price_amount` real,
	`price_currency` text,
	`price_per` text,
	`created_at` text NOT NULL,
	`retired_at` text,
	CONSTRAINT "labels_rate" CHECK("labels"."rate_value" > 0),
	CONSTRAINT "labels_price" CHECK(("labels"."price_amount" is null) = ("labels"."price_per" is null) and ("labels"."price_amount" is null or "labels"."price_amount" > 0))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `labels_name` ON `labels` (`name`);--> statement-breakpoint
CREATE TABLE `mix_sheets` (
	`id` text PRIMARY KEY NOT NULL,
	`made_at` text NOT NULL,
	`site_id` text NOT NULL,
	`rig_id` text NOT NULL,
	`person_id` text,
	`calibration_id` text NOT NULL,
	`job` text NOT NULL,
	`rules` text NOT NULL,
	`created_at` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`calibration_id`) REFERENCES `calibrations`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `mix_sheets_by_date` ON `mix_sheets` (`made_at`);--> statement-breakpoint
CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`created_at` text NOT NULL,
	`retired_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_name` ON `people` (`name`);--> statement-breakpoint
CREATE TABLE `rigs` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`outlets` integer NOT NULL,
	`spacing` text,
	`spacing_m` real,
	`tip_size` text,
	`pressure` text,
	`pressure_pa` real,
	`created_at` text NOT NULL,
	`retired_at` text,
	CONSTRAINT "rigs_outlets" CHECK("rigs"."outlets" between 1 and 500),
	CONSTRAINT "rigs_spacing" CHECK("rigs"."spacing_m" is null or ("rigs"."spacing_m" >= 0.05079999994920001 and "rigs"."spacing_m" <= 3.0480000030480006)),
	CONSTRAINT "rigs_pressure" CHECK("rigs"."pressure_pa" is null or ("rigs"."pressure_pa" >= 6894.757286273603 and "rigs"."pressure_pa" <= 6894757.300063118))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `rigs_name` ON `rigs` (`name`);--> statement-breakpoint
CREATE TABLE `sites` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`created_at` text NOT NULL,
	`retired_at` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sites_name` ON `sites` (`name`);--> statement-breakpoint
CREATE TABLE `tanks` (
	`id` integer PRIMARY KEY NOT NULL,
	`rig_id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`usable` text NOT NULL,
	`usable_ml` real NOT NULL,
	`least_mix` text,
	`least_mix_ml` real,
	FOREIGN KEY (`rig_id`) REFERENCES `rigs`(`id`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "tanks_usable" CHECK("tanks"."usable_ml" is null or ("tanks"."usable_ml" >= 236.58823626341177 and "tanks"."usable_ml" <= 18927058.938927058)),
	CONSTRAINT "tanks_least_mix" CHECK("tanks"."least_mix_ml" is null or ("tanks"."least_mix_ml" >= 29.57352953292647 and "tanks"."least_mix_ml" <= 18927058.938927058)),
	CONSTRAINT "tanks_least_under_usable" CHECK("tanks"."least_mix_ml" is null or "tanks"."least_mix_ml" <= "tanks"."usable_ml")
);
--> statement-breakpoint
CREATE UNIQUE INDEX `tanks_of_rig` ON `tanks` (`rig_id`,`position`);--> statement-breakpoint
CREATE TABLE `ticks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`sheet_id` text NOT NULL,
	`step` text NOT NULL,
	`done` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`sheet_id`) REFERENCES `mix_sheets`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `ticks_of_sheet` ON `ticks` (`sheet_id`);--> statement-breakpoint
CREATE TABLE `trials` (
	`id` integer PRIMARY KEY NOT NULL,
	`calibration_id` text NOT NULL,
	`position` integer NOT NULL,
	`of` text NOT NULL,
	`time` text NOT NULL,
	`volume` text,
	`struck` text,
	FOREIGN KEY (`calibration_id`) REFERENCES `calibrations`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `trials_of_calibration` ON `trials` (`calibration_id`,`position`);--> statement-breakpoint
CREATE TABLE `zones` (
	`id` integer PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`area` text NOT NULL,
	`area_m2` real NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE cascade,
	CONSTRAINT "zones_area" CHECK("zones"."area_m2" is null or ("zones"."area_m2" >= 0.09290303990709697 and "zones"."area_m2" <= 40468564.264468566))
);
--> statement-breakpoint
CREATE UNIQUE INDEX `zones_of_site` ON `zones` (`site_id`,`position`);