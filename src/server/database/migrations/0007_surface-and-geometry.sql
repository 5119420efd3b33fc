CREATE TABLE `conversions` (
	`name` text PRIMARY KEY NOT NULL,
	`at` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `codes` ADD `notice` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `paints` ADD `geometry` text DEFAULT 'unknown' NOT NULL;--> statement-breakpoint
ALTER TABLE `paints` ADD `gloss` real;--> statement-breakpoint
ALTER TABLE `paints` ADD `drop_ml` real;--> statement-breakpoint
ALTER TABLE `paints` ADD `strength` real;--> statement-breakpoint
ALTER TABLE `paints` ADD `notice` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `geometry` text DEFAULT 'unknown' NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `gloss` real;--> statement-breakpoint
ALTER TABLE `refits` ADD `per_drop` real DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `refits` ADD `strength_doubt` real DEFAULT 0.08 NOT NULL;--> statement-breakpoint
ALTER TABLE `refits` ADD `drop_doubt` real DEFAULT 0.1 NOT NULL;