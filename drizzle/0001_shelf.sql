CREATE TABLE `pictures` (
	`id` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`created_at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `paints` ADD `over_black` text;--> statement-breakpoint
ALTER TABLE `paints` ADD `finish` text DEFAULT 'matt' NOT NULL;--> statement-breakpoint
ALTER TABLE `paints` ADD `fit` text;--> statement-breakpoint
UPDATE `paints` SET `finish` = 'satin' WHERE `kind` = 'metal';--> statement-breakpoint
UPDATE `paints` SET `finish` = 'gloss' WHERE `kind` IN ('varnish', 'medium');
