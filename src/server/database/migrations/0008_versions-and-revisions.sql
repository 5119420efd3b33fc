CREATE TABLE `facts` (
	`name` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `revisions` (
	`id` integer PRIMARY KEY NOT NULL,
	`value` integer NOT NULL,
	`whole_from` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `builds` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `paints` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `paints` ADD `revision` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `version` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `steps` ADD `version` integer DEFAULT 1 NOT NULL;
--> statement-breakpoint
INSERT INTO `revisions` (`id`, `value`, `whole_from`) SELECT 1, 1 + max(`version`), 0 FROM (
	SELECT 1 AS `version` UNION ALL SELECT `version` FROM `codes` UNION ALL SELECT `version` FROM `builds`
	UNION ALL SELECT `version` FROM `trays` UNION ALL SELECT `version` FROM `joins` UNION ALL SELECT `version` FROM `kit_items`
	UNION ALL SELECT `version` FROM `cups` UNION ALL SELECT `version` FROM `settings` UNION ALL SELECT `version` FROM `plan`
);
--> statement-breakpoint
CREATE TRIGGER `trays_insert_revises` AFTER INSERT ON `trays` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `trays_update_revises` AFTER UPDATE ON `trays` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `trays_delete_revises` AFTER DELETE ON `trays` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = OLD.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `joins_insert_revises` AFTER INSERT ON `joins` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `joins_update_revises` AFTER UPDATE ON `joins` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `joins_delete_revises` AFTER DELETE ON `joins` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = OLD.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `kit_items_insert_revises` AFTER INSERT ON `kit_items` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `kit_items_update_revises` AFTER UPDATE ON `kit_items` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `kit_items_delete_revises` AFTER DELETE ON `kit_items` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = OLD.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `steps_insert_revises` AFTER INSERT ON `steps` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `steps_update_revises` AFTER UPDATE ON `steps` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `steps_delete_revises` AFTER DELETE ON `steps` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = OLD.`build_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `builds_insert_revises` AFTER INSERT ON `builds` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`id`;
END;
--> statement-breakpoint
CREATE TRIGGER `builds_update_revises` AFTER UPDATE OF `name`, `subject`, `scale`, `position`, `version` ON `builds` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `builds` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`id`;
END;
--> statement-breakpoint
CREATE TRIGGER `shelf_insert_revises` AFTER INSERT ON `shelf` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`paint_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `shelf_update_revises` AFTER UPDATE ON `shelf` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`paint_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `shelf_delete_revises` AFTER DELETE ON `shelf` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = OLD.`paint_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `refits_insert_revises` AFTER INSERT ON `refits` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`paint_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `refits_update_revises` AFTER UPDATE ON `refits` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`paint_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `refits_delete_revises` AFTER DELETE ON `refits` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = OLD.`paint_id`;
END;
--> statement-breakpoint
CREATE TRIGGER `paints_insert_revises` AFTER INSERT ON `paints` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`id`;
END;
--> statement-breakpoint
CREATE TRIGGER `paints_update_revises` AFTER UPDATE OF `range`, `name`, `family`, `container`, `role`, `sheen`, `hiding`, `price_cents`, `volume_ml`, `flake_um`, `k`, `s`, `provenance`, `uncertainty`, `geometry`, `gloss`, `drop_ml`, `strength`, `notice`, `discontinued`, `version` ON `paints` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `paints` SET `revision` = (SELECT `value` FROM `revisions`) WHERE `id` = NEW.`id`;
END;
--> statement-breakpoint
CREATE TRIGGER `paints_delete_revises` AFTER DELETE ON `paints` BEGIN
	UPDATE `revisions` SET `value` = `value` + 1;
	UPDATE `revisions` SET `whole_from` = `value`;
END;
