CREATE TABLE `athlete_results` (
	`run_id` text NOT NULL,
	`athlete_id` text NOT NULL,
	`date` text NOT NULL,
	`presence` text,
	`group_id` text,
	`is_there` integer DEFAULT false NOT NULL,
	`planned` integer NOT NULL,
	`finished` integer NOT NULL,
	`early` integer NOT NULL,
	`on` integer NOT NULL,
	`late` integer NOT NULL,
	`is_stopped` integer DEFAULT false NOT NULL,
	`mean_percent` real,
	`evenness_percent` real,
	`fade_percent` real,
	`last_effort` real,
	`session_effort` real,
	`started_at_ms` integer,
	`minutes` real,
	`hard_minutes` real,
	`load_effort` real,
	`effort_source` text,
	`planned_minutes` real,
	`planned_hard_minutes` real,
	`planned_effort` real,
	PRIMARY KEY(`run_id`, `athlete_id`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `athlete_results_by_athlete` ON `athlete_results` (`athlete_id`,`date`);--> statement-breakpoint
CREATE TABLE `rep_results` (
	`run_id` text NOT NULL,
	`athlete_id` text NOT NULL,
	`date` text NOT NULL,
	`place` integer NOT NULL,
	`rep_index` integer NOT NULL,
	`group_id` text NOT NULL,
	`role` text NOT NULL,
	`state` text NOT NULL,
	`distance_m` real,
	`duration_s` real,
	`covered_m` real,
	`pace` text,
	`target_s` real,
	`expected_m` real,
	`time_s` real,
	`delta_s` real,
	`verdict` text,
	`opening_delta_s` real,
	`effort` real,
	`beats_per_min` integer,
	`rest_s` real,
	`planned_rest_s` real,
	`flags` text NOT NULL,
	`notes` text NOT NULL,
	`source` text,
	`is_excluded` integer DEFAULT false NOT NULL,
	`is_added` integer DEFAULT false NOT NULL,
	`cut_from_m` real,
	PRIMARY KEY(`run_id`, `athlete_id`, `place`),
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `rep_results_by_athlete` ON `rep_results` (`athlete_id`,`date`);--> statement-breakpoint
CREATE TABLE `run_results` (
	`run_id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_unreadable` integer DEFAULT false NOT NULL,
	`athletes` integer DEFAULT 0 NOT NULL,
	`planned` integer DEFAULT 0 NOT NULL,
	`finished` integer DEFAULT 0 NOT NULL,
	`early` integer DEFAULT 0 NOT NULL,
	`on` integer DEFAULT 0 NOT NULL,
	`late` integer DEFAULT 0 NOT NULL,
	`started_at_ms` integer,
	`ended_at_ms` integer,
	`kinds` text DEFAULT '[]' NOT NULL,
	`kinds_key` text DEFAULT '' NOT NULL,
	`conditions` text DEFAULT '{}' NOT NULL,
	FOREIGN KEY (`run_id`) REFERENCES `runs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `run_results_by_kinds` ON `run_results` (`kinds_key`);--> statement-breakpoint
DROP INDEX `runs_by_date`;--> statement-breakpoint
CREATE INDEX `runs_listed` ON `runs` (`date`,`created_at_ms`,`id`,`session_id`,`title`,`set_aside_at_ms`);--> statement-breakpoint
ALTER TABLE `runs` DROP COLUMN `summary_json`;--> statement-breakpoint
CREATE TABLE `__new_marks` (
	`id` text PRIMARY KEY NOT NULL,
	`athlete_id` text NOT NULL,
	`place` integer NOT NULL,
	`distance_m` real NOT NULL,
	`time_s` real NOT NULL,
	`date` text NOT NULL,
	`kind` text NOT NULL,
	`course` text,
	`course_name` text,
	`note` text,
	`left_out` integer DEFAULT false NOT NULL,
	FOREIGN KEY (`athlete_id`) REFERENCES `athletes`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_marks`("id", "athlete_id", "place", "distance_m", "time_s", "date", "kind", "course", "course_name", "note", "left_out") SELECT printf('%026d', "id"), "athlete_id", "id", "distance_m", "time_s", "date", "kind", "course", "course_name", "note", "left_out" FROM `marks`;--> statement-breakpoint
DROP TABLE `marks`;--> statement-breakpoint
ALTER TABLE `__new_marks` RENAME TO `marks`;--> statement-breakpoint
CREATE INDEX `marks_by_athlete` ON `marks` (`athlete_id`);