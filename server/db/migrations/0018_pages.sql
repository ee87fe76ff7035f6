CREATE INDEX `run_results_open` ON `run_results` (`run_id`) WHERE "run_results"."ended_at_ms" is null;--> statement-breakpoint
CREATE INDEX `runs_by_session` ON `runs` (`session_id`);--> statement-breakpoint
CREATE INDEX `sessions_by_day` ON `sessions` (`date`,`created_at_ms`,`id`);--> statement-breakpoint
CREATE INDEX `sessions_by_library` ON `sessions` (`book_id`,`date`,`removed_at_ms`);