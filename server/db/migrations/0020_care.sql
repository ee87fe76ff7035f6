ALTER TABLE `athlete_results` ADD `stop_reason` text;--> statement-breakpoint
ALTER TABLE `athlete_results` ADD `meant_last` real;--> statement-breakpoint
ALTER TABLE `athletes` ADD `well_on` text;