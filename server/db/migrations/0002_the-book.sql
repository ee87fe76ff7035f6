CREATE TABLE `book_sessions` (
	`id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`shorthand` text NOT NULL,
	`intent` text,
	`purpose` text,
	`season` text,
	`easier` text,
	`harder` text,
	`tags` text NOT NULL,
	`favourite` integer DEFAULT false NOT NULL,
	`archived` integer DEFAULT false NOT NULL,
	`created_at_ms` integer NOT NULL,
	`updated_at_ms` integer NOT NULL,
	`removed_at_ms` integer
);
--> statement-breakpoint
CREATE TABLE `book_versions` (
	`book_id` text NOT NULL,
	`version` integer NOT NULL,
	`title` text NOT NULL,
	`shorthand` text NOT NULL,
	`until_ms` integer NOT NULL,
	PRIMARY KEY(`book_id`, `version`)
);
--> statement-breakpoint
CREATE TABLE `progressions` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`lever` text NOT NULL,
	`step_ids` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	`removed_at_ms` integer
);
--> statement-breakpoint
ALTER TABLE `sessions` ADD `start_time` text;--> statement-breakpoint
ALTER TABLE `sessions` ADD `intent` text;--> statement-breakpoint
ALTER TABLE `sessions` ADD `book_id` text;--> statement-breakpoint
ALTER TABLE `squad` ADD `guides` text;