ALTER TABLE "looks" ADD COLUMN "sign" text;--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "leftover_files" jsonb DEFAULT '[]'::jsonb NOT NULL;