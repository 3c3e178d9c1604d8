CREATE TABLE `job_paints` (
	`job_id` text NOT NULL,
	`paint_id` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`revision` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`deleted_at` text
);
--> statement-breakpoint
CREATE TABLE `paints` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`range` text NOT NULL,
	`kind` text NOT NULL,
	`state` text NOT NULL,
	`thick` text NOT NULL,
	`over_white` text,
	`hiding` text NOT NULL,
	`strength` real NOT NULL,
	`drop_ul` real NOT NULL,
	`position` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `settings` (
	`id` integer PRIMARY KEY NOT NULL,
	`painter` text NOT NULL
);
