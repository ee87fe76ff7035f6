CREATE TABLE `venues` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`shape` text NOT NULL,
	`length_m` real NOT NULL,
	`marks` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	`updated_at_ms` integer NOT NULL,
	`removed_at_ms` integer
);
--> statement-breakpoint
ALTER TABLE `sessions` ADD `plan` text;--> statement-breakpoint
ALTER TABLE `squad` ADD `heat` text;