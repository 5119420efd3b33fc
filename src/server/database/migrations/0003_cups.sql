CREATE TABLE `cups` (
	`id` text PRIMARY KEY NOT NULL,
	`build_id` text NOT NULL,
	`tray_id` text,
	`code_id` text NOT NULL,
	`name` text NOT NULL,
	`note` text NOT NULL,
	`mixed_at` integer NOT NULL,
	`drops` text NOT NULL,
	`additions` text NOT NULL,
	`thrown` integer DEFAULT false NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`build_id`) REFERENCES `builds`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`tray_id`) REFERENCES `trays`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE INDEX `cups_by_build` ON `cups` (`build_id`);--> statement-breakpoint
CREATE TABLE `readings` (
	`id` text PRIMARY KEY NOT NULL,
	`cup_id` text,
	`at` integer NOT NULL,
	`drops` text NOT NULL,
	`spectrum` text NOT NULL,
	`spread` real NOT NULL,
	`film_um` real NOT NULL,
	`over` text NOT NULL,
	`instrument` text NOT NULL,
	`note` text NOT NULL,
	`aside` integer DEFAULT false NOT NULL,
	FOREIGN KEY (`cup_id`) REFERENCES `cups`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `readings_by_cup` ON `readings` (`cup_id`);--> statement-breakpoint
CREATE TABLE `refits` (
	`paint_id` text PRIMARY KEY NOT NULL,
	`k` text NOT NULL,
	`s` text NOT NULL,
	`uncertainty` real NOT NULL,
	`readings` integer NOT NULL,
	FOREIGN KEY (`paint_id`) REFERENCES `paints`(`id`) ON UPDATE no action ON DELETE cascade
);
