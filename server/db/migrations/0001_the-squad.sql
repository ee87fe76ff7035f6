CREATE TABLE `erased_athletes` (
	`id` text PRIMARY KEY NOT NULL,
	`erased_at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `groups` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`place` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `pace_books` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`model` text NOT NULL,
	`entries` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	`updated_at_ms` integer NOT NULL,
	`removed_at_ms` integer
);
--> statement-breakpoint
CREATE TABLE `squad` (
	`id` integer PRIMARY KEY NOT NULL,
	`pace_book_id` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `athletes` ADD `tile_name` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `athletes` ADD `status` text DEFAULT 'training' NOT NULL;--> statement-breakpoint
ALTER TABLE `athletes` ADD `born_year` integer;--> statement-breakpoint
ALTER TABLE `athletes` ADD `leaning` text;--> statement-breakpoint
ALTER TABLE `athletes` ADD `running_since` text;--> statement-breakpoint
ALTER TABLE `athletes` ADD `group_id` text REFERENCES groups(id);--> statement-breakpoint
ALTER TABLE `athletes` ADD `notes` text;--> statement-breakpoint
ALTER TABLE `athletes` ADD `goal` text;--> statement-breakpoint
ALTER TABLE `athletes` ADD `nudge` text;--> statement-breakpoint
ALTER TABLE `athletes` ADD `pace_book_id` text;--> statement-breakpoint
ALTER TABLE `athletes` ADD `archived` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `marks` ADD `note` text;--> statement-breakpoint
ALTER TABLE `marks` ADD `left_out` integer DEFAULT false NOT NULL;