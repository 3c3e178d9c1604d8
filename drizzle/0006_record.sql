CREATE TABLE `sittings` (
	`job_id` text NOT NULL,
	`id` text NOT NULL,
	`position` integer NOT NULL,
	`started_at` text NOT NULL,
	`ended_at` text,
	`note` text NOT NULL,
	PRIMARY KEY(`job_id`, `id`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `log_entries` ADD `dry_after` real;--> statement-breakpoint
ALTER TABLE `log_entries` ADD `water` real;--> statement-breakpoint
ALTER TABLE `log_entries` ADD `loads` integer;--> statement-breakpoint
ALTER TABLE `log_entries` ADD `brush` text;--> statement-breakpoint
ALTER TABLE `log_entries` ADD `readings` text;