CREATE TABLE `seasons` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`plan` text NOT NULL,
	`actor` text NOT NULL,
	`created_at_ms` integer NOT NULL,
	`updated_at_ms` integer NOT NULL,
	`removed_at_ms` integer
);
