ALTER TABLE "rights_states" ALTER COLUMN "asked_on" DROP NOT NULL;--> statement-breakpoint
ALTER TABLE "changes" ADD COLUMN "writes_rights" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "rights_states" ADD COLUMN "touched" text[];--> statement-breakpoint
ALTER TABLE "rights_states" ADD COLUMN "touches" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "rights_states" ADD COLUMN "credit_pages" text[] DEFAULT '{}' NOT NULL;