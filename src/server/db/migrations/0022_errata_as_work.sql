DROP INDEX "errata_rule";--> statement-breakpoint
ALTER TABLE "errata" ADD COLUMN "subject" text DEFAULT '' NOT NULL;--> statement-breakpoint
CREATE INDEX "errata_rule" ON "errata" USING btree ("site_id","rule","subject");