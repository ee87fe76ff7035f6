ALTER TABLE `athlete_results` ADD `next_day` text;--> statement-breakpoint
ALTER TABLE `athlete_results` ADD `next_step` text;--> statement-breakpoint
ALTER TABLE `athlete_results` ADD `book_id` text;--> statement-breakpoint
ALTER TABLE `progressions` ADD `chain` text;--> statement-breakpoint
ALTER TABLE `progressions` ADD `every_days` integer;--> statement-breakpoint
ALTER TABLE `progressions` ADD `round` integer;