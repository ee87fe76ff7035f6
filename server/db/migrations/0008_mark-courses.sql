ALTER TABLE `marks` ADD `course` text;--> statement-breakpoint
ALTER TABLE `marks` ADD `course_name` text;