CREATE TABLE `builds` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`subject` text NOT NULL,
	`scale` integer NOT NULL,
	`position` integer NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `codes` (
	`id` text PRIMARY KEY NOT NULL,
	`maker` text NOT NULL,
	`code` text NOT NULL,
	`name` text NOT NULL,
	`years` text NOT NULL,
	`kind` text NOT NULL,
	`spectrum` text NOT NULL,
	`angles` text,
	`sources` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `joins` (
	`id` text PRIMARY KEY NOT NULL,
	`build_id` text NOT NULL,
	`name` text NOT NULL,
	`tray_ids` text NOT NULL,
	`after_join_ids` text NOT NULL,
	`minutes` integer NOT NULL,
	`adhesive` text NOT NULL,
	`set_minutes` integer NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `joins_by_build` ON `joins` (`build_id`);--> statement-breakpoint
CREATE TABLE `paints` (
	`id` text PRIMARY KEY NOT NULL,
	`range` text NOT NULL,
	`name` text NOT NULL,
	`family` text NOT NULL,
	`container` text NOT NULL,
	`role` text NOT NULL,
	`sheen` text NOT NULL,
	`hiding` text NOT NULL,
	`price_cents` integer NOT NULL,
	`volume_ml` real NOT NULL,
	`flake_um` real,
	`k` text NOT NULL,
	`s` text NOT NULL,
	`provenance` text NOT NULL,
	`uncertainty` real NOT NULL
);
--> statement-breakpoint
CREATE TABLE `plan` (
	`id` integer PRIMARY KEY NOT NULL,
	`fingerprint` text NOT NULL,
	`starts` text NOT NULL,
	`finish` integer NOT NULL,
	`bound` integer NOT NULL,
	`setup_minutes` integer NOT NULL,
	`proved` integer NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`id` integer PRIMARY KEY NOT NULL,
	`conditions` text NOT NULL,
	`calendar` text NOT NULL,
	`preferences` text NOT NULL,
	`version` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `shelf` (
	`paint_id` text PRIMARY KEY NOT NULL,
	`level_ml` real NOT NULL,
	FOREIGN KEY (`paint_id`) REFERENCES `paints`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `steps` (
	`operation_id` text PRIMARY KEY NOT NULL,
	`build_id` text NOT NULL,
	`tray_id` text,
	`title` text NOT NULL,
	`ended_at` integer NOT NULL,
	`minutes` integer NOT NULL,
	`note` text NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `trays` (
	`id` text PRIMARY KEY NOT NULL,
	`build_id` text NOT NULL,
	`name` text NOT NULL,
	`position` integer NOT NULL,
	`area_cm2` real NOT NULL,
	`substrate_id` text NOT NULL,
	`parts` text NOT NULL,
	`layers` text NOT NULL,
	`code_id` text,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`code_id`) REFERENCES `codes`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `trays_by_build` ON `trays` (`build_id`);