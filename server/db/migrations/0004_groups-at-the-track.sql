-- A plan used to be one list of reps for everyone; now each group has its own. Summaries are worked out anew.
UPDATE `runs` SET
  `plan_json` = json_set(
    json_remove(`plan_json`, '$.reps', '$.athletes'),
    '$.groups',
    json_array(json_object(
      'id', 'all',
      'name', 'Everyone',
      'reps', json(json_extract(`plan_json`, '$.reps')),
      'athletes', json(json_extract(`plan_json`, '$.athletes'))
    ))
  )
WHERE json_extract(`plan_json`, '$.reps') IS NOT NULL;--> statement-breakpoint
UPDATE `runs` SET `summary_json` = NULL;
