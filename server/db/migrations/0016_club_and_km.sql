ALTER TABLE `athletes` ADD `weekly_km` real;--> statement-breakpoint
ALTER TABLE `run_results` ADD `minutes` real;--> statement-breakpoint
ALTER TABLE `squad` ADD `club` text;--> statement-breakpoint
INSERT OR IGNORE INTO `squad` (`id`, `pace_book_id`) SELECT 1, 'curve' WHERE EXISTS (SELECT 1 FROM `seasons` WHERE json_array_length(`plan`, '$.heatMonths') > 0);--> statement-breakpoint
UPDATE `squad` SET `club` = json_object('heatMonths', json((SELECT json_extract(`plan`, '$.heatMonths') FROM `seasons` WHERE json_array_length(`plan`, '$.heatMonths') > 0 ORDER BY `removed_at_ms` IS NOT NULL, `updated_at_ms` DESC LIMIT 1))) WHERE EXISTS (SELECT 1 FROM `seasons` WHERE json_array_length(`plan`, '$.heatMonths') > 0);--> statement-breakpoint
UPDATE `seasons` SET `plan` = json_remove(`plan`, '$.heatMonths') WHERE json_type(`plan`, '$.heatMonths') IS NOT NULL;
