CREATE TABLE `typefaces` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`bytes` blob NOT NULL
);
