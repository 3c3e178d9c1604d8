CREATE TABLE `job_pictures` (
	`job_id` text NOT NULL,
	`picture_id` text NOT NULL,
	`use` text NOT NULL,
	PRIMARY KEY(`job_id`, `picture_id`, `use`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `job_pictures_by_picture` ON `job_pictures` (`picture_id`);--> statement-breakpoint
CREATE TABLE `log_additions` (
	`job_id` text NOT NULL,
	`entry_id` text NOT NULL,
	`at` integer NOT NULL,
	`paint_id` text,
	`drops` integer NOT NULL,
	PRIMARY KEY(`job_id`, `entry_id`, `at`),
	FOREIGN KEY (`job_id`,`entry_id`) REFERENCES `log_entries`(`job_id`,`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `log_entries` (
	`job_id` text NOT NULL,
	`id` text NOT NULL,
	`position` integer NOT NULL,
	`card_id` text NOT NULL,
	`card_title` text NOT NULL,
	`done_at` text NOT NULL,
	`minutes` real,
	`note` text NOT NULL,
	`mixed` integer NOT NULL,
	PRIMARY KEY(`job_id`, `id`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `readings` (
	`paint_id` text NOT NULL,
	`at` integer NOT NULL,
	`laid` text NOT NULL,
	`film_um` real,
	`white_parts` real,
	`l` real NOT NULL,
	`a` real NOT NULL,
	`b` real NOT NULL,
	PRIMARY KEY(`paint_id`, `at`),
	FOREIGN KEY (`paint_id`) REFERENCES `paints`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `schemes` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`version` integer NOT NULL,
	`document` text NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `well_additions` (
	`job_id` text NOT NULL,
	`well_id` text NOT NULL,
	`at` integer NOT NULL,
	`paint_id` text,
	`drops` integer NOT NULL,
	PRIMARY KEY(`job_id`, `well_id`, `at`),
	FOREIGN KEY (`job_id`,`well_id`) REFERENCES `wells`(`job_id`,`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `well_contents` (
	`job_id` text NOT NULL,
	`well_id` text NOT NULL,
	`at` integer NOT NULL,
	`paint_id` text NOT NULL,
	`ul` real NOT NULL,
	PRIMARY KEY(`job_id`, `well_id`, `at`),
	FOREIGN KEY (`job_id`,`well_id`) REFERENCES `wells`(`job_id`,`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `wells` (
	`job_id` text NOT NULL,
	`id` text NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`mix_id` text,
	`water_ul` real NOT NULL,
	PRIMARY KEY(`job_id`, `id`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `version` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `jobs` ADD `eye_height_mm` real;--> statement-breakpoint
ALTER TABLE `jobs` ADD `standard` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `primer` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `figures` integer;--> statement-breakpoint
ALTER TABLE `jobs` ADD `surfaces` integer;--> statement-breakpoint
CREATE UNIQUE INDEX `job_paints_once` ON `job_paints` (`job_id`,`paint_id`);