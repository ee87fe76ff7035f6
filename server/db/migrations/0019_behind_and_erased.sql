ALTER TABLE `erased_athletes` ADD `finished_at_ms` integer;--> statement-breakpoint
ALTER TABLE `runs` ADD `joined_count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `runs` SET `joined_count` = (SELECT count(*) FROM `run_events` WHERE `run_id` = `runs`.`id` AND `type` = 'joined');