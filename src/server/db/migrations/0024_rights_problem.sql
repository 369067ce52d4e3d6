ALTER TABLE "rights_states" ALTER COLUMN "answered_at" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "rights_states" ALTER COLUMN "answered_at" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "rights_states" ADD COLUMN "problem" jsonb;