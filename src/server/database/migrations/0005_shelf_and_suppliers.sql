ALTER TABLE `codes` ADD `suppliers` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `paints` ADD `discontinued` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `shelf` ADD `opened_on` text;--> statement-breakpoint
ALTER TABLE `shelf` ADD `place` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `shelf` ADD `note` text DEFAULT '' NOT NULL;