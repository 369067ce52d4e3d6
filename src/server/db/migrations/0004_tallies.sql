DROP INDEX "placements_file";--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "uses" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "places" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "undescribed" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "pages" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "first_pages" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "words" text;--> statement-breakpoint
ALTER TABLE "files" ADD COLUMN "search" "tsvector";--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "mark" text;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "places" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "missing" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "undescribed" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "picture_bytes" bigint DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "picture_files" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "pages" ADD COLUMN "heaviest_id" integer;--> statement-breakpoint
CREATE INDEX "files_search" ON "files" USING gin ("search");--> statement-breakpoint
CREATE INDEX "placements_file" ON "placements" USING btree ("site_id","file_path","dormant","page_path","ordinal") WHERE until_survey is null;--> statement-breakpoint
-- What older surveys read has no words, links and tallies: the next one reads every page anew.
UPDATE "pages" SET "sheets_key" = '';
