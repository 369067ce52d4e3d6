ALTER TABLE "changes" ALTER COLUMN "intake_id" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "place_words" jsonb DEFAULT '{}'::jsonb NOT NULL;