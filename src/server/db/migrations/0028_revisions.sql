ALTER TABLE "intake" ADD COLUMN "original_sha" text;--> statement-breakpoint
ALTER TABLE "intake" ADD COLUMN "revision" jsonb;