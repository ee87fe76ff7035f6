-- A session of the library is named by its libraryId: bookId also read as the id of a pace book.
UPDATE `runs` SET `plan_json` = replace(`plan_json`, '"bookId":', '"libraryId":') WHERE `plan_json` LIKE '%"bookId":%';--> statement-breakpoint
UPDATE `sessions` SET `plan` = replace(`plan`, '"bookId":', '"libraryId":') WHERE `plan` LIKE '%"bookId":%';--> statement-breakpoint
UPDATE `seasons` SET `plan` = replace(`plan`, '"bookId":', '"libraryId":') WHERE `plan` LIKE '%"bookId":%';
