ALTER TABLE "release_papers" ALTER COLUMN "person" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "release_papers" ADD COLUMN "for_file" text;--> statement-breakpoint
CREATE INDEX "release_papers_file" ON "release_papers" USING btree ("site_id","for_file");