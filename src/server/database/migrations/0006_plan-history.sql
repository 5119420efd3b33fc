CREATE TABLE `plan_history` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`at` integer NOT NULL,
	`finish` integer NOT NULL,
	`starts` text NOT NULL
);
