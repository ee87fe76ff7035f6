CREATE TABLE `known_devices` (
	`hash` text PRIMARY KEY NOT NULL,
	`until_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `passphrases` (
	`id` integer PRIMARY KEY NOT NULL,
	`salt` text NOT NULL,
	`hash` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `run_helpers` (
	`run_id` text NOT NULL,
	`device_id` text NOT NULL,
	PRIMARY KEY(`run_id`, `device_id`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `access_tokens` ADD `device_id` text;--> statement-breakpoint
ALTER TABLE `access_tokens` ADD `events` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `event_count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `runs` ADD `set_aside_at_ms` integer;--> statement-breakpoint
UPDATE `runs` SET `event_count` = (SELECT count(*) FROM `run_events` WHERE `run_events`.`run_id` = `runs`.`id`);
