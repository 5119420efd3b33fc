CREATE TABLE `kit_items` (
	`kind` text NOT NULL,
	`id` text NOT NULL,
	`build_id` text,
	`value` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	PRIMARY KEY(`kind`, `id`),
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `kit_items_by_build` ON `kit_items` (`build_id`);--> statement-breakpoint
CREATE TABLE `pictures` (
	`id` text PRIMARY KEY NOT NULL,
	`build_id` text NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `joins` ADD `joint_ids` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `trays` ADD `part_ids` text DEFAULT '[]' NOT NULL;