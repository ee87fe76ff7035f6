ALTER TABLE `marks` ADD `run_id` text;--> statement-breakpoint
ALTER TABLE `marks` ADD `alone_time_s` real;--> statement-breakpoint
ALTER TABLE `marks` ADD `alone_sd` real;