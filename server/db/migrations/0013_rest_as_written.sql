ALTER TABLE `rep_results` ADD `recovery` text;--> statement-breakpoint
ALTER TABLE `rep_results` ADD `is_hill` integer DEFAULT false NOT NULL;