CREATE TABLE `writes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`what` text NOT NULL,
	`status` integer,
	`answer` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `writes_key_unique` ON `writes` (`key`);