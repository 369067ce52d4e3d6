ALTER TABLE "new_files" ALTER COLUMN "rendition" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "tells" text;