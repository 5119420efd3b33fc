INSERT OR IGNORE INTO `kit_items` (`kind`, `id`, `build_id`, `value`, `version`)
SELECT 'part', `trays`.`build_id` || '-' || json_extract(part.value, '$.id'), `trays`.`build_id`,
	json_object(
		'frame', json_extract(part.value, '$.frame'), 'number', json_extract(part.value, '$.number'),
		'name', json_extract(part.value, '$.name'), 'count', json_extract(part.value, '$.count'),
		'material', 'styrene', 'colour', '', 'plated', json('false'), 'areaCm2', NULL, 'lengthMm', NULL,
		'needs', json('[]'), 'state', 'on-frame', 'checked', json('false'), 'fragile', json('false'),
		'zones', json('[]'), 'note', ''), 1
FROM `trays`, json_each(`trays`.`parts`) AS part;
--> statement-breakpoint
UPDATE `trays` SET `part_ids` = (
	SELECT json_group_array(`trays`.`build_id` || '-' || json_extract(part.value, '$.id'))
	FROM json_each(`trays`.`parts`) AS part
	WHERE NOT EXISTS (
		SELECT 1 FROM `trays` AS earlier, json_each(earlier.`parts`) AS twin
		WHERE earlier.`build_id` = `trays`.`build_id` AND earlier.rowid < `trays`.rowid
			AND json_extract(twin.value, '$.id') = json_extract(part.value, '$.id')));
--> statement-breakpoint
ALTER TABLE `trays` DROP COLUMN `parts`;
