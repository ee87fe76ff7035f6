CREATE TABLE `access_tokens` (
	`hash` text PRIMARY KEY NOT NULL,
	`run_id` text,
	`made_for` text,
	`until_ms` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `join_codes` (
	`hash` text PRIMARY KEY NOT NULL,
	`run_id` text NOT NULL,
	`until_ms` integer NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `athletes` ADD `chip` text;