ALTER TABLE `log_entries` ADD `photos` text;--> statement-breakpoint
ALTER TABLE `sittings` ADD `photos` text;