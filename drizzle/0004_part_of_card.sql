ALTER TABLE `log_entries` ADD `figures` text;--> statement-breakpoint
ALTER TABLE `log_entries` ADD `pass` integer;